import * as z from 'zod';
import { HOUSE_DEFAULTS, isSchool } from '../knowledge/house-rules/index.js';
import { BLADE_IDS, formProblem, HOUSE_QUESTION_IDS, type HouseRules } from '../words/index.js';

/** The house rules of a salon as they are stored and sent. An answer that no version knows, or none at all, is our default: a plan never waits for one. */
export const HOUSE_RULES = z.preprocess(
  (stored) => {
    const answers: Readonly<Record<string, unknown>> = typeof stored === 'object' && stored !== null ? { ...stored } : {};
    return Object.fromEntries(HOUSE_QUESTION_IDS.map((q) => [q, isSchool(q, answers[q]) ? answers[q] : HOUSE_DEFAULTS[q]]));
  },
  z.custom<HouseRules>((x) => typeof x === 'object' && x !== null),
);

/** The blades that lie in the salon's drawer; `null`: nobody has said, and the usual set counts. */
export const BLADES_OWNED = z.array(z.enum(BLADE_IDS)).max(BLADE_IDS.length).nullable();
export type BladesOwned = z.infer<typeof BLADES_OWNED>;
export const BLADES_OWNED_CHANGE = z.strictObject({ blades: BLADES_OWNED });

/** One question answered anew. `was` is what the person saw: who answers what another has changed meanwhile is told. */
export const HOUSE_RULE_CHANGE = z
  .strictObject({ question: z.enum(HOUSE_QUESTION_IDS), choice: z.string(), was: z.string() })
  .refine((c) => isSchool(c.question, c.choice), { path: ['choice'], message: formProblem('form.no_such_answer') });
export type HouseRuleChange = z.infer<typeof HOUSE_RULE_CHANGE>;
