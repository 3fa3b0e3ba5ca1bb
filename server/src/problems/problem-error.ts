import type { FieldProblem, Outcome, ProblemCode, Saying } from '@mansuet/core/words';

const STATUS: Readonly<Record<ProblemCode, number>> = {
  bad_json: 400,
  bad_input: 422,
  ask_back: 422,
  bad_picture: 422,
  bad_id: 400,
  too_large: 413,
  wrong_media_type: 415,
  signed_out: 401,
  grant_ended: 401,
  wrong_sign_in: 401,
  too_many_tries: 429,
  forbidden: 403,
  csrf: 403,
  not_found: 404,
  method_not_allowed: 405,
  conflict: 409,
  gone: 410,
  unavailable: 503,
  internal: 500,
};

/** A problem that the caller is told about: a refusal on its way out. Anything else that is thrown becomes `internal`. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly code: ProblemCode,
    readonly says?: Saying,
    readonly fields?: readonly FieldProblem[],
  ) {
    super(says ? `${code}: ${says.rule}` : code);
  }
  get status(): number {
    return STATUS[this.code];
  }
}

/** What an operation came to; its refusal is thrown to the one place that answers problems. @throws ProblemError */
export function valueOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, says, fields } = outcome.refusal;
  throw new ProblemError(code, says, fields);
}
