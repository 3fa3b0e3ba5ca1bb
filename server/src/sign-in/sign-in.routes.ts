import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { randomBytes } from 'node:crypto';
import { FIRST_RUN, NEW_STAFF, type Session, SIGN_IN } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { asMadeId } from '../route/answers.js';
import { type RouteParts, routesOf } from '../route/route.js';
import { requireCsrf } from './require-session.js';
import { addStaff, checkPassword, enterSalon, foundSalon, hasSalon, type Who } from './sign-in.repository.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';

const WINDOW_MS = 15 * 60_000;
/** Failed tries from one address in the window. Our default. */
const FAILED_TRIES = 10;

export interface SignInOptions {
  readonly demoLogins: Session['demoLogins'];
  /** The name of the session's cookie. */
  readonly cookie: string;
}

/** `/api/session`, `/api/first-run`, `/api/staff`. */
export function signInRoutes(parts: RouteParts, options: SignInOptions): Router {
  const router = Router();
  const { db } = parts;
  const limit = rateLimit({
    windowMs: WINDOW_MS,
    limit: FAILED_TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: true,
    legacyHeaders: false,
    handler: () => {
      throw new ProblemError('too_many_tries');
    },
  });

  router.get('/session', async (request, response) => {
    response.json(await sessionAnswer(db, request, options));
  });

  router.post('/session', limit, async (request, response) => {
    const form = SIGN_IN.parse(request.body);
    const who = valueOf(await checkPassword(db, form.login, form.password));
    await begin(request, who);
    response.json(await sessionAnswer(db, request, options));
  });

  router.delete('/session', requireCsrf, async (request, response) => {
    await new Promise<void>((done, fail) => request.session.destroy((error: unknown) => (error ? fail(asError(error)) : done())));
    response.clearCookie(options.cookie, { path: '/', secure: request.secure, httpOnly: true, sameSite: 'strict' }).status(204).end();
  });

  router.post('/first-run', limit, async (request, response) => {
    const who = valueOf(await foundSalon(db, FIRST_RUN.parse(request.body)));
    await begin(request, who);
    response.status(201).json(await sessionAnswer(db, request, options));
  });

  router.post(
    '/staff',
    requireCsrf,
    routesOf(parts)('manage_staff', NEW_STAFF, ({ trx, salonId, input }) => addStaff(trx, salonId, input), { answer: asMadeId }),
  );
  return router;
}

/** A new session id at sign-in, so that one fixed beforehand is worth nothing. */
async function begin(request: Request, who: Who): Promise<void> {
  await new Promise<void>((done, fail) => request.session.regenerate((error: unknown) => (error ? fail(asError(error)) : done())));
  request.session.who = who;
  request.session.csrf = randomBytes(24).toString('base64url');
}

const asError = (thrown: unknown): Error => (thrown instanceof Error ? thrown : new Error('session store failed', { cause: thrown }));

async function sessionAnswer(db: Database, request: Request, options: SignInOptions): Promise<Session> {
  const { who, csrf } = request.session;
  const found = who && (await db.transaction((trx) => enterSalon(trx, who)));
  return {
    signedIn: found && csrf ? { ...found, csrf } : null,
    firstRun: !(await hasSalon(db)),
    // The demo says so, whoever is signed in: it has a page that a salon's own installation does not have.
    demoLogins: options.demoLogins,
  };
}
