import type { ProblemCode } from './problems.js';
import type { Saying } from './reason.js';

/** What is wrong with one field, by its path. */
export interface FieldProblem {
  readonly path: string;
  readonly says: Saying;
}

/** Why something was not done: one vocabulary from the query to the route to the screen. */
export interface Refusal {
  readonly code: ProblemCode;
  /** More than the code says, and the way out. */
  readonly says?: Saying | undefined;
  readonly fields?: readonly FieldProblem[] | undefined;
}

/** What an operation comes to: what was asked for, or why not. Never a text, a number or nothing at all to be guessed from. */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

/** It was done. `done(3) // => { ok: true, value: 3 }` */
export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
/** It was not. `refused('not_found').ok // => false` */
export const refused = (
  code: ProblemCode,
  says?: Saying,
  fields?: readonly FieldProblem[],
): { readonly ok: false; readonly refusal: Refusal } => ({
  ok: false,
  refusal: { code, says, fields },
});
/** One field is wrong. `refusedField('login', saying('form.sign_in_name_taken', {})).refusal.code // => 'bad_input'` */
export const refusedField = (path: string, says: Saying): { readonly ok: false; readonly refusal: Refusal } =>
  refused('bad_input', undefined, [{ path, says }]);
