import type { PlanProblem } from './model.js';
import { precedenceOf } from './precedence.js';
import { gapOf, type Solution, solutionOf } from './solution.js';
import { bearableAlone } from './solve-in-order.js';
import { bestOfSet } from './solver/best-of-set.js';
import { Budget, type Clock, LABEL_BUDGET } from './solver/budget.js';
import { greedySet, type SetPlan } from './solver/greedy-set.js';
import { leastBurden } from './solver/least-burden.js';
import { numbersOf } from './solver/numbers.js';
import { SAME_BURDEN } from './solver/order-search.js';
import { compareWorth, SetsByWorth, type Worth, worthOfSet } from './solver/sets-by-worth.js';
import { byId, subProblem } from './solver/sub-problem.js';
import { addLooks, withoutLooks } from './solver/with-looks.js';

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

/** The time that a person waits, milliseconds. Our default. */
export const SOLVE_LIMIT_MS = 2000;
const EPS = 1e-9;
/** Of the time, where there are looks to add: asking whether they can be had for nothing needs the rest. Our default. */
const WORK_SHARE = 0.85;
/** Sets of equal worth that share what the search may spend, at most: one that is not looked at has a weak bound. */
const SETS_THAT_SHARE = 3;
/** Sets that did not fit before a plan is put together step by step, and milliseconds that putting steps back into it may take. Our defaults. */
const TRIED_BEFORE_HURRY = 12;
const HURRY_MS = 100;

/**
 * The best plan: which steps, in which order, with which breaks.
 *
 * Which steps are done decides first (welfare, then what was asked for), so sets of steps are tried from the most worth downwards; the
 * first worth at which a set fits is the best one, and among its sets the least burden wins. Looks come last: of those, what adds neither
 * to the dose nor to the peak of that plan. Steps are put into the order of their ids first, so that the same question gives the same plan
 * in whatever order they are named.
 */
export function solve(asked: PlanProblem, options: SolveOptions = {}): Solution {
  const { problem, indices } = byId(asked);
  const { clock } = options;
  const budget = new Budget(options.labels ?? LABEL_BUDGET, clock, clock ? clock() + (options.limitMs ?? SOLVE_LIMIT_MS) : Infinity);
  const needed = withoutLooks(problem);
  const tell = (solution: Solution): Solution => named(solution, indices);
  const whole = needed === allOf(problem);
  const found = bestWork(problem, needed, whole ? budget : budget.before(WORK_SHARE), (solution) => options.onProgress?.(tell(solution)));
  if (found.solution.proof === 'impossible' || whole) return tell(found.solution);
  return tell(addLooks(problem, found, budget));
}

const allOf = (problem: PlanProblem): number => problem.steps.reduce((mask, _, i) => mask | (1 << i), 0);

/** The best plan of the steps of a mask. */
function bestWork(
  problem: PlanProblem,
  among: number,
  budget: Budget,
  onProgress: (found: Solution) => void,
): { readonly solution: Solution; readonly mask: number } {
  const required = requiredMask(problem);
  const usable = bearableMask(problem) & among;
  const sets = new SetsByWorth(problem, precedenceOf(problem), usable, required, () => budget.empty());
  let best: SetPlan | undefined;
  let sure = true;
  // Sets of the worth of the best, and a burden that none of their plans is below.
  const open = new Map<number, number>();
  const lowest = (): number => Math.min(...open.values(), Infinity);
  const toSolution = (gap: number | undefined, proof: Solution['proof']): Solution =>
    solutionOf(problem, best?.chosen ?? [], best?.mask ?? 0, budget.looked, gap, proof);
  const ended = (gap: number | undefined, proof: Solution['proof']): { solution: Solution; mask: number } => ({
    solution: toSolution(gap, proof),
    mask: best?.mask ?? 0,
  });
  const search = (mask: number, sharing: number, below: number, sketch = false): ReturnType<typeof bestOfSet> =>
    bestOfSet(subProblem(problem, mask), { budget, among: sharing, sketch }, below, (chosen, burden, bound) => {
      best = { mask, chosen, burden };
      onProgress(toSolution(sure ? gapOf(burden, Math.min(lowest(), bound)) : undefined, sure ? 'within' : 'best_found'));
    });

  const worthOf = (mask: number): Worth => worthOfSet(problem, mask);
  const inHurry = (): void => {
    const until = budget.beside(Infinity, HURRY_MS);
    best = greedySet(problem, { from: usable, required }, budget, () => until.empty());
    if (best) onProgress(toSolution(undefined, 'best_found'));
  };
  let tried = 0;
  for (let mask = sets.next(); mask !== undefined; mask = sets.next()) {
    const better: number = best ? compareWorth(worthOf(mask), worthOf(best.mask)) : 1;
    if (better < 0) break;
    // Of sets that are worth the same, most are longer than the best one found needs to be.
    const least = best && better === 0 ? leastBurden(numbersOf(subProblem(problem, mask).problem)) : 0;
    if (best && better === 0 && (least >= best.burden - SAME_BURDEN || budget.empty())) {
      open.set(mask, least);
      continue;
    }
    // Of several, it is told first which are worth a search.
    const several = sets.alike > 0 || better === 0;
    const found = search(mask, Math.min(sets.alike + 1, SETS_THAT_SHARE), better > 0 ? Infinity : (best?.burden ?? Infinity), several);
    if (found === 'unknown') sure = false;
    else if (found !== 'does_not_fit') open.set(mask, found);
    if (found === 'does_not_fit' || found === 'unknown') {
      if (budget.empty()) {
        sure = false;
        break;
      }
      // Something to go home with, before one choice of steps after the other is looked at.
      if (++tried === TRIED_BEFORE_HURRY && !best) inHurry();
    }
  }
  if (sets.cut) sure = false;
  if (!best && !sure) inHurry();
  if (!best) return ended(sure ? 0 : undefined, required === 0 && sure ? 'proven' : sure ? 'impossible' : 'best_found');
  // The most promising first, with a share for each that could still be better; then what is left for those that are not settled.
  for (const sharing of [SETS_THAT_SHARE, 1]) {
    const worthIt = (): [number, number][] =>
      [...open].filter(([, bound]) => bound < (best?.burden ?? 0) - SAME_BURDEN).sort((a, b) => a[1] - b[1]);
    for (const [mask, bound] of worthIt()) {
      if (bound >= best.burden - SAME_BURDEN) continue;
      if (budget.empty()) break;
      const found = search(mask, Math.min(sharing, worthIt().length), best.burden);
      if (typeof found === 'number') open.set(mask, Math.max(bound, found));
    }
  }
  if (!sure) return ended(undefined, 'best_found');
  const gap = gapOf(best.burden, lowest());
  return ended(gap, gap < EPS ? 'proven' : 'within');
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

function named(solution: Solution, indices: readonly number[]): Solution {
  return { ...solution, chosen: solution.chosen.map((c) => ({ ...c, step: indices[c.step] ?? c.step })) };
}
