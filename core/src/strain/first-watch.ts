import { kaplanMeier, medianSurvival, restrictedMean, type Spell, type SurvivalStep } from '../statistics/index.js';
import { type Reason, reason } from '../words/index.js';

/** One step of a past visit: minutes until strain reached `watch`, or minutes that passed without. */
export interface WatchSpell<A extends string = string> {
  readonly activity: A;
  readonly minutes: number;
  readonly reachedWatch: boolean;
}

export interface FirstWatch {
  readonly spells: number;
  readonly reached: number;
  readonly steps: readonly SurvivalStep[];
  /** `undefined`: it stayed settled in more than half of them. */
  readonly medianMinutes: number | undefined;
  /** Mean minutes settled, as far as it was watched. */
  readonly meanMinutes: number;
  readonly reasons: readonly Reason[];
}

/** Fewer spells than this are called few. Our default. */
const FEW_SPELLS = 5;

/**
 * Time to first `watch` in one kind of work, without a model: Kaplan–Meier, with finished-without-trouble as censored.
 */
export function firstWatch<A extends string>(activity: A, spells: readonly WatchSpell<A>[]): FirstWatch {
  const own: Spell[] = spells.filter((s) => s.activity === activity).map((s) => ({ time: s.minutes, event: s.reachedWatch }));
  const steps = kaplanMeier(own);
  const longest = Math.max(0, ...own.map((s) => s.time));
  const reached = own.filter((s) => s.event).length;
  const medianMinutes = medianSurvival(steps);
  const facts = { count: own.length, reached, minutes: medianMinutes ?? longest };
  const rule = own.length < FEW_SPELLS ? 'watch.few' : medianMinutes === undefined ? 'watch.mostly_settled' : 'watch.median';
  return {
    spells: own.length,
    reached,
    steps,
    medianMinutes,
    meanMinutes: restrictedMean(steps, longest),
    reasons: [reason(rule, facts, 0.4)],
  };
}
