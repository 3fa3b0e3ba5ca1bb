import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { learnHalfLife, SNAPS_OF_A_BITER } from '../strain/index.js';
import { type HouseRules, type Reason, reason, type StepName } from '../words/index.js';
import { BATHING, isForEase } from '../work/index.js';
import type { Lighter } from './after-stop.js';
import type { StepSpread } from './draw-visit.js';
import type { BuiltStep } from './group-steps.js';
import { inPercent } from './in-percent.js';
import type { PlanProblem } from './model.js';
import type { PlanInput } from './plan-input.js';
import { chanceReckoner, type ReckonedChance } from './reckoned-chance.js';
import type { Solution } from './solution.js';
import { solve, type SolveOptions } from './solve.js';
import type { ChanceLimits } from './give-up-work.js';
import { solveWithinChance } from './solve-within-chance.js';

/** Chances from 0 to 1, by the answer of a house. */
const STOP_CHANCES: Readonly<Record<HouseRules['stopChance'], number>> = { five: 0.05, two: 0.02, ten: 0.1 };
const BITE_CHANCES: Readonly<Record<HouseRules['biteChance'], number>> = { one: 0.01, half: 0.005, two: 0.02 };

/** What a house allows. `limitsOf(HOUSE_DEFAULTS).stop // => 0.05` */
export function limitsOf(house: Pick<HouseRules, 'stopChance' | 'biteChance'>): ChanceLimits {
  return { stop: STOP_CHANCES[house.stopChance], bite: BITE_CHANCES[house.biteChance] };
}

/**
 * The limits of chance and the plan: `kept` as far as was reckoned or drawn, `by_hand` where the groomer has taken the risk, `over` where what
 * has to be done passes them, `nothing` where no work keeps them.
 */
export interface ChanceOfPlan extends ChanceLimits {
  readonly state: 'kept' | 'by_hand' | 'over' | 'nothing';
  /** Work that was left out to keep them. */
  readonly leftOut: readonly StepName[];
}

/** A solution with what the limits of chance made of it. */
export interface Limited {
  readonly solution: Solution;
  /** What would be planned without them, and its chances; `undefined` where that is the same. */
  readonly without: { readonly solution: Solution; readonly reckoned: ReckonedChance } | undefined;
  readonly kept: boolean;
}

/** What this visit may come to: the house's limits, and after a stop what that visit leaves of them. */
export function limitsFor(input: Pick<PlanInput, 'house'>, lighter: Lighter | undefined): ChanceLimits {
  const { stop, bite } = limitsOf(input.house);
  return { stop: Math.min(stop, lighter?.stopAtMost ?? stop), bite };
}

/** How many times as often as others a dog of these kinds snaps. */
export const snapTimesOf = (kinds: readonly KindFound[]): number => (hasKind(kinds, 'bite_history') ? SNAPS_OF_A_BITER : 1);

/** What is known of how the numbers of steps may differ: for the odds, and for reckoning. */
export const spreadsOf = (steps: readonly BuiltStep[]): StepSpread[] =>
  steps.map((s) => ({ rateShape: s.rate.shape, minutesSpread: s.minutesSpread, work: s.activity }));

/**
 * The best plan that the house's limits of chance allow.
 * @param options `tighter`: a share of the limits to plan by, after drawn visits showed that reckoning was too hopeful
 */
export function solveLimited(
  input: PlanInput,
  { steps, kinds }: { readonly steps: readonly BuiltStep[]; readonly kinds: readonly KindFound[] },
  problem: PlanProblem,
  options: SolveOptions & { readonly tighter?: number; readonly lighter?: Lighter | undefined },
): Limited {
  if (input.way === 'with_risk') return { solution: solve(problem, options), without: undefined, kept: false };
  const spreads = spreadsOf(steps);
  const reckon = chanceReckoner({
    problem,
    spreads,
    halfLifeMinutes: learnHalfLife(input.breaks, input.wholeVisits).middle,
    snapTimes: snapTimesOf(kinds),
  });
  const { stop, bite } = limitsFor(input, options.lighter);
  const share = options.tighter ?? 1;
  const forEase = steps.reduce((mask, s, i) => (isForEase(s.activity) ? mask | (1 << i) : mask), 0);
  const found = solveWithinChance(problem, spreads, { reckon, limits: { stop: share * stop, bite: share * bite }, forEase }, options);
  const same = found.solution === found.asAsked;
  return {
    solution: found.solution,
    without: same ? undefined : { solution: found.asAsked, reckoned: reckon(found.asAsked.chosen) },
    kept: found.kept,
  };
}

/** Why a step is left where the limits of chance left it. */
export function leftForChance({ solution, without }: Limited, step: number, limits: ChanceLimits): Reason[] | undefined {
  if (!without?.solution.chosen.some((c) => c.step === step) || solution.chosen.some((c) => c.step === step)) return undefined;
  const { stop, bite } = without.reckoned;
  return [reason('left.chance', { stop: inPercent(stop), bite: inPercent(bite), ...saidLimits(limits) }, 0.9)];
}

/** The state of the limits, and what was left to keep them. */
export function chanceOfPlan(input: PlanInput, limited: Limited, steps: readonly BuiltStep[], limits: ChanceLimits): ChanceOfPlan {
  const done = new Set(limited.solution.chosen.map((c) => c.step));
  const leftOut = (limited.without?.solution.chosen ?? []).flatMap((c) =>
    done.has(c.step) || !isTold(steps[c.step]) ? [] : (steps[c.step]?.name ?? []),
  );
  return { ...limits, state: stateOf(input, limited), leftOut: [...new Set(leftOut)] };
}

/** What is told of a bath that was left is the bath: the rest of it goes without saying. */
const isTold = (step: BuiltStep | undefined): boolean =>
  step !== undefined && (step.activity === 'bath' || ![...BATHING, 'brush_through'].includes(step.activity));

function stateOf(input: PlanInput, { solution, without, kept }: Limited): ChanceOfPlan['state'] {
  if (input.way === 'with_risk') return 'by_hand';
  if (without && solution.chosen.length === 0) return 'nothing';
  return kept ? 'kept' : 'over';
}

/** What the limits made of the plan, said where they made something of it. */
export function chanceReasons(input: PlanInput, limited: Limited, allowed: ChanceLimits): Reason[] {
  const state = stateOf(input, limited);
  const limits = saidLimits(allowed);
  if (state === 'kept') return limited.without ? [reason('plan.chance_kept', limits, 0.8)] : [];
  return [reason(`plan.chance_${state}`, limits, 0.95)];
}

const saidLimits = ({ stop, bite }: ChanceLimits): { stop_limit: number; bite_limit: number } => ({
  stop_limit: inPercent(stop),
  bite_limit: inPercent(bite),
});
