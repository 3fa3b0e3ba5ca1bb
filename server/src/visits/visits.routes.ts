import { Router } from 'express';
import * as z from 'zod';
import { EVENT_BATCH, HAS_OF_TODAY } from '@mansuet/core/contract';
import { done, refused } from '@mansuet/core/words';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { writerOf } from '../sign-in/require-session.js';
import { appendEvents } from './append-events.js';
import { KeptVisits } from './kept-visits.js';
import { readBatch } from './read-batch.js';
import { readLog } from './read-events.js';
import { readToday, readTodayNews } from './today.repository.js';
import { readVisit } from './visits.repository.js';

const NEWS = z.object({ has: HAS_OF_TODAY.default([]) });
const AFTER = z.object({ after: z.coerce.number().int().min(0).default(0) });

/** `/api/today` and `/api/visits`. */
export function visitRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  const kept = new KeptVisits();

  router.get(
    '/today',
    route('read', NOTHING, async ({ trx, now }) => done(await readToday(trx, now))),
  );
  // What is new for whoever says what it has: a visit, its cursor and its tag each.
  router.get(
    '/today/news',
    route('read', NEWS, async ({ trx, now, input }) => done(await readTodayNews(trx, now, input.has))),
  );
  router.get(
    '/visits/:visitId',
    route('read', NOTHING, async ({ trx, id }) => {
      const visit = await readVisit(trx, id('visitId'));
      return visit ? done(visit) : refused('not_found');
    }),
  );
  router.get(
    '/visits/:visitId/events',
    route('read', AFTER, async ({ trx, id, input }) => {
      const { events, cursor } = await readLog(trx, id('visitId'), input.after);
      return cursor === 0 ? refused('not_found') : done({ events, cursor });
    }),
  );
  router.post(
    '/visits/:visitId/events',
    route(
      'record',
      EVENT_BATCH,
      async ({ trx, salonId, staff, now, input, id, afterCommit }) => {
        const visitId = id('visitId');
        const batch = readBatch(visitId, input, now, staff);
        if (!batch.ok) return batch;
        const { events, told } = batch.value;
        const appended = await appendEvents(trx, salonId, visitId, events, { told, kept });
        if (!appended.ok) return appended;
        const { committed, ...taken } = appended.value;
        afterCommit(committed);
        return done(taken);
      },
      { who: writerOf(parts.db) },
    ),
  );
  return router;
}
