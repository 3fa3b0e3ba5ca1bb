import { Router, type Request } from 'express';
import { randomBytes } from 'node:crypto';
import { FIRST_RUN, NEW_STAFF, type Session, SIGN_IN } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { asMadeId } from '../route/answers.js';
import { type RouteParts, routesOf } from '../route/route.js';
import { requireCsrf } from './require-session.js';
import { triesLimit } from './tries-limit.js';
import { addStaff, checkPassword, enterSalon, foundSalon, hasSalon, type Who } from './sign-in.repository.js';
import { valueOf } from '../problems/problem-error.js';

export interface SignInOptions {
  readonly demoLogins: Session['demoLogins'];
  /** The name of the session's cookie. */
  readonly cookie: string;
}

/** `/api/session`, `/api/first-run`, `/api/staff`. */
export function signInRoutes(parts: RouteParts, options: SignInOptions): Router {
  const router = Router();
  const { db } = parts;
  const limit = triesLimit();

  router.get('/session', async (request, response) => {
    response.json(await sessionAnswer(db, request, options));
  });

  router.post('/session', limit, async (request, response) => {
    const form = SIGN_IN.parse(request.body);
    const who = valueOf(await checkPassword(db, form.login, form.password));
    await begin(request, who, parts.clock());
    response.json(await sessionAnswer(db, request, options));
  });

  router.delete('/session', requireCsrf, async (request, response) => {
    await new Promise<void>((done, fail) => request.session.destroy((error: unknown) => (error ? fail(asError(error)) : done())));
    response.clearCookie(options.cookie, { path: '/', secure: request.secure, httpOnly: true, sameSite: 'strict' }).status(204).end();
  });

  router.post('/first-run', limit, async (request, response) => {
    const who = valueOf(await foundSalon(db, FIRST_RUN.parse(request.body)));
    await begin(request, who, parts.clock());
    response.status(201).json(await sessionAnswer(db, request, options));
  });

  router.post(
    '/staff',
    requireCsrf,
    routesOf(parts)('manage_staff', NEW_STAFF, ({ trx, salonId, input }) => addStaff(trx, salonId, input), { answer: asMadeId }),
  );
  return router;
}

/** What a browser says of itself, as far as it is kept. */
const AGENT_LETTERS = 300;

/** A new session id at sign-in, so that one fixed beforehand is worth nothing. */
async function begin(request: Request, who: Who, now: Date): Promise<void> {
  await new Promise<void>((done, fail) => request.session.regenerate((error: unknown) => (error ? fail(asError(error)) : done())));
  request.session.who = who;
  request.session.csrf = randomBytes(24).toString('base64url');
  request.session.agent = (request.get('user-agent') ?? '').slice(0, AGENT_LETTERS);
  request.session.begunMs = now.getTime();
  request.session.renewedMs = now.getTime();
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
