import * as z from 'zod';

export const PROBLEM_CODES = [
  'bad_json',
  'bad_input',
  'ask_back',
  'bad_picture',
  'bad_id',
  'too_large',
  'wrong_media_type',
  'signed_out',
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

/** What went wrong, as `application/problem+json` (RFC 9457). `errors` names the fields. */
export const PROBLEM = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  code: z.enum(PROBLEM_CODES),
  detail: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof PROBLEM>;
