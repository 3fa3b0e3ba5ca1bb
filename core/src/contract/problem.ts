import * as z from 'zod';
import { PROBLEM_CODES, RULES, type Saying } from '../words/index.js';

/** A rule with its facts, as it travels; a rule that this version does not know is left out. */
const SAYING = z.object({ rule: z.string(), facts: z.record(z.string(), z.unknown()) });

/** What went wrong, as `application/problem+json` (RFC 9457). `errors` names the fields. */
export const PROBLEM = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  code: z.enum(PROBLEM_CODES),
  detail: z.string().optional(),
  /** What `detail` says, for whoever speaks another language than the server. */
  says: SAYING.optional(),
  /** The number of a request that failed in a way that nobody foresaw: by it the log of the server is searched. */
  request: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string(), says: SAYING.optional() })).optional(),
});
export type Problem = z.infer<typeof PROBLEM>;

/** A saying that came by the wire, if this version knows its rule. */
export function knownSaying(came: z.infer<typeof SAYING> | undefined): Saying | undefined {
  if (!came || !Object.hasOwn(RULES, came.rule)) return undefined;
  // The rule is known; a fact that is not of its kind is shown as it stands.
  return came as Saying;
}
