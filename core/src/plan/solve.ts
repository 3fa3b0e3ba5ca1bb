import { TIERS, type ChosenStep, type PlanProblem } from './model.js';
import { worthOf, type PlanValue } from './objective.js';
import { precedenceOf } from './precedence.js';
import { simulate } from './simulate.js';
import { bestOrder } from './solver/best-order.js';
import { boundTable } from './solver/bound-table.js';
import { Budget, type Clock } from './solver/budget.js';
import type { ClosedSets } from './solver/closed-sets.js';
import { chosenSteps, grow, mannerOfSearch, startLabel, type Label } from './solver/labels.js';
import { leastBurden } from './solver/least-burden.js';
import { nearestOrder } from './solver/nearest-order.js';
import { numbersOf, type Numbers } from './solver/numbers.js';
import { SAME_BURDEN, searchOrder } from './solver/order-search.js';
import { SetsByWorth, compareWorth, worthOfSet } from './solver/sets-by-worth.js';
import { stepCells } from './solver/step-cells.js';
import { beforeOf, closedSetsOf, nearOrder, subProblem, type SubProblem } from './solver/sub-problem.js';

export interface Solution {
  readonly chosen: readonly ChosenStep[];
  readonly value: PlanValue;
  /**
   * `proven`: every order and break was searched or shown to be no better. `within`: no plan can be better by more than `gap`.
   * `best_found`: the search was cut off before it knew that no more work fits. `impossible`: what is required cannot be done.
   */
  readonly proof: 'proven' | 'within' | 'best_found' | 'impossible';
  /** How much better the best plan of the same work could be at most, as a share of this one's burden; 0 when proven. */
  readonly gap: number;
  readonly labelsLooked: number;
}

/** What a search is told, and tells. */
export interface SolveOptions {
  /** Labels to look at before it settles for a plan and its gap. The same number gives the same plan on every machine. */
  readonly labels?: number;
  /** Milliseconds; with {@link limitMs} the search also ends by time. */
  readonly clock?: Clock;
  readonly limitMs?: number;
  /** Told of each better plan while the search goes on. */
  readonly onProgress?: (found: Solution) => void;
}

/** Our defaults: labels of about a second, and the time that a person waits. */
export const LABEL_BUDGET = 1_000_000;
export const SOLVE_LIMIT_MS = 2000;
const EPS = 1e-9;
/** Labels after which it is no longer asked whether one set of steps fits at all. */
const FEASIBLE_LABELS = 60_000;
const FEASIBLE_BEAM = 60;
/** Steps that may change places when the orders are too many to list. */
const NEAR_WIDTHS = [6, 9] as const;

interface Best {
  readonly mask: number;
  readonly chosen: readonly ChosenStep[];
  readonly burden: number;
}

/**
 * The best plan: which steps, in which order, with which breaks.
 *
 * Which steps are done decides first (welfare, asked, looks), so sets of steps are tried from the most worth downwards; the first worth
 * at which a set fits is the best one, and among its sets the least burden wins. Steps are put into the order of their ids first, so
 * that the same question gives the same plan in whatever order they are named.
 */
export function solve(asked: PlanProblem, options: SolveOptions = {}): Solution {
  const { problem, indices } = byId(asked);
  const { clock } = options;
  const budget = new Budget(options.labels ?? LABEL_BUDGET, clock, clock ? clock() + (options.limitMs ?? SOLVE_LIMIT_MS) : Infinity);
  const required = requiredMask(problem);
  const sets = new SetsByWorth(problem, precedenceOf(problem), bearableMask(problem), required);
  let best: Best | undefined;
  let lowest = Infinity;
  let sure = true;
  const toSolution = (gap: number, proof: Solution['proof']): Solution =>
    named(solutionOf(problem, best?.chosen ?? [], best?.mask ?? 0, budget.looked, gap, proof), indices);

  for (let mask = sets.next(); mask !== undefined; mask = sets.next()) {
    if (best && compareWorth(worthOfSet(problem, mask), worthOfSet(problem, best.mask)) < 0) break;
    const part = subProblem(problem, mask);
    // Of sets that are worth the same, most are longer than the best one found needs to be.
    const least = best ? leastBurden(numbersOf(part.problem)) : 0;
    if (best && (least >= best.burden - SAME_BURDEN || budget.empty())) {
      lowest = Math.min(lowest, least);
      continue;
    }
    const found = bestOfSet(part, budget, best?.burden ?? Infinity, (chosen, value, bound) => {
      best = { mask: mask ?? 0, chosen, burden: value };
      options.onProgress?.(toSolution(gapOf(value, Math.min(lowest, bound)), sure ? 'within' : 'best_found'));
    });
    if (found === 'does_not_fit') continue;
    if (found === 'unknown') sure = false;
    else lowest = Math.min(lowest, found);
    if (!best && budget.empty()) {
      // Time is up and nothing fits yet: what does not fit is left out step by step, and nothing is claimed.
      sure = false;
      best = withoutTheLeast(problem, mask);
      break;
    }
  }
  if (sets.cut) sure = false;
  if (!best) return toSolution(0, required === 0 && sure ? 'proven' : sure ? 'impossible' : 'best_found');
  const gap = gapOf(best.burden, lowest);
  return toSolution(gap, !sure ? 'best_found' : gap < EPS ? 'proven' : 'within');
}

/**
 * A plan when time is up before one was found: the least worthy steps are left out, one after the other with all that needs them, until
 * the rest fits; then what was left out is put back, the most worthy first, where it still fits.
 */
function withoutTheLeast(problem: PlanProblem, from: number): Best | undefined {
  const { requires, mustFollow } = precedenceOf(problem);
  const byWorth = problem.steps
    .map((s, i) => ({ i, tier: TIERS.indexOf(s.tier), worth: s.worth }))
    .sort((a, b) => b.tier - a.tier || a.worth - b.worth || a.i - b.i);
  const whole = (mask: number): number => {
    let kept = mask;
    for (let before = -1; before !== kept;) {
      before = kept;
      problem.steps.forEach((_, j) => {
        const need = (requires[j] ?? 0) | (mustFollow[j] ?? 0);
        if (kept & (1 << j) && (kept & need) !== need) kept &= ~(1 << j);
      });
    }
    return kept;
  };
  const planOf = (mask: number): Best | undefined => {
    const found: { best?: Best } = {};
    const { problem: part } = subProblem(problem, mask);
    if (!withinSums(part)) return undefined;
    bestOfSet(subProblem(problem, mask), new Budget(IN_HURRY_LABELS), Infinity, (chosen, burden) => {
      found.best = { mask, chosen, burden };
    });
    return found.best;
  };
  let mask = whole(from);
  let best = planOf(mask);
  for (const { i } of byWorth) {
    if (best) break;
    mask = whole(mask & ~(1 << i));
    best = planOf(mask);
  }
  for (const { i } of [...byWorth].reverse()) {
    if (!best || best.mask & (1 << i) || !(from & (1 << i))) continue;
    const more = whole(best.mask | (1 << i));
    if (more !== best.mask && more & (1 << i)) best = planOf(more) ?? best;
  }
  return best;
}
/** Labels of one try when time is up. */
const IN_HURRY_LABELS = 3000;

const gapOf = (value: number, bound: number): number => (value <= 0 ? 0 : Math.max(0, 1 - Math.min(bound, value) / value));

/**
 * The best order of exactly the steps of a set.
 * @returns a burden that no order of the set is below; or that no order keeps the limits; or that this could not be found out
 */
function bestOfSet(
  { problem, indices }: SubProblem,
  budget: Budget,
  below: number,
  onPlan: (chosen: readonly ChosenStep[], burden: number, lowerBound: number) => void,
): number | 'does_not_fit' | 'unknown' {
  if (problem.steps.length === 0) {
    if (below > 0) onPlan([], 0, 0);
    return 0;
  }
  const numbers = numbersOf(problem);
  const tell = (label: Label, value: number, bound: number): void =>
    onPlan(
      chosenSteps(label).map((c) => ({ ...c, step: indices[c.step] ?? c.step })),
      value,
      bound,
    );
  const sets = closedSetsOf(problem);
  if (sets === 'circle') return 'does_not_fit';
  if (sets === 'too_many') return nearBest(problem, numbers, budget, below, tell);
  const fits = anyOrder(numbers, sets, budget);
  if (fits === 'does_not_fit' || fits === 'unknown') return fits;
  return bestOrder({ numbers, sets, budget, below, known: fits, onPlan: tell }).lowerBound;
}

/** Some order of all steps that keeps every limit: the quickest that a beam finds, or the full search when the beam finds none. */
function anyOrder(numbers: Numbers, sets: ClosedSets, budget: Budget): Label | 'does_not_fit' | 'unknown' {
  const cells = stepCells(numbers, sets.masks.length > 20_000 ? 12 : 24);
  const minutes = boundTable(numbers, sets, { minutePrice: 1, dose: false, standingCells: 3, cells });
  if (minutes.atStart > numbers.session + EPS) return 'does_not_fit';
  const ask = (width: number, spend: Budget): ReturnType<typeof searchOrder> =>
    searchOrder({
      manner: mannerOfSearch(numbers, { minutePrice: 1, timeOnly: true }),
      sets,
      bounds: [{ table: minutes, dearer: 0 }],
      minutes,
      width,
      budget: spend,
    });
  // A first plan is always looked for, even when time is up: a beam is short.
  const quick = ask(FEASIBLE_BEAM, new Budget(Infinity));
  if (quick.label) return quick.label;
  if (!quick.cut) return 'does_not_fit';
  const full = ask(Infinity, budget.part(FEASIBLE_LABELS));
  return full.label ?? (full.cut ? 'unknown' : 'does_not_fit');
}

/** For more orders than can be listed: the best near an order put together step by step, with a bound that ignores the order. */
function nearBest(
  problem: PlanProblem,
  numbers: Numbers,
  budget: Budget,
  below: number,
  onPlan: (label: Label, burden: number, lowerBound: number) => void,
): number | 'unknown' {
  const before = beforeOf(problem);
  const bound = leastBurden(numbers);
  let order = nearestOrder(numbers, before);
  let known: Label | undefined;
  let at = below;
  for (const width of NEAR_WIDTHS) {
    const sets = closedSetsOf(problem, nearOrder(before, order, width));
    if (typeof sets === 'string') break;
    if (!known) {
      const fits = anyOrder(numbers, sets, budget);
      if (typeof fits === 'string') continue;
      known = fits;
    }
    const found = bestOrder({ numbers, sets, budget, below: at, known, onPlan: (l, v) => onPlan(l, v, bound) });
    if (!found.label) continue;
    known = found.label;
    at = found.burden;
    order = chosenSteps(found.label).map((c) => c.step);
  }
  return known ? bound : 'unknown';
}

/**
 * The best breaks for a fixed order; `undefined` when no choice of breaks keeps every limit.
 * Used for "what if this came earlier", so that an order is always compared at its best.
 */
export function solveInOrder(asked: PlanProblem, order: readonly number[]): Solution | undefined {
  const steps = order.flatMap((i) => asked.steps[i] ?? []);
  const has = new Set(steps.map((s) => s.id));
  const place = new Map(steps.map((s, i) => [s.id, i]));
  const both = (r: { first: string; then: string }): boolean => has.has(r.first) && has.has(r.then);
  const rules = asked.order.filter(both);
  if (rules.some((r) => (place.get(r.first) ?? 0) > (place.get(r.then) ?? 0))) return undefined;
  const problem: PlanProblem = { ...asked, steps, order: rules, lags: (asked.lags ?? []).filter(both) };
  if (!withinSums(problem)) return undefined;
  const before = steps.map((_, i) => (i === 0 ? 0 : 1 << (i - 1)));
  const sets = closedSetsOf(problem, before);
  if (typeof sets === 'string') return undefined;
  const numbers = numbersOf(problem);
  const budget = new Budget(LABEL_BUDGET);
  const found = bestOrder({ numbers, sets, budget, below: Infinity, known: undefined, tableEntries: IN_ORDER_ENTRIES });
  if (!found.label) return undefined;
  const mask = order.reduce((m, i) => m | (1 << i), 0);
  const chosen = chosenSteps(found.label).map((c) => ({ ...c, step: order[c.step] ?? c.step }));
  return solutionOf(asked, chosen, mask, budget.looked, gapOf(found.burden, found.lowerBound), 'proven');
}

/** Whether all steps of a problem can be done within its limits, in some order with some breaks. */
export function canBeDone(asked: PlanProblem): boolean {
  const { problem } = byId(asked);
  if (problem.steps.length === 0) return true;
  if (!withinSums(problem)) return false;
  const sets = closedSetsOf(problem);
  if (sets === 'circle') return false;
  const numbers = numbersOf(problem);
  if (sets !== 'too_many') return typeof anyOrder(numbers, sets, new Budget(LABEL_BUDGET)) !== 'string';
  const near = closedSetsOf(problem, nearOrder(beforeOf(problem), nearestOrder(numbers, beforeOf(problem)), NEAR_WIDTHS[0]));
  return typeof near !== 'string' && typeof anyOrder(numbers, near, new Budget(LABEL_BUDGET)) !== 'string';
}

/** A fixed order has few sets; a small table is enough. */
const IN_ORDER_ENTRIES = 6_000;

/** Whether a rested dog could bear a step if it were the only one. If not, no plan can hold it: strain and fatigue only add. */
export function bearableAlone(problem: PlanProblem, index: number): boolean {
  const step = problem.steps[index];
  if (!step) return false;
  const { helperWindows: _always, ...rest } = problem;
  const alone = numbersOf({
    ...rest,
    startStrain: 0,
    startStandingMinutes: 0,
    steps: [step],
    order: [],
    lags: [],
    sessionMinutes: Infinity,
  });
  return grow(mannerOfSearch(alone, { timeOnly: true }), startLabel(alone), 1, 0, 0).length > 0;
}

function bearableMask(problem: PlanProblem): number {
  return problem.steps.reduce((mask, _, i) => (bearableAlone(problem, i) ? mask | (1 << i) : mask), 0);
}

/** @throws RangeError when a required step is not in the problem */
function requiredMask(problem: PlanProblem): number {
  return (problem.required ?? []).reduce((mask, id) => {
    const at = problem.steps.findIndex((s) => s.id === id);
    if (at < 0) throw new RangeError(`solve: required step ${id} is not there`);
    return mask | (1 << at);
  }, 0);
}

/** The same problem with its steps in the order of their ids. */
function byId(problem: PlanProblem): SubProblem {
  const indices = problem.steps
    .map((s, i) => ({ id: s.id, i }))
    .sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
    .map((x) => x.i);
  return { indices, problem: { ...problem, steps: indices.flatMap((i) => problem.steps[i] ?? []) } };
}

function named(solution: Solution, indices: readonly number[]): Solution {
  return { ...solution, chosen: solution.chosen.map((c) => ({ ...c, step: indices[c.step] ?? c.step })) };
}

function solutionOf(
  problem: PlanProblem,
  chosen: readonly ChosenStep[],
  mask: number,
  labelsLooked: number,
  gap: number,
  proof: Solution['proof'],
): Solution {
  const run = simulate(problem, chosen);
  return { chosen, value: { ...worthOf(problem, mask), dose: run.dose, minutes: run.minutes }, proof, gap, labelsLooked };
}

/** Limits that depend only on which steps are done: total standing and total work. */
function withinSums(problem: PlanProblem): boolean {
  const sum = (of: (s: PlanProblem['steps'][number]) => number): number => problem.steps.reduce((all, s) => all + of(s), 0);
  return (
    sum((s) => (s.standing ? s.minutes : 0)) <= problem.totalStandingMinutes + EPS && sum((s) => s.minutes) <= problem.workMinutes + EPS
  );
}
