import { isLagAmong } from '../work/index.js';
import type { PlanProblem } from './model.js';
import { gapOf, type Solution, solutionOf } from './solution.js';
import { anyOrder, NEAR_WIDTHS } from './solver/best-of-set.js';
import { bestOrder } from './solver/best-order.js';
import { Budget, LABEL_BUDGET } from './solver/budget.js';
import { chosenSteps, grow, mannerOfSearch, startLabel } from './solver/labels.js';
import { nearestOrder } from './solver/nearest-order.js';
import { numbersOf } from './solver/numbers.js';
import { beforeOf, byId, closedSetsOf, nearOrder, withinSums } from './solver/sub-problem.js';

/**
 * The best breaks for a fixed order; `undefined` when no choice of breaks keeps every limit.
 * Used for "what if this came earlier", so that an order is always compared at its best.
 * @param labels that may be looked at; with few, the breaks are good ones and seldom the best
 */
export function solveInOrder(asked: PlanProblem, order: readonly number[], labels = LABEL_BUDGET): Solution | undefined {
  const steps = order.flatMap((i) => asked.steps[i] ?? []);
  const has = new Set(steps.map((s) => s.id));
  const place = new Map(steps.map((s, i) => [s.id, i]));
  const both = (r: { first: string; then: string }): boolean => has.has(r.first) && has.has(r.then);
  const rules = asked.order.filter(both);
  if (rules.some((r) => (place.get(r.first) ?? 0) > (place.get(r.then) ?? 0))) return undefined;
  const problem: PlanProblem = {
    ...asked,
    steps,
    order: rules,
    lags: (asked.lags ?? []).filter((l) => isLagAmong(l, (id) => has.has(id))),
  };
  if (!withinSums(problem)) return undefined;
  const before = steps.map((_, i) => (i === 0 ? 0 : 1 << (i - 1)));
  const sets = closedSetsOf(problem, before);
  if (typeof sets === 'string') return undefined;
  const numbers = numbersOf(problem);
  const budget = new Budget(labels);
  const fits = anyOrder(numbers, sets, budget);
  if (fits === 'does_not_fit') return undefined;
  const known = fits === 'unknown' ? undefined : fits;
  const found = bestOrder({ numbers, sets, budget, below: Infinity, known, fine: true });
  if (!found.label) return undefined;
  const mask = order.reduce((m, i) => m | (1 << i), 0);
  const chosen = chosenSteps(found.label, numbers).map((c) => ({ ...c, step: order[c.step] ?? c.step }));
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
  return grow(mannerOfSearch(alone, { timeOnly: true }), startLabel(alone), alone.steps[0]?.stations[0] ?? 0, 0, 0).length > 0;
}
