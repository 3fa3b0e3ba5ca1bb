import type { Request, RequestHandler } from 'express';
import { may } from '@mansuet/core/access';
import type { Salon, Staff } from '@mansuet/core/contract';
import type { Action } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
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

/** As {@link whoSent}, and the role must allow it: it is read anew, so that a changed role counts at once. */
export async function requireAction(db: Database, request: Request, action: Action): Promise<Who & { staff: Staff; salon: Salon }> {
  const who = whoSent(request);
  const found = await db.inSalon(who.salonId, (trx) => whoIs(trx, who));
  if (!found) throw new ProblemError('signed_out');
  if (!may(found.staff.role, action)) throw new ProblemError('forbidden');
  return { ...who, ...found };
}
