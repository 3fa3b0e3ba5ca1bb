import { say } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import { fieldProblems } from '@mansuet/core/log';
import { saying } from '@mansuet/core/words';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import { databaseTrouble } from '../database/trouble.js';
import { ProblemError } from './problem-error.js';

/** What the server says by itself; a browser says it anew in the language of its person. */
const LANGUAGE = ENGLISH;

/** Whatever was thrown, as a problem. One place decides what leaves the server. */
export function problemOf(thrown: unknown): ProblemError {
  if (thrown instanceof ProblemError) return thrown;
  if (thrown instanceof ZodError) {
    return new ProblemError('bad_input', undefined, fieldProblems(thrown));
  }
  const type = field(thrown, 'type');
  if (type === 'entity.parse.failed') return new ProblemError('bad_json');
  if (type === 'entity.too.large') return new ProblemError('too_large');
  if (type === 'charset.unsupported' || type === 'encoding.unsupported') return new ProblemError('wrong_media_type');
  if (field(thrown, 'status') === 400) return new ProblemError('bad_json');
  const trouble = databaseTrouble(thrown);
  if (trouble) return new ProblemError('unavailable', saying(`problem.database_${trouble}`, {}));
  return new ProblemError('internal');
}

function field(thrown: unknown, key: string): unknown {
  return typeof thrown === 'object' && thrown !== null ? Reflect.get(thrown, key) : undefined;
}

export const notFound: RequestHandler = () => {
  throw new ProblemError('not_found');
};

/** @param onUnexpected told of what nobody foresaw */
export const handleProblems =
  (onUnexpected: () => void): ErrorRequestHandler =>
  (thrown: unknown, request, response, next) => {
    if (response.headersSent) {
      next(thrown);
      return;
    }
    const problem = problemOf(thrown);
    if (problem.code === 'internal') {
      request.log.error({ err: thrown }, 'unexpected error');
      onUnexpected();
    }
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: `/problems/${problem.code}`,
          title: LANGUAGE.labels.problem[problem.code],
          status: problem.status,
          code: problem.code,
          ...(problem.code === 'internal' ? { request: String(request.id) } : {}),
          ...(problem.says ? { detail: say(LANGUAGE, problem.says), says: problem.says } : {}),
          ...(problem.fields
            ? { errors: problem.fields.map((f) => ({ path: f.path, message: say(LANGUAGE, f.says), says: f.says })) }
            : {}),
        }),
      );
  };
