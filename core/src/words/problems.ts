export const PROBLEM_CODES = [
  'bad_json',
  'bad_input',
  'ask_back',
  'bad_picture',
  'bad_id',
  'too_large',
  'wrong_media_type',
  'signed_out',
  'grant_ended',
  'wrong_sign_in',
  'too_many_tries',
  'forbidden',
  'csrf',
  'not_found',
  'method_not_allowed',
  'conflict',
  'gone',
  'unavailable',
  'internal',
] as const;

export type ProblemCode = (typeof PROBLEM_CODES)[number];
