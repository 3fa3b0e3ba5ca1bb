import { Router } from 'express';
import * as z from 'zod';
import { may } from '@mansuet/core/access';
import { EVENT_BATCH, HAS_OF_TODAY } from '@mansuet/core/contract';
import type { EventType } from '@mansuet/core/log';
import { type Action, saying } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { readId } from '../problems/read-id.js';
import { requireAction, requireWriter } from '../sign-in/require-session.js';
import { appendEvents } from './append-events.js';
import { KeptVisits } from './kept-visits.js';
import { readBatch } from './read-batch.js';
import { readLog } from './read-events.js';
import { readToday, readTodayNews } from './today.repository.js';
import { readVisit } from './visits.repository.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';

/** Events that more is needed for than to record. */
const NEEDS: Readonly<Partial<Record<EventType, Action>>> = {
  visit_booked: 'book',
  asked_changed: 'book',
  agreed: 'plan',
  plan_wished: 'plan',
  plan_accepted: 'plan',
  handed_back: 'plan',
};

const CURSOR = z.coerce.number().int().min(0).default(0);

/** `/api/today` and `/api/visits`. */
export function visitRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  const kept = new KeptVisits();

  router.get('/today', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    response.json(await db.inSalon(salonId, (trx) => readToday(trx, clock())));
  });

  // What is new for whoever says what it has: a visit, its cursor and its tag each.
  router.get('/today/news', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const has = HAS_OF_TODAY.parse(request.query['has'] ?? '');
    response.json(await db.inSalon(salonId, (trx) => readTodayNews(trx, clock(), has)));
  });

  router.get('/visits/:visitId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const visit = await db.inSalon(salonId, (trx) => readVisit(trx, readId(request.params.visitId)));
    if (!visit) throw new ProblemError('not_found');
    response.json(visit);
  });

  router.get('/visits/:visitId/events', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const after = CURSOR.parse(request.query['after']);
    const { events, cursor } = await db.inSalon(salonId, (trx) => readLog(trx, readId(request.params.visitId), after));
    if (cursor === 0) throw new ProblemError('not_found');
    response.json({ events, cursor });
  });

  router.post('/visits/:visitId/events', async (request, response) => {
    const { salonId, staff } = await requireWriter(db, request);
    const visitId = readId(request.params.visitId);
    const received = valueOf(readBatch(visitId, EVENT_BATCH.parse(request.body), clock()));
    const events = received.map((r) => r.event);
    const told = new Map(received.map((r) => [r.event.id, r.told]));
    const above = events.flatMap((e, i) => {
      if (e.by !== staff.staffId) return [{ path: `events.${i}.by`, says: saying('form.by_somebody_else', {}) }];
      return may(staff.role, NEEDS[e.type] ?? 'record') ? [] : [{ path: `events.${i}.type`, says: saying('form.not_this_role', {}) }];
    });
    if (above.length > 0) throw new ProblemError('forbidden', saying('problem.nothing_stored', {}), above);
    const { committed, ...taken } = valueOf(
      await db.inSalon(salonId, (trx) => appendEvents(trx, salonId, visitId, events, { told, kept })),
    );
    committed();
    response.json(taken);
  });
  return router;
}
