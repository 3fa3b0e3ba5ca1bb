import * as z from 'zod';
import { PROBLEM_CODES } from '../words/index.js';

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
