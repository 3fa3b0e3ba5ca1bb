import { TIERS } from '../words/index.js';
import { type PlanProblem, POINT_MINUTES_PER_MINUTE } from './model.js';

/**
 * What a plan is worth, compared from left to right: welfare done, asked done, looks done, then the burden: strain dose and
 * time together, a minute counting {@link POINT_MINUTES_PER_MINUTE} point-minutes.
 */
export interface PlanValue {
  readonly welfare: number;
  readonly asked: number;
  readonly looks: number;
  /** Point-minutes above `watch`. */
  readonly dose: number;
  readonly minutes: number;
}

const SAME = 1e-6;

/** Burden of a plan in point-minutes. `burden({ dose: 20, minutes: 60 }) // => 200` */
export function burden(value: Pick<PlanValue, 'dose' | 'minutes'>, minutePrice: number = POINT_MINUTES_PER_MINUTE): number {
  return value.dose + minutePrice * value.minutes;
}

/** Below 0 when `a` is the better plan, above 0 when `b` is, 0 when they are equal within rounding. */
export function comparePlans(a: PlanValue, b: PlanValue, minutePrice: number = POINT_MINUTES_PER_MINUTE): number {
  for (const tier of TIERS) if (Math.abs(a[tier] - b[tier]) > SAME) return b[tier] - a[tier];
  const difference = burden(a, minutePrice) - burden(b, minutePrice);
  return Math.abs(difference) > SAME ? difference : 0;
}

/** Worth of a set of steps by tier, the set given as a bit mask. */
export function worthOf(problem: PlanProblem, mask: number): { welfare: number; asked: number; looks: number } {
  const worth = { welfare: 0, asked: 0, looks: 0 };
  problem.steps.forEach((step, i) => {
    if (mask & (1 << i)) worth[step.tier] += step.worth;
  });
  return worth;
}
