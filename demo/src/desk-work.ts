import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { IntakeAnswer } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import type { Database } from '@mansuet/server/database/database';
import { keepMessage } from '@mansuet/server/messages/messages.repository';
import { keepAnswer, makeLink } from '@mansuet/server/owner-links/owner-links.repository';
import { keepPhoto } from '@mansuet/server/photos/photos.repository';
import { takePicture } from '@mansuet/server/photos/take-picture';
import { searchDogs } from '@mansuet/server/search/search-dogs';
import type { Who } from '@mansuet/server/sign-in/sign-in.repository';
import { DEMO_DOGS, formOf } from './dogs.js';
import { HERE } from './here.js';

/** What lies on the desk: an owner's answers that wait for a review, and a few photographs. */
export async function loadDeskWork(db: Database, who: Who, now: Date): Promise<void> {
  await anIntake(db, who, now);
  await photographs(db, who, now);
}

async function anIntake(db: Database, who: Who, now: Date): Promise<void> {
  const like = DEMO_DOGS[0];
  if (!like) return;
  const { standingSeenMinutes: _standing, biteHistory: _bite, biteEndedOn: _ended, ...facts } = formOf(like, now);
  const answer: IntakeAnswer = {
    dog: {
      ...facts,
      name: 'Purslane',
      coat: 'wool',
      weightKg: 8.4,
      size: 'small',
      born: yearsBefore(now, 2),
      triggers: [{ cause: 'dryer' }],
    },
    owner: {
      name: 'Leopoldine Farrow',
      phone: '0550 100201',
      email: '',
      contacts: [{ name: 'Benno Farrow', phone: '0550 100202', role: 'fetches' }],
    },
    bite: 'warned',
    biteStory: 'It growled when a mat behind the ear was pulled.',
    groomedBefore: 'Twice, at home.',
    fears: 'Loud air; it hides from the hair dryer.',
    calms: 'A hand under the chin.',
    hurtBefore: '',
  };
  const asked = new Date(now.getTime() - 26 * 3_600_000);
  await db.inSalon(who.salonId, async (trx) => {
    const { name, phone } = answer.owner;
    const link = { kind: 'intake' as const, visitId: null, madeBy: who.staffId, toName: name, phone, asked: {} };
    const { linkId } = await makeLink(trx, who.salonId, link, asked);
    await keepAnswer(trx, linkId, answer, new Date(now.getTime() - 3 * 3_600_000));
    const text = 'Tidewrack: before the first visit, please tell us about your dog. (The link of this message was used.)';
    await keepMessage(trx, who.salonId, { to: name, phone, text }, asked);
  });
}

const PICTURES = [
  { dog: 'Ottoline', kind: 'mark', zone: 'side_right', weeksAgo: 14, skin: '#e3c4b4', spot: 26 },
  { dog: 'Ottoline', kind: 'mark', zone: 'side_right', weeksAgo: 6, skin: '#e1c1b0', spot: 34 },
  { dog: 'Bramble', kind: 'before', zone: null, weeksAgo: 7, skin: '#c9b191', spot: 0 },
  { dog: 'Bramble', kind: 'after', zone: null, weeksAgo: 7, skin: '#d8c5a8', spot: 0 },
] as const;

/** Drawn, not photographed: strands of coat, and a round mark where there is one. */
async function photographs(db: Database, who: Who, now: Date): Promise<void> {
  for (const [i, p] of PICTURES.entries()) {
    const taken = await takePicture(await drawn(p.skin, p.spot, i, p.kind === 'before'));
    const takenOn = dayOf(new Date(now.getTime() - p.weeksAgo * 604_800_000), HERE);
    await db.inSalon(who.salonId, async (trx) => {
      const dog = (await searchDogs(trx, p.dog, false)).dogs.find((d) => d.name === p.dog);
      if (dog)
        await keepPhoto(
          trx,
          who.salonId,
          { photoId: randomUUID(), dogId: dog.dogId, visitId: null, takenOn, kind: p.kind, zone: p.zone },
          taken,
        );
    });
  }
}

function drawn(skin: string, spot: number, seed: number, tangled: boolean): Promise<Buffer> {
  const strands = Array.from({ length: 240 }, (_, i) => {
    const x = (i * 37 + seed * 11) % 640;
    const y = (i * 61 + seed * 17) % 480;
    const bend = tangled ? ((i * 13) % 60) - 30 : 8;
    return `<path d="M${x} ${y}q${12 + bend} 30 ${4 - bend / 2} 64" stroke="#6b5236" stroke-opacity="0.45" stroke-width="3" fill="none"/>`;
  });
  const mark =
    spot > 0 ? `<ellipse cx="320" cy="240" rx="${spot * 2}" ry="${spot * 1.7}" fill="#a5644f" stroke="#7d4636" stroke-width="4"/>` : '';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="480"><rect width="640" height="480" fill="${skin}"/>${strands.join('')}${mark}</svg>`;
  return sharp(Buffer.from(svg)).png().toBuffer();
}

const yearsBefore = (now: Date, years: number): string => new Date(now.getTime() - years * 365.25 * 86_400_000).toISOString().slice(0, 10);
