import { DAY_SPREAD, type StepSpread } from './draw-visit.js';
import { backInOrder, type ChanceLimits, exchanged, type Planned, riskOf, withoutTheRiskiest } from './give-up-work.js';
import { lessRest } from './less-rest.js';
import type { ChosenStep, PlanProblem } from './model.js';
import { burden } from './objective.js';
import type { ReckonedChance } from './reckoned-chance.js';
import { type Solution, solutionOf } from './solution.js';
import { simulate } from './simulate.js';
import { solveInOrder } from './solve-in-order.js';
import { solve, SOLVE_LIMIT_MS, type SolveOptions } from './solve.js';
import { bestOfSet } from './solver/best-of-set.js';
import { Budget } from './solver/budget.js';
import { wholeSet } from './solver/greedy-set.js';
import { compareWorth, worthOfSet } from './solver/sets-by-worth.js';
import { subProblem, withinSums } from './solver/sub-problem.js';

/** What a plan is held to. */
export interface ChanceAsked {
  /** Of plans of the problem, by the places of its steps. */
  readonly reckon: (chosen: readonly ChosenStep[]) => ReckonedChance;
  readonly limits: ChanceLimits;
  /** Mask of the steps that only make others easier: they stay while anything else does. */
  readonly forEase: number;
}

/** The best plan that keeps the limits of chance, beside the best without them. */
export interface WithinChance {
  readonly solution: Solution;
  readonly reckoned: ReckonedChance;
  /** It keeps them as far as can be reckoned; not, where what must be done is more than they allow. */
  readonly kept: boolean;
  /** What would be planned if chance had no limit. */
  readonly asAsked: Solution;
}

/** How much harder than expected a day is planned for, in standard deviations, one after the other until the limits hold. Our defaults. */
const CAREFUL = [0, 0.6, 1.2] as const;
type Careful = (typeof CAREFUL)[number];
/** Labels of one of the searches beside the first, and of one that keeps its order. Our defaults. */
const LABELS_BESIDE = 12_000;
const LABELS_IN_ORDER = 4_000;
/** Chances at this multiple of their limits come down to them by resting more. Our default. */
const RESTS_CAN_DO = 1.35;
/** Share of the time that the plan without limits of chance may take. Our default. */
const FIRST_SHARE = 0.6;

/**
 * The best plan within the limits of chance: first the work that is best without them, with more rest; then without looks; then step by
 * step less of what was asked for, and only then of welfare: what brings the most hard signs for its worth goes first, and what can come
 * back comes back. Which steps are given up is a good choice and not proven the best.
 */
export function solveWithinChance(
  asked: PlanProblem,
  spreads: readonly StepSpread[],
  { reckon, limits, forEase }: ChanceAsked,
  options: SolveOptions = {},
): WithinChance {
  const { clock } = options;
  const until = clock ? clock() + (options.limitMs ?? SOLVE_LIMIT_MS) : Infinity;
  const left = (): number => (clock ? Math.max(1, until - clock()) : Infinity);
  const asAsked = solve(asked, { ...options, ...(clock ? { limitMs: FIRST_SHARE * left() } : {}) });
  const keeps = (c: ReckonedChance): boolean => c.stop <= limits.stop && c.bite <= limits.bite;
  const first = reckon(asAsked.chosen);
  if (keeps(first) || asAsked.proof === 'impossible') return { solution: asAsked, reckoned: first, kept: keeps(first), asAsked };

  const hard = new Map(CAREFUL.map((z) => [z, harder(asked, spreads, z)]));
  let least = { solution: asAsked, reckoned: first };
  const planned = (chosen: readonly ChosenStep[], mask: number, looked: number): Planned => {
    const made = { solution: solutionOf(asked, chosen, mask, looked, undefined, 'best_found'), reckoned: reckon(chosen) };
    if (riskOf(made.reckoned, limits) < riskOf(least.reckoned, limits)) least = made;
    return made;
  };
  /** The best plan of exactly these steps for a day that is so much harder; `undefined` when there is none. */
  const searched = (mask: number, z: Careful): Planned | undefined => {
    const sub = subProblem(hard.get(z) ?? asked, mask);
    if (!withinSums(sub.problem)) return undefined;
    let chosen: readonly ChosenStep[] | undefined;
    const budget = new Budget(LABELS_BESIDE, clock, until);
    bestOfSet(sub, { budget, among: 1 }, Infinity, (better) => {
      chosen = better;
    });
    return chosen && planned(chosen, mask, budget.looked);
  };
  /** The same in the order of the first plan, with the best breaks for it: nearly as good, and found at once. */
  const inOrder = (mask: number, z: Careful): Planned | undefined => {
    const order = asAsked.chosen.flatMap((c) => (mask & (1 << c.step) ? [c.step] : []));
    const found = solveInOrder(hard.get(z) ?? asked, order, LABELS_IN_ORDER);
    return found && planned(found.chosen, mask, found.labelsLooked);
  };
  const planOf = (mask: number, z: Careful): Planned | undefined => inOrder(mask, z) ?? searched(mask, z);
  /** The first plan with some of its steps left out: no search, for when time is up. */
  const thinned = (mask: number): Planned | undefined => {
    const chosen = asAsked.chosen.filter((c) => mask & (1 << c.step));
    if (simulate(asked, chosen).broken) return undefined;
    return { solution: solutionOf(asked, chosen, mask, 0, undefined, 'best_found'), reckoned: reckon(chosen) };
  };
  /** The least careful plan of some steps that keeps the limits, or the most careful that there is. */
  const carefulPlan = (mask: number, by = planOf): Planned | undefined => {
    let best: Planned | undefined;
    if (left() <= 1) return inOrder(mask, CAREFUL[1]) ?? thinned(mask);
    for (const z of CAREFUL) {
      const made = by(mask, z);
      if (!made) break;
      if (keeps(made.reckoned)) return made;
      if (!best || riskOf(made.reckoned, limits) < riskOf(best.reckoned, limits)) best = made;
      if (left() <= 1) break;
    }
    return best ?? thinned(mask);
  };

  /** The same, searched for only where leaving steps out of the first plan comes near the limits: rests do the rest, and no more than that. */
  const nearPlan = (mask: number): Planned | undefined => {
    const thin = thinned(mask);
    return thin && (keeps(thin.reckoned) || riskOf(thin.reckoned, limits) > RESTS_CAN_DO) ? thin : carefulPlan(mask);
  };

  const { steps } = asked;
  const all = asAsked.chosen.reduce((mask, c) => mask | (1 << c.step), 0);
  const required = (asked.required ?? []).reduce((mask, id) => mask | (1 << steps.findIndex((s) => s.id === id)), 0);
  const looks = steps.reduce((mask, s, i) => (s.tier === 'looks' && !(required & (1 << i)) ? mask | (1 << i) : mask), 0);
  const without = wholeSet(asked, all & ~looks);
  /** A plan that keeps the limits, without the rests that it does not need for that. */
  const trimmed = (made: Planned): Planned => {
    const chosen = lessRest(asked, made.solution.chosen, (less) => keeps(reckon(less)));
    if (chosen === made.solution.chosen) return made;
    const mask = chosen.reduce((m, c) => m | (1 << c.step), 0);
    return { solution: solutionOf(asked, chosen, mask, made.solution.labelsLooked, undefined, 'best_found'), reckoned: reckon(chosen) };
  };
  /** As it is shown: in the best order for its steps, if that is better, and with no more rest than it needs. */
  const finished = (made: Planned, mask: number): Planned => {
    const own = trimmed(made);
    const best = left() <= 1 ? undefined : carefulPlan(mask, searched);
    const other = best && keeps(best.reckoned) ? trimmed(best) : undefined;
    return other && burdenOf(other) < burdenOf(own) ? other : own;
  };
  const burdenOf = ({ solution }: Planned): number => burden(solution.value, asked.minutePrice);
  /** All of some steps within the limits, in whatever order; `undefined` where rests alone do not do it. */
  const withAll = (mask: number): Planned | undefined => {
    const made = carefulPlan(mask);
    if (made && (keeps(made.reckoned) || riskOf(made.reckoned, limits) > RESTS_CAN_DO)) return made;
    return left() <= 1 ? made : carefulPlan(mask, searched);
  };
  const rested = withAll(all);
  if (rested && keeps(rested.reckoned)) return { ...finished(rested, all), kept: true, asAsked };

  const nothing: Kept = { solution: nothingOf(asked, asAsked), reckoned: NONE, mask: 0 };
  /** Fewer and fewer of some steps until the limits hold, and of what went what can come back; nothing where only ease would be left. */
  const fewer = (from: number): Kept | undefined => {
    let mask = from;
    let made = carefulPlan(mask);
    const gone = [all & ~from];
    while ((mask & ~forEase) !== 0 && made && !keeps(made.reckoned)) {
      const next = withoutTheRiskiest(asked, mask, required | forEase, made, limits);
      if (next === mask) break;
      gone.push(mask & ~next);
      mask = next;
      made = (mask & ~forEase) === 0 ? undefined : (nearPlan(mask) ?? made);
    }
    // Where nothing keeps them in one go, what comes back one by one may.
    if ((mask & ~forEase) === 0) [made, mask] = [nothing, 0];
    if (!made || !keeps(made.reckoned)) return undefined;
    // First what fits into the order of the first plan; then, with the time that is left, what another order has room for.
    for (const by of [nearPlan, withAll])
      for (const back of backInOrder(asked, gone, looks)) {
        if (left() <= 1) break;
        const more = wholeSet(asked, mask | back);
        const also = more === mask ? undefined : by(more);
        if (also && also.solution.chosen.length > made.solution.chosen.length && keeps(also.reckoned)) [made, mask] = [also, more];
      }
    for (const other of exchanged(asked, mask, backInOrder(asked, gone, looks), required)) {
      if (left() <= 1) break;
      const also = nearPlan(other);
      if (!also || !keeps(also.reckoned)) continue;
      [made, mask] = [also, other];
      break;
    }
    return (mask & ~forEase) === 0 ? nothing : { ...made, mask };
  };
  const welfare = steps.reduce((mask, s, i) => (s.tier === 'welfare' ? mask | (1 << i) : mask), 0);
  const welfareOf = (k: Kept | undefined): number => worthOfSet(asked, k?.mask ?? 0)[0];
  let found = fewer(without);
  // Where welfare went, too: what was asked for must not be what it had to make room for.
  if (welfareOf(found) < (worthOfSet(asked, all)[0] ?? 0)) {
    const first = fewer(wholeSet(asked, (without & (welfare | required)) | (without & forEase)));
    if (first && (!found || compareWorth(worthOfSet(asked, first.mask), worthOfSet(asked, found.mask)) > 0)) found = first;
  }
  if (!found) return { ...least, kept: false, asAsked };
  return { ...(found.mask === 0 ? nothing : finished(found, found.mask)), kept: true, asAsked };
}

/** A plan of some steps that keeps the limits. */
interface Kept extends Planned {
  readonly mask: number;
}

const NONE: ReckonedChance = { stop: 0, bite: 0, hardBySteps: [] };

/** The same visit on a day that is harder by so many standard deviations of what is not known. */
function harder(problem: PlanProblem, spreads: readonly StepSpread[], z: number): PlanProblem {
  return {
    ...problem,
    steps: problem.steps.map((s, i) => ({
      ...s,
      ratePerMinute: s.ratePerMinute * Math.exp(z * Math.sqrt(DAY_SPREAD ** 2 + 1 / (spreads[i]?.rateShape ?? Infinity))),
    })),
  };
}

const nothingOf = (problem: PlanProblem, like: Solution): Solution =>
  solutionOf(problem, [], 0, like.labelsLooked, undefined, 'best_found');
