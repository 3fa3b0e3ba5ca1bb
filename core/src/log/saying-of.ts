import { type Facts, type RuleId, RULES, type Saying, saying } from '../words/index.js';
import type { Said } from './families/said.js';

/**
 * A recorded sentence as something that can be said anew. What earlier versions wrote without its rule, or by a rule that no longer is,
 * stays as it was shown.
 */
export function sayingOf({ said, rule, facts }: Said): Saying {
  if (rule === undefined || !isRule(rule)) return saying('what.as_shown', { text: said });
  // The facts were written by the same rule; one that a later version reads otherwise is shown as it stands.
  return { rule, facts: (facts ?? {}) as Facts };
}

const isRule = (rule: string): rule is RuleId => Object.hasOwn(RULES, rule);
