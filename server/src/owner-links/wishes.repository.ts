import { randomUUID } from 'node:crypto';
import { type NewWishLink, type Salon, WISH_ANSWER, WISH_OFFER, type Wish, type WishAnswer, type WishOffer } from '@mansuet/core/contract';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import { isStillFree, lockHands } from '../bookings/free-times.js';
import type { InSalon } from '../database/database.js';
import { type LinkRow, readLink, stateOf } from './owner-links.repository.js';

/** The dog that times are offered for, with its owner. */
export async function dogToOffer(
  trx: InSalon,
  dogId: string,
): Promise<{ readonly name: string; readonly owner: string; readonly phone: string } | undefined> {
  return trx
    .selectFrom('dog')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['dog.name', 'owner.name as owner', 'owner.phone'])
    .where('dog_id', '=', dogId)
    .executeTakeFirst();
}
export const offerOf = (dogId: string, dogName: string, zone: string, link: NewWishLink): WishOffer => ({ ...link, dogId, dogName, zone });

const chosenIn = ({ times }: WishOffer, { chosen }: WishAnswer): WishOffer['times'][number] | undefined =>
  chosen === null ? undefined : times[chosen];

/** Wishes that wait: for their owner, or for the salon; the answered ones first. */
export async function readWishes(trx: InSalon, salon: Salon, now: Date): Promise<Wish[]> {
  const rows = await trx
    .selectFrom('owner_link')
    .selectAll()
    .where('kind', '=', 'wish')
    .where('reviewed_at', 'is', null)
    .where('set_aside_at', 'is', null)
    .where('taken_back_at', 'is', null)
    .orderBy('answered_at')
    .orderBy('made_at')
    .limit(100)
    .execute();
  const out: Wish[] = [];
  for (const row of rows) {
    const state = stateOf(row, now);
    if (state !== 'open' && state !== 'answered') continue;
    const offer = WISH_OFFER.parse(row.asked);
    const answer = row.answer ? WISH_ANSWER.parse(row.answer) : null;
    const chosen = answer ? chosenIn(offer, answer) : undefined;
    const minutes = offer.asked.sessionMinutes;
    const isFree = chosen !== undefined && new Date(chosen.arrivesAt) > now && (await isStillFree(trx, salon, chosen, minutes));
    const { dogId, dogName: dog, times } = offer;
    const shared = { linkId: row.link_id, owner: row.to_name, phone: row.phone, madeAt: row.made_at.toISOString() };
    out.push({ ...shared, dogId, dog, times, minutes, state, answer, isFree });
  }
  return out;
}

export interface Chosen {
  readonly row: LinkRow;
  readonly offer: WishOffer;
  readonly time: WishOffer['times'][number];
  readonly visitId: string;
}

/** What an owner has chosen, locked until it is booked: of two devices one books it, and of two wishes for the same hands and time one is booked. */
export async function chosenOf(trx: InSalon, salon: Salon, linkId: string, now: Date): Promise<Outcome<Chosen>> {
  const row = await readLink(trx, linkId, true);
  if (row?.kind !== 'wish') return refused('not_found');
  if (stateOf(row, now) !== 'answered' || !row.answer) return refused('conflict', saying('problem.intake_reviewed', {}));
  const offer = WISH_OFFER.parse(row.asked);
  const time = chosenIn(offer, WISH_ANSWER.parse(row.answer));
  if (!time) return refused('not_found');
  await lockHands(trx, time.groomerId);
  if (new Date(time.arrivesAt) <= now || !(await isStillFree(trx, salon, time, offer.asked.sessionMinutes)))
    return refused('conflict', saying('problem.time_taken', {}));
  return done({ row, offer, time, visitId: randomUUID() });
}

/** A wish is over: booked, or set aside. */
export async function closeWish(trx: InSalon, linkId: string, how: 'reviewed_at' | 'set_aside_at', now: Date): Promise<Outcome<undefined>> {
  const { numUpdatedRows } = await trx
    .updateTable('owner_link')
    .set({ [how]: now.toISOString() })
    .where('link_id', '=', linkId)
    .where('kind', '=', 'wish')
    .where('reviewed_at', 'is', null)
    .where('set_aside_at', 'is', null)
    .executeTakeFirst();
  return numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}
