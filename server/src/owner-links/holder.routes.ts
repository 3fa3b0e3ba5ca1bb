import { webcrypto } from 'node:crypto';
import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AGREEMENT_ANSWER, AGREEMENT_OFFER, birthDateProblem, INTAKE_ANSWER } from '@mansuet/core/contract';
import { lifeStage, weightQuestion } from '@mansuet/core/knowledge/dogs';
import type { Database } from '../database/database.js';
import { readCopy, sendPdf } from '../agreement-copy/send-copy.js';
import { ProblemError } from '../problems/problem-error.js';
import { appendEvents, readEvents } from '../visits/append-events.js';
import { checkAnswer, eventsOfAnswer } from './answer-agreement.js';
import { findBySecret, keepAnswer, readLink, stateOf, viewOf, type LinkRow } from './owner-links.repository.js';

const WINDOW_MS = 15 * 60_000;
/** Wrong links from one address in the window. Our default. */
const WRONG_LINKS = 20;
const NO_LINK = 'This link is not one of ours, or it was mistyped. Open it again from the message, or ring the salon.';

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
    if (!found) throw new ProblemError('not_found', NO_LINK);
    return found;
  };
  /** An answered link still shows that it was answered; one that is over shows nothing of what it held. */
  const usable = (row: LinkRow | undefined): LinkRow => {
    if (!row) throw new ProblemError('not_found', NO_LINK);
    const state = stateOf(row, clock());
    if (state === 'taken_back') throw new ProblemError('gone', 'The salon has taken this link back. A newer one may be in your messages.');
    if (state === 'expired' || row.expires_at <= clock())
      throw new ProblemError('gone', 'This link has run out. Ask the salon for a new one.');
    return row;
  };

  router.get('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    response.json(await db.inSalon(salonId, async (trx) => viewOf(trx, usable(await readLink(trx, linkId)))));
  });

  router.post('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    await db.inSalon(salonId, async (trx) => {
      const row = usable(await readLink(trx, linkId, true));
      if (row.answered_at) throw new ProblemError('conflict', 'This was answered already. Ring the salon to change it.');
      const now = clock();
      if (row.kind === 'intake') {
        const answer = INTAKE_ANSWER.parse(request.body);
        const today = now.toISOString().slice(0, 10);
        const born = birthDateProblem(answer.dog.born, today);
        if (born) throw new ProblemError('bad_input', undefined, [{ path: 'dog.born', message: born }]);
        const grown = lifeStage(answer.dog, today) !== 'puppy';
        const question = weightQuestion(answer.dog, undefined, grown);
        if (question && request.query['sure'] !== 'weight')
          throw new ProblemError('ask_back', undefined, [{ path: 'dog.weightKg', message: question }]);
        await keepAnswer(trx, linkId, answer, now);
        return;
      }
      const answer = AGREEMENT_ANSWER.parse(request.body);
      const offer = AGREEMENT_OFFER.parse(row.asked);
      checkAnswer(offer, answer);
      if (!row.visit_id) throw new ProblemError('not_found', NO_LINK);
      const before = await readEvents(trx, row.visit_id);
      const events = eventsOfAnswer(row.visit_id, row.made_by, offer, answer, before, now, (into) => webcrypto.getRandomValues(into));
      await appendEvents(trx, salonId, row.visit_id, events);
      await keepAnswer(trx, linkId, answer, now);
    });
    response.status(204).end();
  });

  router.get('/:secret/agreement.pdf', async (request, response) => {
    const { salonId, linkId } = await open(request);
    const pdf = await db.inSalon(salonId, async (trx) => {
      const row = usable(await readLink(trx, linkId));
      if (row.kind !== 'agreement' || !row.visit_id || !row.answered_at) throw new ProblemError('not_found', 'Nothing was answered yet.');
      return readCopy(trx, row.visit_id);
    });
    sendPdf(response, pdf);
  });
  return router;
}
