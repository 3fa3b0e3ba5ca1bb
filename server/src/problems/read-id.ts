import * as z from 'zod';
import { ProblemError } from './problem-error.js';

/** An id from the path. @throws ProblemError `bad_id` */
export function readId(value: unknown): string {
  const id = z.uuid().safeParse(value);
  if (!id.success) throw new ProblemError('bad_id');
  return id.data;
}
