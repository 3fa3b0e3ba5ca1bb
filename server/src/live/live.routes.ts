import { Router } from 'express';
import { whoSent } from '../sign-in/require-session.js';
import type { LiveHub } from './live-hub.js';

const HEARTBEAT_MS = 20_000;

/** `/api/live`: server-sent events, one line for each visit that has grown. */
export function liveRoutes(hub: LiveHub): Router {
  const router = Router();
  router.get('/live', (request, response) => {
    const { salonId } = whoSent(request);
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' });
    response.write('retry: 2000\n\n');
    const stop = hub.subscribe(salonId, (visitId) => {
      response.write(visitId ? `event: visit\ndata: ${JSON.stringify({ visitId })}\n\n` : 'event: again\ndata: {}\n\n');
    });
    const beat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    request.on('close', () => {
      clearInterval(beat);
      stop();
    });
  });
  return router;
}
