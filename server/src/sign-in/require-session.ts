import type { Request, RequestHandler } from 'express';
import { may } from '@mansuet/core/access';
import type { Salon, Staff } from '@mansuet/core/contract';
import type { Action } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { findGrant } from '../grants/grants.repository.js';
import { whoIs, type Who } from './sign-in.repository.js';
import { ProblemError } from '../problems/problem-error.js';

declare module 'express-session' {
  interface SessionData {
    who: Who;
    csrf: string;
    /** When its end was last put off, Unix time in ms. */
    renewedMs: number;
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

/** Who writes: whose right the device names, or whoever is signed in. The role must allow it. @throws ProblemError `grant_ended`, `signed_out`, `forbidden` */
export async function requireWriter(db: Database, request: Request): Promise<Who & { staff: Staff; salon: Salon }> {
  const secret = request.get(GRANT_HEADER);
  if (secret === undefined) return requireAction(db, request, 'record');
  const who = await findGrant(db, secret);
  if (!who) throw new ProblemError('grant_ended');
  return mayDo(db, who, 'record');
}

/** As {@link whoSent}, and the role must allow it: it is read anew, so that a changed role counts at once. */
export async function requireAction(db: Database, request: Request, action: Action): Promise<Who & { staff: Staff; salon: Salon }> {
  return mayDo(db, whoSent(request), action);
}

async function mayDo(db: Database, who: Who, action: Action): Promise<Who & { staff: Staff; salon: Salon }> {
  const found = await db.inSalon(who.salonId, (trx) => whoIs(trx, who));
  if (!found) throw new ProblemError('signed_out');
  if (!may(found.staff.role, action)) throw new ProblemError('forbidden');
  return { ...who, ...found };
}
