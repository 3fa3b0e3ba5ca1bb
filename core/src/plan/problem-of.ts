import { hasKind, type KindFound, type StandingLimits } from '../knowledge/dogs/index.js';
import { painfulInOneGo } from '../knowledge/fit/index.js';
import { learnHalfLife, MOOD_START } from '../strain/index.js';
import type { PlanWay } from '../words/index.js';
import { ACTIVITY_FACTS, FOLLOWS_AT_ONCE, orderRules, runningLags, timeLags } from '../work/index.js';
import { restAfterHardSign } from './after-hard-sign.js';
import { problemFromHere } from './from-here.js';
import type { BuiltStep } from './group-steps.js';
import { type PlanProblem, POINT_MINUTES_PER_MINUTE } from './model.js';
import type { PlanInput } from './plan-input.js';
import { fatiguePerMinute } from './rates.js';

/**
 * Point-minutes that a minute counts as. The calmest plan puts dose strictly before time (within rounding: an hour counts as less than
 * one point-minute), the quickest time before dose.
 */
const MINUTE_PRICES: Readonly<Record<PlanWay, number>> = {
  as_asked: POINT_MINUTES_PER_MINUTE,
  with_helper: POINT_MINUTES_PER_MINUTE,
  split_in_two: POINT_MINUTES_PER_MINUTE,
  welfare_only: POINT_MINUTES_PER_MINUTE,
  calmest: 0.01,
  quickest: 500,
  with_risk: POINT_MINUTES_PER_MINUTE,
};
/** Share of the work that the first of two visits holds at most. Our default. */
const FIRST_OF_TWO = 0.6;

/** The solver's numbers for a visit. */
export function problemOf(
  input: PlanInput,
  steps: readonly BuiltStep[],
  kinds: readonly KindFound[],
  standing: StandingLimits,
): PlanProblem {
  const way = input.way ?? 'as_asked';
  const puppy = hasKind(kinds, 'puppy');
  const work = steps.reduce((sum, s) => sum + s.minutes, 0);
  const problem: PlanProblem = {
    steps: steps.map((s) => ({
      id: s.id,
      tier: s.tier,
      worth: s.worth,
      minutes: s.minutes,
      ratePerMinute: s.rate.mean,
      post: s.post,
      // For a puppy the clock of standing counts all work: it is let go every few minutes, whatever is done.
      standing: s.standing || puppy,
      postures: s.postures,
      ...(s.pieces.some((p) => p.painfulMinutes > 0) ? { longestPart: painfulInOneGo(kinds.map((k) => k.kind)) } : {}),
      helper: s.hold.also.includes('helper'),
      tool: toolOf(s),
      ...(s.hold.also.includes('muzzle') ? { muzzled: true } : {}),
      noBreakBefore: FOLLOWS_AT_ONCE.includes(s.activity),
    })),
    order: orderRules(steps, kinds, input, input.now !== undefined),
    lags: [...timeLags(steps), ...runningLags(steps, input.now?.soaked ?? []), ...restAfterHardSign(steps, input.now)],
    minutePrice: MINUTE_PRICES[way],
    startStrain: MOOD_START[input.feelOver.mood],
    halfLifeMinutes: learnHalfLife(input.breaks, input.wholeVisits).minutes,
    fatiguePerMinute: fatiguePerMinute(kinds),
    continuousStandingMinutes: standing.continuousMinutes,
    totalStandingMinutes: standing.totalMinutes,
    workMinutes: way === 'split_in_two' ? Math.min(standing.workMinutes, work * FIRST_OF_TWO) : standing.workMinutes,
    sessionMinutes: input.asked.sessionMinutes,
    startPost: 'table',
    startStandingMinutes: 0,
    ...(input.helperWindows ? { helperWindows: input.helperWindows } : {}),
  };
  return input.now ? problemFromHere(problem, input.now) : problem;
}

/** What is in the hand: another blade is another tool. */
function toolOf(step: BuiltStep): string {
  const { tool } = ACTIVITY_FACTS[step.activity];
  return step.blade?.blade ? `${tool} ${step.blade.blade}${step.blade.guard ? ` guard ${step.blade.guard.id}` : ''}` : tool;
}
