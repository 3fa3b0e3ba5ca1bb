import { Router } from 'express';
import { INTAKE_REVIEW, type IntakeReview, NEW_AGREEMENT_LINK, NEW_INTAKE_LINK, type NewLink } from '@mansuet/core/contract';
import { done, type Outcome, refused } from '@mansuet/core/words';
import { readCopy } from '../agreement-copy/read-copy.js';
import { addDog, addNote } from '../dogs/dogs.repository.js';
import { checkDog } from '../dogs/check-dog.js';
import { keepMessage, readMessages } from '../messages/messages.repository.js';
import { asMade, asMadeId, asPdf } from '../route/answers.js';
import type { Ask } from '../route/ask.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { closeIntake, linkOf, listLinks, makeLink, readLink, takeBack, type NewLinkOf } from './owner-links.repository.js';

export interface LinkParts extends RouteParts {
  /** Sends what was kept, now that it is stored. */
  readonly send: (salonId: string, messageId: string) => Promise<void>;
}

/** The salon's side of links: make, see, take back; review intakes; the stand-in's messages; the PDF copy. */
export function salonLinkRoutes(parts: LinkParts): Router {
  const router = Router();
  const route = routesOf(parts);

  /** Makes the link, and sends it once it is stored. */
  const send = async (ask: Ask<unknown>, link: NewLinkOf, words: (url: string) => string): Promise<NewLink> => {
    const made = await makeLink(ask.trx, ask.salonId, link, ask.now);
    const url = `${ask.publicUrl}/o/${made.secret}`;
    const message = await keepMessage(ask.trx, ask.salonId, { to: link.toName, phone: link.phone, text: words(url) }, ask.now);
    ask.afterCommit(() => parts.send(ask.salonId, message.messageId));
    return { linkId: made.linkId, url, expiresAt: made.expiresAt.toISOString(), message: message.text };
  };

  router.post(
    '/visits/:visitId/links',
    route(
      'plan',
      NEW_AGREEMENT_LINK,
      async (ask): Promise<Outcome<NewLink>> => {
        const visitId = ask.id('visitId');
        const { toName, phone, offer } = ask.input;
        const visit = await ask.trx.selectFrom('visit').select('visit_id').where('visit_id', '=', visitId).executeTakeFirst();
        if (!visit) return refused('not_found');
        const link: NewLinkOf = { kind: 'agreement', visitId, madeBy: ask.staffId, toName, phone, asked: offer };
        const words = (url: string) =>
          `${ask.salon.name}: please read and answer what we agree for ${offer.dogName} today: ${url} The link works once, for 24 hours.`;
        return done(await send(ask, link, words));
      },
      { answer: asMade },
    ),
  );
  router.get(
    '/visits/:visitId/links',
    route('read', NOTHING, async ({ trx, now, id }) => done({ links: await listLinks(trx, id('visitId'), now) })),
  );
  router.get(
    '/visits/:visitId/agreement.pdf',
    route('read', NOTHING, ({ trx, id }) => readCopy(trx, id('visitId')), { answer: asPdf('agreement.pdf') }),
  );
  router.post(
    '/intakes',
    route(
      'book',
      NEW_INTAKE_LINK,
      async (ask) => {
        const { toName, phone } = ask.input;
        const link: NewLinkOf = { kind: 'intake', visitId: null, madeBy: ask.staffId, toName, phone, asked: {} };
        const words = (url: string) =>
          `${ask.salon.name}: before the first visit, please tell us about your dog: ${url} The link works once, for 7 days.`;
        return done(await send(ask, link, words));
      },
      { answer: asMade },
    ),
  );
  router.get(
    '/intakes',
    route('read', NOTHING, async ({ trx, now }) => done({ links: await listLinks(trx, undefined, now) })),
  );
  router.post('/intakes/:linkId/accepted', route('edit_dog', INTAKE_REVIEW, acceptIntake, { answer: asMadeId }));
  router.post(
    '/intakes/:linkId/set-aside',
    route('edit_dog', NOTHING, ({ trx, now, id }) => closeIntake(trx, id('linkId'), 'set_aside_at', now)),
  );
  router.delete(
    '/links/:linkId',
    route('book', NOTHING, ({ trx, now, id }) => takeBack(trx, id('linkId'), now)),
  );
  router.get(
    '/messages',
    route('book', NOTHING, async ({ trx }) => done({ messages: await readMessages(trx) })),
  );
  return router;
}

/** A dog's file from what its owner told, as it was reviewed. @returns the dog's id */
async function acceptIntake({ trx, salonId, input: form, today, now, id }: Ask<IntakeReview>): Promise<Outcome<string>> {
  // Whoever reviews has the owner's own words before them: a weight that looks odd was asked back there.
  const right = checkDog(form.dog, today, undefined, ['dog.weightKg']);
  if (!right.ok) return right;
  const row = await readLink(trx, id('linkId'), true);
  const intake = row && linkOf(row, now).intake;
  if (!intake) return refused('not_found');
  const closed = await closeIntake(trx, id('linkId'), 'reviewed_at', now);
  if (!closed.ok) return closed;
  const dogId = await addDog(trx, salonId, form.dog, form.owner, today);
  for (const card of form.cards) {
    const text = intake[card].slice(0, MOST_NOTED);
    if (text === '') continue;
    const note = { kind: CARD_KIND[card], text, saidBy: `${form.owner.name} (owner)`.slice(0, MOST_NAMED) };
    const added = await addNote(trx, salonId, dogId, note, today);
    if (!added.ok) return added;
  }
  return done(dogId);
}

/** What a note has room for, letters. */
const MOST_NOTED = 300;
const MOST_NAMED = 60;
const CARD_KIND = { fears: 'avoid', calms: 'works', hurtBefore: 'injury', biteStory: 'avoid' } as const;
