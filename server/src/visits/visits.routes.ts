import { Router } from 'express';
import { may } from '@mansuet/core/access';
import { EVENT_BATCH } from '@mansuet/core/contract';
import type { EventType } from '@mansuet/core/log';
import type { Action } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { readId } from '../problems/read-id.js';
import { requireAction } from '../sign-in/require-session.js';
import { appendEvents, readBatch } from './append-events.js';
import { readEvents } from './read-events.js';
import { readToday, readVisit } from './visits.repository.js';
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

/** `/api/today` and `/api/visits`. */
export function visitRoutes(db: Database, clock: () => Date): Router {
  const router = Router();

  router.get('/today', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    response.json(await db.inSalon(salonId, (trx) => readToday(trx, clock())));
  });

  router.get('/visits/:visitId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const visit = await db.inSalon(salonId, (trx) => readVisit(trx, readId(request.params.visitId)));
    if (!visit) throw new ProblemError('not_found');
    response.json(visit);
  });

  router.get('/visits/:visitId/events', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const events = await db.inSalon(salonId, (trx) => readEvents(trx, readId(request.params.visitId)));
    if (events.length === 0) throw new ProblemError('not_found');
    response.json({ events });
  });

  router.post('/visits/:visitId/events', async (request, response) => {
    const { salonId, staff } = await requireAction(db, request, 'record');
    const visitId = readId(request.params.visitId);
    const events = valueOf(readBatch(visitId, EVENT_BATCH.parse(request.body).events, clock()));
    if (events.some((e) => !may(staff.role, NEEDS[e.type] ?? 'record'))) throw new ProblemError('forbidden');
    response.json(valueOf(await db.inSalon(salonId, (trx) => appendEvents(trx, salonId, visitId, events))));
  });
  return router;
}
