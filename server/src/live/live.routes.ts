import { Router } from 'express';
import { sql } from 'kysely';
import { HERE_FORM } from '@mansuet/core/contract';
import { done } from '@mansuet/core/words';
import { type RouteParts, routesOf } from '../route/route.js';
import { whoSent } from '../sign-in/require-session.js';
import type { LiveHub } from './live-hub.js';
import { CHANNEL, hereNotice, readHere } from './notices.js';

const HEARTBEAT_MS = 20_000;

/** `/api/live`: server-sent events, one line for each visit that has grown. */
export function liveRoutes(parts: RouteParts, hub: LiveHub): Router {
  const router = Router();
  router.get('/live', (request, response) => {
    const { salonId } = whoSent(request);
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' });
    response.write('retry: 2000\n\n');
    const stop = hub.subscribe(
      salonId,
      (visitId, here) => {
        if (here !== undefined) response.write(`event: here\ndata: ${JSON.stringify(readHere(here))}\n\n`);
        else response.write(visitId ? `event: visit\ndata: ${JSON.stringify({ visitId })}\n\n` : 'event: again\ndata: {}\n\n');
      },
      // The page comes again by itself, and is led to where the salon is now.
      () => response.end(),
    );
    const beat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    request.on('close', () => {
      clearInterval(beat);
      stop();
    });
  });

  // Said every few seconds by each device that has a visit open: kept nowhere, passed on to the others.
  router.post(
    '/visits/:visitId/here',
    routesOf(parts)('read', HERE_FORM, async ({ trx, salonId, staff, input, id }) => {
      const here = { visitId: id('visitId'), staffId: staff.staffId, ...input };
      await sql`select pg_notify(${CHANNEL}, ${hereNotice(salonId, here)})`.execute(trx);
      return done(undefined);
    }),
  );
  return router;
}
