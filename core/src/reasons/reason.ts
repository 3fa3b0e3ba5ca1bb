import { type RuleCode, RULES } from './rules.en.js';
import { ENGLISH, type Wording } from './wording.js';

/** Values that a rule's sentence names: zones, minutes, millimetres … already in the unit the sentence prints. */
export type ReasonFacts = Readonly<Record<string, string | number>>;

/**
 * Why a result is what it is. A reason is data; the sentence is made by {@link sayReason}, so that the wording can be
 * translated and tested in one place.
 */
export interface Reason {
  readonly rule: RuleCode;
  readonly facts: ReasonFacts;
  /** How much the rule weighs in the result, 0 (worth knowing) to 1 (decides alone). */
  readonly weight: number;
}

/**
 * Makes a reason.
 * @param rule code of the rule in `rules.en.ts`
 * @param facts values for the placeholders of its sentence
 * @param weight 0 to 1
 * @throws RangeError when the weight is outside 0 to 1
 * @example reason('blade.default', { blade: '#10' }).weight // => 0.5
 */
export function reason(rule: RuleCode, facts: ReasonFacts = {}, weight = 0.5): Reason {
  if (!(weight >= 0 && weight <= 1)) throw new RangeError(`reason: weight ${weight} is not between 0 and 1`);
  return { rule, facts, weight };
}

/**
 * The sentence of a reason, in English.
 * @example sayReason(reason('strain.half_life_default', { minutes: 4 })) // starts with "Strain is taken to halve"
 */
export function sayReason(r: Reason): string {
  return sayReasonIn(ENGLISH, r);
}

/** The sentence of a reason in another language; a value that the reason does not carry shows as "…". */
export function sayReasonIn(wording: Wording, r: Reason): string {
  return wording.sentences[r.rule].replace(/\{(\w+)\}/g, (_, key: string) => {
    const value = r.facts[key];
    if (value === undefined) return '…';
    return typeof value === 'number' ? formatNumber(value, wording.language) : value;
  });
}

/** Where the rule comes from: a published source, common practice, or our default. */
export function sourceOfReason(r: Reason): string {
  return ENGLISH.sources[RULES[r.rule].source];
}

/** Reasons with the weightiest first; equal weights keep their order. */
export function byWeight(reasons: readonly Reason[]): Reason[] {
  return [...reasons].sort((a, b) => b.weight - a.weight);
}

/** Numbers in sentences carry at most one decimal; below one, two digits that count. */
function formatNumber(value: number, language: string): string {
  const digits = Math.abs(value) < 1 ? { maximumSignificantDigits: 2 } : { maximumFractionDigits: 1 };
  return new Intl.NumberFormat(language, { useGrouping: false, ...digits }).format(value);
}
