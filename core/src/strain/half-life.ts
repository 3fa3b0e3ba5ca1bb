import { type CalmState, type Reason, reason } from '../words/index.js';
import { readCalmState } from './calm-states.js';
import { DEFAULT_HALF_LIFE_MINUTES } from './curve.js';

/** A break that was watched: strain before, and how the dog was when the work went on. */
export interface BreakSeen {
  readonly strainBefore: number;
  readonly minutes: number;
  readonly strainAfter: number;
  /** What the dog looked like at the end; tired out and shut down are not recovery. */
  readonly state: CalmState | undefined;
}

export interface LearnedHalfLife {
  readonly minutes: number;
  /** In which it lies with about 90 % probability. */
  readonly range: readonly [number, number];
  readonly breaks: number;
  readonly reasons: readonly Reason[];
}

/** The default weighs as much as one watched break of this many minutes. Our default. */
const PRIOR_BREAK_MINUTES = 10;
/** Spread of ln(before / after) between breaks of one dog. Our default. */
const LOG_SPREAD = 0.35;
/** Half-lives that are believed, minutes. Our default: quicker is a misreading, slower is no recovery. */
export const HALF_LIFE_RANGE = [2, 30] as const;
const Z90 = 1.6448536269514722;

/**
 * Recovery half-life of a dog, learned from its breaks. Each break gives ln(before/after) = k·minutes; k is the least-squares slope
 * through the origin, with the default as one more break. Only breaks of a minute and more, from a strain that can fall, count.
 * @example learnHalfLife([]).minutes // => 6
 */
export function learnHalfLife(breaks: readonly BreakSeen[]): LearnedHalfLife {
  const used = breaks.filter(
    (b) => b.minutes >= 1 && b.strainBefore >= 5 && b.strainAfter >= 0 && (b.state === undefined || readCalmState(b.state).recovers),
  );
  const prior = Math.LN2 / DEFAULT_HALF_LIFE_MINUTES;
  const weight = PRIOR_BREAK_MINUTES ** 2 + used.reduce((sum, b) => sum + b.minutes ** 2, 0);
  const slope = used.reduce(
    (sum, b) => sum + b.minutes * Math.log(b.strainBefore / Math.max(1, b.strainAfter)),
    prior * PRIOR_BREAK_MINUTES ** 2,
  );
  const k = slope / weight;
  const error = (Z90 * LOG_SPREAD) / Math.sqrt(weight);
  const within = (rate: number): number =>
    rate <= 0 ? HALF_LIFE_RANGE[1] : Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], Math.LN2 / rate));
  const minutes = within(k);
  return {
    minutes,
    range: [within(k + error), within(k - error)],
    breaks: used.length,
    reasons: [
      used.length === 0
        ? reason('strain.half_life_default', { minutes }, 0.2)
        : reason('strain.half_life_learned', { minutes, count: used.length, from: DEFAULT_HALF_LIFE_MINUTES }, 0.5),
    ],
  };
}
