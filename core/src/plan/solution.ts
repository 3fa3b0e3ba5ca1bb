import type { ChosenStep, PlanProblem } from './model.js';
import { type PlanValue, worthOf } from './objective.js';
import { simulate } from './simulate.js';

export interface Solution {
  readonly chosen: readonly ChosenStep[];
  readonly value: PlanValue;
  /**
   * `proven`: every order and break was searched or shown to be no better. `within`: no plan can be better by more than `gap`.
   * `best_found`: the search was cut off before it knew that no more work fits. `impossible`: what is required cannot be done.
   */
  readonly proof: 'proven' | 'within' | 'best_found' | 'impossible';
  /**
   * How much better the best plan of the same work could be at most, as a share of this one's burden; 0 when proven, `undefined` where that
   * is not known.
   */
  readonly gap: number | undefined;
  readonly labelsLooked: number;
}

/** What was found, run through once more from the beginning: the figures of a plan come from one simulation. @param mask steps that are done */
export function solutionOf(
  problem: PlanProblem,
  chosen: readonly ChosenStep[],
  mask: number,
  labelsLooked: number,
  gap: number | undefined,
  proof: Solution['proof'],
): Solution {
  const run = simulate(problem, chosen);
  return { chosen, value: { ...worthOf(problem, mask), dose: run.dose, minutes: run.minutes }, proof, gap, labelsLooked };
}

/** How far a value lies above a bound, as a share of the value. `gapOf(200, 190) // => 0.05` */
export const gapOf = (value: number, bound: number): number => (value <= 0 ? 0 : Math.max(0, 1 - Math.min(bound, value) / value));
