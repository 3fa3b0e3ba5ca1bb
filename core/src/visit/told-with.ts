import type { PlanTold } from '../log/index.js';
import type { HandlingPlan, Odds } from '../plan/index.js';

/**
 * What was told with a plan when it was taken: kept, to be held against what comes.
 * @param odds of this plan; left out while they were not ready
 */
export function toldWith(plan: Pick<HandlingPlan, 'minutes' | 'minutesRange' | 'peak'>, odds: Odds | undefined): PlanTold {
  return {
    minutes: plan.minutes,
    minutesRange: [plan.minutesRange[0], plan.minutesRange[1]],
    peak: Math.min(100, Math.max(0, plan.peak)),
    chances: odds
      ? {
          visits: odds.visits,
          inTime: odds.inTime.chance,
          pause: odds.pause.chance,
          stop: odds.stop.chance,
          bite: odds.bite.chance,
        }
      : null,
  };
}
