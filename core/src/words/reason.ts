import type { FactName, Facts, FactValue } from './facts.js';
import type { SourceId } from './rule.js';
import { type RuleId, RULES } from './rules.js';

type Named<R extends RuleId> = (typeof RULES)[R]['facts'][number];
type Needed<R extends RuleId> = Extract<Exclude<Named<R>, `${string}?`>, FactName>;

/**
 * What a rule must be told so that it can be said; it may be told more. Of several rules, what all of them need together; of a rule
 * that a table names, nothing: a spec of its table holds it. (One shape each, no union: the compiler would try 600 rules at each call.)
 */
export type FactsOf<R extends RuleId> = RuleId extends R ? Facts : { readonly [F in Needed<R>]: FactValue<F> } & Facts;

/** Something that can be said in any language: a rule, and the ids and numbers that its sentence names. */
export interface Saying {
  readonly rule: RuleId;
  readonly facts: Facts;
}

/** Why a result is what it is. Data, as every saying: the sentence is made by `say` of a language, last. */
export interface Reason extends Saying {
  /** How much the rule weighs in the result, 0 (worth knowing) to 1 (decides alone). */
  readonly weight: number;
}

/**
 * Makes a reason.
 * @param rule id of the rule
 * @param facts values for the placeholders of its sentence
 * @param weight 0 to 1
 * @throws RangeError when the weight is outside 0 to 1
 * @example reason('blade.default', { blade: '10', mm: 1.5 }).weight // => 0.5
 */
export function reason<R extends RuleId>(rule: R, facts: FactsOf<R>, weight = 0.5): Reason {
  if (!(weight >= 0 && weight <= 1)) throw new RangeError(`reason: weight ${weight} is not between 0 and 1`);
  return { rule, facts, weight };
}

/** Something that is said without being a reason. `saying('what.mat', { zone: 'back' }).rule // => 'what.mat'` */
export function saying<R extends RuleId>(rule: R, facts: FactsOf<R>): Saying {
  return { rule, facts };
}

/** Where the rule of a saying comes from. `sourceOf(reason('blade.none_left', { zone: 'back' })) // => 'practice'` */
export function sourceOf(s: Saying): SourceId {
  return RULES[s.rule].source;
}

/** Reasons with the weightiest first; equal weights keep their order. */
export function byWeight(reasons: readonly Reason[]): Reason[] {
  return [...reasons].sort((a, b) => b.weight - a.weight);
}

/** What a person wrote, as a part of a sentence: the sentence has its own full stop. `withoutStop('It jerked.') // => 'It jerked'` */
export const withoutStop = (text: string): string => text.trim().replace(/\.$/, '');
