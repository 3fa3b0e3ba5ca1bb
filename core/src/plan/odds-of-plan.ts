import { snapTimesOf, spreadsOf } from './chance-of-plan.js';
import type { VisitPlan } from './handling-plan.js';
import { type Odds, oddsOf, type OddsQuestion } from './odds.js';

/**
 * The odds of a plan as it was made: its order and breaks, what is known of its rates and minutes, its dog.
 * @param how many visits, from which seed, until when; as the odds do by themselves where it is not given
 */
export function oddsOfPlan(
  { problem, solution, built, plan }: VisitPlan,
  how: Pick<OddsQuestion, 'visits' | 'seed' | 'enough'> = {},
): Odds {
  return oddsOf({
    problem,
    chosen: solution.chosen,
    spreads: spreadsOf(built),
    halfLife: { middle: plan.halfLifeLikely, range: plan.halfLifeRange },
    world: { snapTimes: snapTimesOf(plan.kinds) },
    ...how,
  });
}
