import type { Limited } from './chance-of-plan.js';
import type { PlanNow } from './from-here.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import { burden } from './objective.js';
import { solveInOrder } from './solve-in-order.js';
import { compareWorth, worthOfSet } from './solver/sets-by-worth.js';

/** Labels for the breaks of the plan in hand. Our default. */
const PRESENT_LABELS = 100_000;

/**
 * A plan from here is never worse than to finish the plan at the table: where the search has found nothing better in its time, that one goes
 * on, with its breaks chosen anew.
 */
export function notWorseThanPresent(found: Limited, problem: PlanProblem, steps: readonly BuiltStep[], now: PlanNow | undefined): Limited {
  // A plan that had to give work up for its chances is not to take it back by another way.
  if (!now?.order || found.without || !found.kept) return found;
  const order = now.order.flatMap((id) => {
    const at = steps.findIndex((s) => s.id === id);
    return at >= 0 ? [at] : [];
  });
  if (order.length === 0) return found;
  const present = solveInOrder(problem, order, PRESENT_LABELS);
  if (!present || !holdsRequired(problem, order)) return found;
  const mask = (chosen: readonly { readonly step: number }[]): number => chosen.reduce((m, c) => m | (1 << c.step), 0);
  const needed = (m: number): number => m & ~looksOf(problem);
  const worth = compareWorth(worthOfSet(problem, needed(mask(present.chosen))), worthOfSet(problem, needed(mask(found.solution.chosen))));
  const same = mask(present.chosen) === mask(found.solution.chosen);
  const less = same && burden(present.value, problem.minutePrice) < burden(found.solution.value, problem.minutePrice) - SAME;
  return worth > 0 || less ? { ...found, solution: { ...present, gap: undefined, proof: 'best_found' } } : found;
}
const SAME = 1e-6;

const looksOf = (problem: PlanProblem): number => problem.steps.reduce((m, s, i) => (s.tier === 'looks' ? m | (1 << i) : m), 0);
const holdsRequired = (problem: PlanProblem, order: readonly number[]): boolean =>
  (problem.required ?? []).every((id) => order.some((i) => problem.steps[i]?.id === id));
