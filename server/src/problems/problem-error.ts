import type { ProblemCode } from '@mansuet/core/words';

const STATUS: Readonly<Record<ProblemCode, number>> = {
  bad_json: 400,
  bad_input: 422,
  ask_back: 422,
  bad_picture: 422,
  bad_id: 400,
  too_large: 413,
  wrong_media_type: 415,
  signed_out: 401,
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

const TITLE: Readonly<Record<ProblemCode, string>> = {
  bad_json: 'The request is not readable JSON.',
  bad_input: 'Some values cannot be taken.',
  ask_back: 'Please look again.',
  bad_picture: 'This picture cannot be taken.',
  bad_id: 'This is not an id.',
  too_large: 'The request is too large.',
  wrong_media_type: 'Send JSON.',
  signed_out: 'Sign in first.',
  wrong_sign_in: 'Name or password is wrong.',
  too_many_tries: 'Too many tries. Wait a quarter of an hour.',
  forbidden: 'Your role may not do this.',
  csrf: 'This page is out of date. Load it again.',
  not_found: 'Nothing is here.',
  method_not_allowed: 'This cannot be done here.',
  conflict: 'Somebody else has changed this.',
  gone: 'This is over.',
  unavailable: 'The database does not answer. Try again.',
  internal: 'Something went wrong on the server.',
};

export interface FieldError {
  readonly path: string;
  readonly message: string;
}

/** A problem that the caller is told about. Anything else that is thrown becomes `internal`. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly code: ProblemCode,
    readonly detail?: string,
    readonly errors?: readonly FieldError[],
  ) {
    super(detail ?? TITLE[code]);
  }
  get status(): number {
    return STATUS[this.code];
  }
  get title(): string {
    return TITLE[this.code];
  }
}
