import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { ProblemError } from '../problems/problem-error.js';

const WINDOW_MS = 15 * 60_000;
/** Failed tries from one address in the window. Our default. */
const FAILED_TRIES = 10;

/** Stands before whatever can be guessed: after some failures it answers no more for a while. */
export const triesLimit = (): RequestHandler =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: FAILED_TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: true,
    legacyHeaders: false,
    handler: () => {
      throw new ProblemError('too_many_tries');
    },
  });
