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

/** Burden of a plan in point-minutes. `burden({ dose: 20, minutes: 60 }) // => 200` */
export function burden(value: Pick<PlanValue, 'dose' | 'minutes'>, minutePrice: number = POINT_MINUTES_PER_MINUTE): number {
  return value.dose + minutePrice * value.minutes;
}

/** Worth of a set of steps by tier, the set given as a bit mask. */
export function worthOf(problem: PlanProblem, mask: number): { welfare: number; asked: number; looks: number } {
  const worth = { welfare: 0, asked: 0, looks: 0 };
  problem.steps.forEach((step, i) => {
    if (mask & (1 << i)) worth[step.tier] += step.worth;
  });
  return worth;
}
