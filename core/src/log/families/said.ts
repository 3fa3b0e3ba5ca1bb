import * as z from 'zod';

/** Far above any sentence of ours: only a guard against what is no sentence at all. */
const LONGEST = 20_000;

const value = z.union([z.string().max(LONGEST), z.number(), z.array(z.union([z.string().max(200), z.number()])).max(200)]);
const facts = z.record(
  z.string().max(60),
  z.union([value, z.lazy((): z.core.$ZodType => inner), z.array(z.lazy((): z.core.$ZodType => inner)).max(200)]),
);
const inner = z.strictObject({ rule: z.string().max(80), facts });

/**
 * A sentence as it was shown, with the rule and the facts that it was made of: the first is the record of what was known, the others
 * are what a machine can read. Logs of version 1 have the sentence alone. A rule is kept as a word, so that one that is given up later
 * does not make old logs unreadable.
 */
export const SAID = z.strictObject({ said: z.string().max(LONGEST), rule: z.string().max(80).optional(), facts: facts.optional() });
export type Said = z.infer<typeof SAID>;
