import { webcrypto } from 'node:crypto';
import { Router } from 'express';
import { NEW_WISH_LINK, type NewLink, type NewWishLink, TIMES_ASKED } from '@mansuet/core/contract';
import { sayMoment } from '@mansuet/core/days';
import { makeEvents } from '@mansuet/core/log';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import { freeTimes } from '../bookings/free-times.js';
import { keepMessage } from '../messages/messages.repository.js';
import { asMade, asMadeId } from '../route/answers.js';
import type { Ask } from '../route/ask.js';
import { NOTHING, routesOf } from '../route/route.js';
import { appendEvents } from '../visits/append-events.js';
import { makeLink } from './owner-links.repository.js';
import type { LinkParts } from './salon-links.routes.js';
import { chosenOf, closeWish, dogToOffer, offerOf, readWishes } from './wishes.repository.js';

/** The device that the log names for a visit that an owner chose by a link. */
const DEVICE = 'owner-link';
const SHORTEST_NUMBER = 4;

/** An owner chooses a time: which are free, the link that offers them, what was chosen, and booking it. */
export function wishRoutes(parts: LinkParts): Router {
  const router = Router();
  const route = routesOf(parts);
  const tell = async (ask: Ask<unknown>, to: string, phone: string, text: string): Promise<string> => {
    const message = await keepMessage(ask.trx, ask.salonId, { to, phone, text }, ask.now);
    ask.afterCommit(() => parts.send(ask.salonId, message.messageId));
    return message.text;
  };

  router.get(
    '/free-times',
    route('book', TIMES_ASKED, async ({ trx, salon, input, now }) => done({ times: await freeTimes(trx, salon, input, now) })),
  );
  router.get(
    '/wishes',
    route('read', NOTHING, async ({ trx, salon, now }) => done({ wishes: await readWishes(trx, salon, now) })),
  );
  router.post('/dogs/:dogId/wishes', route('book', NEW_WISH_LINK, offer, { answer: asMade }));
  router.post(
    '/wishes/:linkId/booked',
    route(
      'book',
      NOTHING,
      async (ask): Promise<Outcome<string>> => {
        const found = await chosenOf(ask.trx, ask.salon, ask.id('linkId'), ask.now);
        if (!found.ok) return found;
        const { row, offer: of, time, visitId } = found.value;
        const { dogId, asked, helperThere, zone } = of;
        const body = { dogId, asked, helperThere, zone, arrivesAt: time.arrivesAt, groomerId: time.groomerId };
        const random = (into: Uint8Array): Uint8Array => webcrypto.getRandomValues(into);
        const at = { visitId, by: ask.staffId, device: DEVICE, nowMs: ask.now.getTime(), random, last: undefined };
        const stored = await appendEvents(ask.trx, ask.salonId, visitId, makeEvents([{ type: 'visit_booked', body }], at));
        if (!stored.ok) return stored;
        const closed = await closeWish(ask.trx, row.link_id, 'reviewed_at', ask.now);
        if (!closed.ok) return closed;
        const when = sayMoment(time.arrivesAt, zone, ask.salon.formats);
        await tell(ask, row.to_name, row.phone, `${ask.salon.name}: ${of.dogName} is booked, ${when} with ${time.groomer}.`);
        return done(visitId);
      },
      { answer: asMadeId },
    ),
  );
  router.post(
    '/wishes/:linkId/set-aside',
    route('book', NOTHING, ({ trx, now, id }) => closeWish(trx, id('linkId'), 'set_aside_at', now)),
  );
  return router;

  async function offer(ask: Ask<NewWishLink>): Promise<Outcome<NewLink>> {
    const dogId = ask.id('dogId');
    const dog = await dogToOffer(ask.trx, dogId);
    if (!dog) return refused('not_found');
    if (dog.phone.replace(/\D/g, '').length < SHORTEST_NUMBER) return refusedField('phone', saying('form.number_missing', {}));
    const asked = offerOf(dogId, dog.name, ask.salon.timeZone, ask.input);
    const link = { kind: 'wish' as const, visitId: null, madeBy: ask.staffId, toName: dog.owner, phone: dog.phone, asked };
    const made = await makeLink(ask.trx, ask.salonId, link, ask.now);
    const url = `${ask.publicUrl}/o/${made.secret}`;
    const words = `${ask.salon.name}: please choose a time for ${dog.name}: ${url} The link works for 4 days; we confirm what you choose.`;
    const message = await tell(ask, dog.owner, dog.phone, words);
    return done({ linkId: made.linkId, url, expiresAt: made.expiresAt.toISOString(), message });
  }
}
