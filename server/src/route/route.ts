import type { Request, RequestHandler, Response } from 'express';
import * as z from 'zod';
import { may } from '@mansuet/core/access';
import { dayOf } from '@mansuet/core/days';
import type { Action, Outcome } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';
import { readId } from '../problems/read-id.js';
import { enterSalon, type Who } from '../sign-in/sign-in.repository.js';
import { whoSent } from '../sign-in/require-session.js';
import { type Answer, asJson } from './answers.js';
import { type Ask, sentIn } from './ask.js';
import { addressFor } from './public-address.js';

/** What every route works with. */
export interface RouteParts {
  readonly db: Database;
  readonly clock: () => Date;
  /** As it was said when the server was started: see `addressFor`. */
  readonly publicUrl: string;
}

/** Where a route differs from the others. */
export interface RouteWays<T> {
  readonly answer?: Answer<T>;
  /** Who asks, where it is not whoever is signed in. */
  readonly who?: (request: Request) => Who | Promise<Who>;
  /** What is sent neither as JSON nor in the address; read before the database is asked for anything. */
  readonly input?: (request: Request, response: Response) => Promise<unknown>;
}

/** Nothing is sent but the address. */
export const NOTHING = z.unknown().transform(() => undefined);

export type Route = <Schema extends z.ZodType, T>(
  action: Action,
  schema: Schema,
  work: (ask: Ask<z.output<Schema>>) => Promise<Outcome<T>> | Outcome<T>,
  ways?: RouteWays<T>,
) => RequestHandler;

/**
 * The one way in for whoever is signed in: one transaction, in which one statement says who asks and what role they have now, then what was sent is
 * read, then the work is done. What the work refuses, and whatever it throws, leaves nothing stored; what it asks to be done after the commit is
 * done only then.
 * @returns `route(action, schema, work)`, a handler for Express
 */
export function routesOf({ db, clock, publicUrl }: RouteParts): Route {
  return (action, schema, work, ways = {}) =>
    async (request, response) => {
      const who = await (ways.who ?? whoSent)(request);
      const sent = ways.input ? await ways.input(request, response) : sentIn(request);
      const later: (() => void | Promise<void>)[] = [];
      const value = await db.transaction(async (trx) => {
        const found = await enterSalon(trx, who);
        if (!found) throw new ProblemError('signed_out');
        if (!may(found.staff.role, action)) throw new ProblemError('forbidden');
        const now = clock();
        const outcome = await work({
          ...who,
          ...found,
          trx,
          now,
          today: dayOf(now, found.salon.timeZone),
          input: schema.parse(sent),
          publicUrl: addressFor(publicUrl, request.get('host')),
          id: (name) => readId(request.params[name]),
          afterCommit: (what) => void later.push(what),
        });
        return valueOf(outcome);
      });
      for (const what of later) await quietly(what, request);
      (ways.answer ?? asJson)(response, value);
    };
}

/** It is stored: what goes wrong afterwards is for the log, and not for whoever asked. */
async function quietly(what: () => void | Promise<void>, request: Request): Promise<void> {
  try {
    await what();
  } catch (error) {
    request.log.error({ err: error }, 'stored, but not carried on');
  }
}
