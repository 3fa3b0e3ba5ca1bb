import { Router } from 'express';
import { sql } from 'kysely';
import { HERE_FORM } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { readId } from '../problems/read-id.js';
import { requireAction, whoSent } from '../sign-in/require-session.js';
import type { LiveHub } from './live-hub.js';
import { CHANNEL, hereNotice, readHere } from './notices.js';

const HEARTBEAT_MS = 20_000;

/** `/api/live`: server-sent events, one line for each visit that has grown. */
export function liveRoutes(db: Database, hub: LiveHub): Router {
  const router = Router();
  router.get('/live', (request, response) => {
    const { salonId } = whoSent(request);
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' });
    response.write('retry: 2000\n\n');
    const stop = hub.subscribe(salonId, (visitId, here) => {
      if (here !== undefined) response.write(`event: here\ndata: ${JSON.stringify(readHere(here))}\n\n`);
      else response.write(visitId ? `event: visit\ndata: ${JSON.stringify({ visitId })}\n\n` : 'event: again\ndata: {}\n\n');
    });
    const beat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    request.on('close', () => {
      clearInterval(beat);
      stop();
    });
  });

  // Said every few seconds by each device that has a visit open: kept nowhere, passed on to the others.
  router.post('/visits/:visitId/here', async (request, response) => {
    const { salonId, staff } = await requireAction(db, request, 'read');
    const { device, leaves } = HERE_FORM.parse(request.body);
    const here = { visitId: readId(request.params.visitId), staffId: staff.staffId, device, leaves };
    await sql`select pg_notify(${CHANNEL}, ${hereNotice(salonId, here)})`.execute(db.kysely);
    response.status(204).end();
  });
  return router;
}
