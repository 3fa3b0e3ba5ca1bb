import { TIERS } from '../../words/index.js';
import type { ChosenStep, PlanProblem } from '../model.js';
import { precedenceOf } from '../precedence.js';
import { nearPlan } from './best-of-set.js';
import { Budget } from './budget.js';
import { subProblem, withinSums } from './sub-problem.js';

/** A plan of some of the steps, and what it costs. */
export interface SetPlan {
  readonly mask: number;
  readonly chosen: readonly ChosenStep[];
  readonly burden: number;
}

/** Labels, and milliseconds where there is a clock, of one try. Our defaults. */
const IN_HURRY_LABELS = 3000;
const IN_HURRY_MS = 25;

/**
 * A set of steps without those that cannot stay in it: what needs a step that is not there, what must be followed by one.
 * @param mask one bit for each step
 */
export function wholeSet(problem: PlanProblem, mask: number): number {
  const { requires, mustFollow } = precedenceOf(problem);
  let kept = mask;
  for (let before = -1; before !== kept;) {
    before = kept;
    problem.steps.forEach((_, j) => {
      const need = (requires[j] ?? 0) | (mustFollow[j] ?? 0);
      if (kept & (1 << j) && (kept & need) !== need) kept &= ~(1 << j);
    });
  }
  return kept;
}

/** Steps by what they count for, the least first. */
function leastFirst(problem: PlanProblem): number[] {
  return problem.steps
    .map((s, i) => ({ i, tier: TIERS.indexOf(s.tier), worth: s.worth }))
    .sort((a, b) => b.tier - a.tier || a.worth - b.worth || a.i - b.i)
    .map((x) => x.i);
}

/**
 * A plan when it is not known soon which steps fit: as few of the least worthy as need be are left out, each with all that needs it; then
 * what was left out is put back, the most worthy first, where it still fits. Where nothing fits that way each step is tried alone with what
 * it needs: a visit in which something can be done is never empty.
 * @param from mask of the steps to choose from @param required mask of the steps that stay in
 * @param budget whose clock is used; it may be used up
 * @param ended asked before each step is put back; what is found by then stands
 */
export function greedySet(
  problem: PlanProblem,
  { from, required }: { readonly from: number; readonly required: number },
  budget: Budget,
  ended: () => boolean,
): SetPlan | undefined {
  const planOf = (mask: number): SetPlan | undefined => {
    const sub = subProblem(problem, mask);
    if (mask === 0 || (mask & required) !== required || !withinSums(sub.problem)) return undefined;
    const found = nearPlan(sub, budget.beside(IN_HURRY_LABELS, IN_HURRY_MS));
    return found && { mask, ...found };
  };
  const order = leastFirst(problem);
  const ladder = [wholeSet(problem, from)];
  for (const i of order) {
    const last = ladder[ladder.length - 1] ?? 0;
    const less = wholeSet(problem, last & ~(1 << i));
    if (less !== last && (less & required) === required) ladder.push(less);
  }
  // Fewer steps fit where more do, but for rare cases: the fewest that are left out are found by halving.
  let best: SetPlan | undefined;
  for (let [low, high] = [0, ladder.length - 1]; low <= high;) {
    const at = (low + high) >> 1;
    const found = planOf(ladder[at] ?? 0);
    if (found) [best, high] = [found, at - 1];
    else low = at + 1;
  }
  if (!best && required === 0)
    for (const i of [...order].reverse()) {
      const alone = withNeeds(problem, 1 << i);
      best = (alone & ~from) === 0 ? planOf(alone) : undefined;
      if (best) break;
    }
  for (const i of [...order].reverse()) {
    if (!best || ended()) break;
    if (best.mask & (1 << i) || !(from & (1 << i))) continue;
    const more = withNeeds(problem, best.mask | (1 << i));
    if ((more & ~from) === 0) best = planOf(more) ?? best;
  }
  return best;
}

/** A set with all that its steps need. */
export function withNeeds(problem: PlanProblem, mask: number): number {
  const { requires, mustFollow } = precedenceOf(problem);
  let all = mask;
  for (let before = -1; before !== all;) {
    before = all;
    problem.steps.forEach((_, j) => {
      if (all & (1 << j)) all |= (requires[j] ?? 0) | (mustFollow[j] ?? 0);
    });
  }
  return all;
}
