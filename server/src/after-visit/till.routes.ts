import { Router } from 'express';
import { TILL_ASKED } from '@mansuet/core/contract';
import { done } from '@mansuet/core/words';
import { asCsv } from '../route/answers.js';
import { type RouteParts, routesOf } from '../route/route.js';
import { readTill, tillCsv } from './till.js';

/** Lines for the till: what was agreed beside the usual price. */
export function tillRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/till',
    route('plan', TILL_ASKED, async ({ trx, input }) => done(await readTill(trx, input.from, input.to))),
  );
  router.get(
    '/till.csv',
    route('plan', TILL_ASKED, async ({ trx, input }) => done(tillCsv(await readTill(trx, input.from, input.to))), {
      answer: asCsv('till.csv'),
    }),
  );
  return router;
}
