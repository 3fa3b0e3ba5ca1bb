import type { Request, RequestHandler } from 'express';
import type { Database } from '../database/database.js';
import { findGrant } from '../grants/grants.repository.js';
import type { Who } from './sign-in.repository.js';
import { ProblemError } from '../problems/problem-error.js';

declare module 'express-session' {
  interface SessionData {
    who: Who;
    csrf: string;
    /** When its end was last put off, Unix time in ms. */
    renewedMs: number;
    /** When the sign-in was, Unix time in ms, and what the browser said it was. */
    begunMs: number;
    agent: string;
  }
}

/** The header that carries the session's token; a page of another origin can neither read it nor send it. */
export const CSRF_HEADER = 'x-csrf-token';
const SAFE_METHODS = ['GET', 'HEAD', 'OPTIONS'];

/** Refuses changes without the session's token. */
export const requireCsrf: RequestHandler = (request, _response, next) => {
  const wanted = request.session.csrf;
  // A page of another origin cannot send a device's right any more than the token.
  if (request.get(GRANT_HEADER) !== undefined && /^\/visits\/[^/]+\/events$/.test(request.path)) return next();
  if (!SAFE_METHODS.includes(request.method) && (!wanted || request.get(CSRF_HEADER) !== wanted))
    throw new ProblemError(request.session.who ? 'csrf' : 'signed_out');
  next();
};

/** Who sent this request. @throws ProblemError `signed_out` */
export function whoSent(request: Request): Who {
  const who = request.session.who;
  if (!who) throw new ProblemError('signed_out');
  return who;
}

/** The header that carries a device's right to write in somebody's name. */
export const GRANT_HEADER = 'x-mansuet-grant';

/** Who writes: whose right the device names, or whoever is signed in. @throws ProblemError `grant_ended`, `signed_out` */
export const writerOf =
  (db: Database) =>
  async (request: Request): Promise<Who> => {
    const secret = request.get(GRANT_HEADER);
    if (secret === undefined) return whoSent(request);
    const who = await findGrant(db, secret);
    if (!who) throw new ProblemError('grant_ended');
    return who;
  };
