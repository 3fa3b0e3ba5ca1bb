import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { type Express } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Session } from '@mansuet/core/contract';
import { notPlainText } from '@mansuet/core/log';
import { saying } from '@mansuet/core/words';
import { afterVisitRoutes } from './after-visit/after-visit.routes.js';
import { letterRoutes } from './after-visit/letters.routes.js';
import { tillRoutes } from './after-visit/till.routes.js';
import { bookRoutes } from './bookings/book.routes.js';
import { bookingRoutes } from './bookings/bookings.routes.js';
import { feedRoutes, readFeedRoute } from './bookings/feed.routes.js';
import { waitingRoutes } from './bookings/waiting.routes.js';
import { dayPlanRoutes } from './day-plan/day-plan.routes.js';
import type { Database } from './database/database.js';
import { dogRoutes } from './dogs/dogs.routes.js';
import { salonRoutes } from './salon/salon.routes.js';
import { joinRoutes } from './people/join.routes.js';
import { peopleRoutes } from './people/people.routes.js';
import { houseRuleRoutes } from './house-rules/house-rules.routes.js';
import { liveRoutes } from './live/live.routes.js';
import type { LiveHub } from './live/live-hub.js';
import { holderRoutes } from './owner-links/holder.routes.js';
import { salonLinkRoutes } from './owner-links/salon-links.routes.js';
import { wishRoutes } from './owner-links/wishes.routes.js';
import { photoRoutes } from './photos/photos.routes.js';
import { grantRoutes } from './grants/grants.routes.js';
import { handleProblems, notFound } from './problems/handle-problems.js';
import { requireCsrf } from './sign-in/require-session.js';
import { signInRoutes } from './sign-in/sign-in.routes.js';
import { visitRoutes } from './visits/visits.routes.js';
import type { Measures } from './watch/measures.js';
import { during, numberRequest } from './watch/request-id.js';
import { runningRoutes } from './watch/running.routes.js';
import { webFiles } from './web-files/web-files.js';
import { ProblemError } from './problems/problem-error.js';

export interface AppParts {
  readonly db: Database;
  readonly hub: LiveHub;
  /** Sends what was kept, now that it is stored. */
  readonly send: (salonId: string, messageId: string) => Promise<void>;
  readonly log: Logger;
  readonly clock: () => Date;
  /** The address that people use, without a slash at its end. */
  readonly publicUrl: string;
  readonly trustProxy: number;
  readonly hstsSeconds: number;
  readonly sessionSecret: string;
  readonly webDir: string | undefined;
  readonly demoLogins: Session['demoLogins'];
  readonly measures: Measures;
  /** Where whoever takes backups writes down how the last one went. */
  readonly lastBackupFile: string | undefined;
  /** A folder on the disk that fills up. */
  readonly dataDir: string;
}

const BODY_LIMIT = '1mb';
const SESSION_MS = 14 * 3600_000;
const RENEW_MS = 10 * 60_000;

/** The HTTP application. Nothing in it holds state of its own, so that several may run side by side. */
export function createApp(parts: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  const secure = parts.publicUrl.startsWith('https:');
  // Nobody's word on who asks counts, but that of as many proxies as were said to be in front.
  app.set('trust proxy', parts.trustProxy);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          // The parts library sets style attributes; scripts stay strict.
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'"],
          'connect-src': ["'self'"],
          'worker-src': ["'self'"],
          'frame-ancestors': ["'none'"],
          'form-action': ["'self'"],
          // On loopback the salon's machine serves plain HTTP.
          'upgrade-insecure-requests': secure ? [] : null,
        },
      },
      strictTransportSecurity: secure && parts.hstsSeconds > 0 ? { maxAge: parts.hstsSeconds, includeSubDomains: false } : false,
    }),
  );
  app.use(
    pinoHttp({
      logger: parts.log,
      autoLogging: false,
      genReqId: numberRequest,
      // The address of an owner's link is its key: it never stands in a log.
      serializers: { req: (r: { method: string; url: string }) => ({ method: r.method, url: withoutSecret(r.url) }) },
    }),
  );
  app.use((request, _response, next) => during(String(request.id), next));
  app.use(parts.measures.requestsOf);
  app.use(compression({ filter: (request, response) => request.path !== '/api/live' && compression.filter(request, response) }));

  const api = express.Router();
  api.use((request, _response, next) => {
    const picture = request.method === 'POST' && /^\/dogs\/[^/]+\/photos$/.test(request.path) && request.is('multipart/form-data');
    if (Number(request.get('content-length') ?? 0) > 0 && !picture && !request.is('application/json'))
      throw new ProblemError('wrong_media_type');
    next();
  });
  api.use(express.json({ limit: BODY_LIMIT }));
  // One door for every form and entry: what is no text is stored nowhere.
  api.use((request, _response, next) => {
    const strange = notPlainText(request.body);
    if (strange.length > 0)
      throw new ProblemError(
        'bad_input',
        undefined,
        strange.map((path) => ({ path, says: saying('form.not_text', {}) })),
      );
    next();
  });
  // By this a device knows what its own clock is off by.
  api.use((_request, response, next) => {
    response.set('x-mansuet-time', String(parts.clock().getTime()));
    next();
  });
  // Alive, whatever the database does; ready, when an entry could be stored now.
  api.get('/health', (_request, response) => {
    response.set('cache-control', 'no-store').json({ ok: true });
  });
  api.get('/ready', async (_request, response) => {
    await parts.db.ready();
    response.set('cache-control', 'no-store').json({ ok: true });
  });
  // Before the session: who holds a link has none, and gets no cookie.
  api.use(['/o', '/join', '/feed'], (_request, response, next) => {
    response.set('cache-control', 'no-store').set('referrer-policy', 'no-referrer');
    next();
  });
  api.use('/o', holderRoutes(parts.db, parts.clock));
  api.use('/join', joinRoutes(parts.db, parts.clock));
  api.use('/feed', readFeedRoute(parts.db, parts.clock));
  const Store = connectPgSimple(session);
  api.use(
    session({
      name: cookieName(secure),
      secret: parts.sessionSecret,
      store: new Store({
        pool: parts.db.pool,
        tableName: 'session',
        pruneSessionInterval: 900,
        // A write to the disk for each request would be most of its time: see below.
        disableTouch: true,
        errorLog: (...args: unknown[]) => parts.log.warn({ args }, 'session store'),
      }),
      resave: false,
      saveUninitialized: false,
      rolling: true,
      // With this name no other host of the same domain, and no page without HTTPS, can set it.
      cookie: { httpOnly: true, sameSite: 'strict', maxAge: SESSION_MS, path: '/', secure },
    }),
  );
  // A session that is used lives on: written down every few minutes, not with every tap.
  api.use((request, _response, next) => {
    const now = parts.clock().getTime();
    if (request.session.who && now - (request.session.renewedMs ?? 0) > RENEW_MS) request.session.renewedMs = now;
    next();
  });
  api.use((_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  api.use(signInRoutes(parts, { demoLogins: parts.demoLogins, cookie: cookieName(secure) }));
  api.use(requireCsrf);
  api.use(grantRoutes(parts));
  api.use(houseRuleRoutes(parts));
  api.use(salonRoutes(parts));
  api.use(peopleRoutes(parts));
  api.use(dogRoutes(parts));
  api.use(photoRoutes(parts));
  api.use(salonLinkRoutes(parts));
  api.use(wishRoutes(parts));
  api.use(visitRoutes(parts));
  api.use(afterVisitRoutes(parts));
  api.use(letterRoutes(parts));
  api.use(tillRoutes(parts));
  api.use(bookingRoutes(parts));
  api.use(bookRoutes(parts));
  api.use(waitingRoutes(parts));
  api.use(feedRoutes(parts));
  api.use(dayPlanRoutes(parts));
  api.use(runningRoutes({ ...parts, isDemo: parts.demoLogins.length > 0 }));
  api.use(liveRoutes(parts, parts.hub));
  api.use(notFound);
  app.use('/api', api);
  if (parts.webDir) app.use(webFiles(parts.webDir));
  app.use(notFound);
  app.use(handleProblems(() => parts.measures.unexpected()));
  return app;
}

/** The session's cookie; over HTTPS with a name that browsers let nobody else set. */
const cookieName = (secure: boolean): string => (secure ? '__Host-mansuet' : 'mansuet');

/** What a link is guarded by stands in no log. `withoutSecret('/api/o/abc/agreement.pdf') // => '/api/o/…/agreement.pdf'` */
export function withoutSecret(url: string): string {
  return url.replace(/\/(o|join|feed)\/[^/?]+/, '/$1/…');
}
