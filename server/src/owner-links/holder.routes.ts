import { webcrypto } from 'node:crypto';
import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AGREEMENT_ANSWER, AGREEMENT_OFFER, INTAKE_ANSWER, WISH_ANSWER, WISH_OFFER } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { saying } from '@mansuet/core/words';
import type { Database, InSalon } from '../database/database.js';
import { checkDog } from '../dogs/check-dog.js';
import { readCopy } from '../agreement-copy/read-copy.js';
import { keptPage } from '../after-visit/kept-page.js';
import { nextBooked } from '../after-visit/next-booked.js';
import { nextCalendar } from '../papers/calendar.js';
import { asCalendar, asPdf } from '../route/answers.js';
import { appendEvents } from '../visits/append-events.js';
import { readEvents } from '../visits/read-events.js';
import { checkAnswer, eventsOfAnswer } from './answer-agreement.js';
import { findBySecret, keepAnswer, readLink, stateOf, viewOf, type LinkRow } from './owner-links.repository.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';
import { salonOf, zoneOf } from '../sign-in/sign-in.repository.js';

const WINDOW_MS = 15 * 60_000;
/** Wrong links from one address in the window. Our default. */
const WRONG_LINKS = 20;
const noLink = (): ProblemError => new ProblemError('not_found', saying('problem.link_unknown', {}));

/** `/api/o/:secret`: the owner's side of a link, without a sign-in. The secret is what guards it, so it is never logged. */
export function holderRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  router.use(
    rateLimit({
      windowMs: WINDOW_MS,
      limit: WRONG_LINKS,
      skipSuccessfulRequests: true,
      requestWasSuccessful: (_request, response) => response.statusCode !== 404,
      standardHeaders: true,
      legacyHeaders: false,
      handler: () => {
        throw new ProblemError('too_many_tries');
      },
    }),
  );

  const open = async (request: Request): Promise<{ salonId: string; linkId: string }> => {
    const secret = request.params['secret'];
    const found = typeof secret === 'string' ? await findBySecret(db, secret) : undefined;
    if (!found) throw noLink();
    return found;
  };
  /** An answered link still shows that it was answered; one that is over shows nothing of what it held. */
  const usable = (row: LinkRow | undefined): LinkRow => {
    if (!row) throw noLink();
    const state = stateOf(row, clock());
    if (state === 'taken_back') throw new ProblemError('gone', saying('problem.link_taken_back', {}));
    if (state === 'expired' || row.expires_at <= clock()) throw new ProblemError('gone', saying('problem.link_run_out', {}));
    return row;
  };

  router.get('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    const view = await db.inSalon(salonId, async (trx) => viewOf(trx, usable(await readLink(trx, linkId))));
    if (!view) throw new ProblemError('gone', saying('problem.not_handed_back', {}));
    response.json(view);
  });

  router.post('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    await db.inSalon(salonId, async (trx) => {
      const row = usable(await readLink(trx, linkId, true));
      if (row.kind === 'account') throw new ProblemError('not_found');
      if (row.answered_at) throw new ProblemError('conflict', saying('problem.answered_already', {}));
      const now = clock();
      if (row.kind === 'intake') {
        const answer = INTAKE_ANSWER.parse(request.body);
        const today = dayOf(now, await zoneOf(trx));
        valueOf(checkDog(answer.dog, today, undefined, request.query['sure'] === 'weight' ? ['dog.weightKg'] : []));
        await keepAnswer(trx, linkId, answer, now);
        return;
      }
      if (row.kind === 'wish') {
        const answer = WISH_ANSWER.parse(request.body);
        if (answer.chosen !== null && !WISH_OFFER.parse(row.asked).times[answer.chosen])
          throw new ProblemError('bad_input', undefined, [{ path: 'chosen', says: saying('form.not_this', {}) }]);
        await keepAnswer(trx, linkId, answer, now);
        return;
      }
      const answer = AGREEMENT_ANSWER.parse(request.body);
      const offer = AGREEMENT_OFFER.parse(row.asked);
      valueOf(checkAnswer(offer, answer));
      if (!row.visit_id) throw noLink();
      const before = await readEvents(trx, row.visit_id);
      const events = eventsOfAnswer(row.visit_id, row.made_by, offer, answer, before, now, (into) => webcrypto.getRandomValues(into));
      valueOf(await appendEvents(trx, salonId, row.visit_id, events));
      await keepAnswer(trx, linkId, answer, now);
    });
    response.status(204).end();
  });

  router.get('/:secret/agreement.pdf', async (request, response) => {
    const { salonId, linkId } = await open(request);
    const pdf = await db.inSalon(salonId, async (trx) => {
      const row = usable(await readLink(trx, linkId));
      if (row.kind !== 'agreement' || !row.visit_id || !row.answered_at)
        throw new ProblemError('not_found', saying('problem.nothing_answered', {}));
      return valueOf(await readCopy(trx, row.visit_id));
    });
    asPdf('agreement.pdf')(response, pdf);
  });
  /** What was told, as a page to keep, and the next visit for a calendar. */
  const ofAccount = async <T>(
    request: Request,
    read: (trx: InSalon, visitId: string, row: LinkRow) => Promise<T | undefined>,
  ): Promise<T> => {
    const { salonId, linkId } = await open(request);
    const value = await db.inSalon(salonId, async (trx) => {
      const row = usable(await readLink(trx, linkId));
      return row.kind === 'account' && row.visit_id ? read(trx, row.visit_id, row) : undefined;
    });
    if (value === undefined) throw new ProblemError('not_found');
    return value;
  };
  router.get('/:secret/visit.pdf', async (request, response) => {
    asPdf('visit.pdf')(response, await ofAccount(request, keptPage));
  });
  router.get('/:secret/next-visit.ics', async (request, response) => {
    const text = await ofAccount(request, async (trx, visitId) => {
      const [next, salon] = [await nextBooked(trx, visitId), await salonOf(trx)];
      return next && salon && nextCalendar(next, salon, clock());
    });
    asCalendar('next-visit.ics')(response, text);
  });
  return router;
}
