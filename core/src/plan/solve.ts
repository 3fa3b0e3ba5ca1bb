import { TIERS } from '../words/index.js';
import type { ChosenStep, PlanProblem } from './model.js';
import { precedenceOf } from './precedence.js';
import { gapOf, type Solution, solutionOf } from './solution.js';
import { bearableAlone } from './solve-in-order.js';
import { bestOfSet } from './solver/best-of-set.js';
import { Budget, type Clock, LABEL_BUDGET } from './solver/budget.js';
import { leastBurden } from './solver/least-burden.js';
import { numbersOf } from './solver/numbers.js';
import { SAME_BURDEN } from './solver/order-search.js';
import { compareWorth, SetsByWorth, worthOfSet } from './solver/sets-by-worth.js';
import { byId, subProblem, withinSums } from './solver/sub-problem.js';

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
const SOLVE_LIMIT_MS = 2000;
const EPS = 1e-9;
/** Sets of equal worth that share what the search may spend, at most: one that is not looked at has a weak bound. */
const SETS_THAT_SHARE = 3;
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
  let sure = true;
  // Sets of the worth of the best, and a burden that none of their plans is below.
  const open = new Map<number, number>();
  const lowest = (): number => Math.min(...open.values(), Infinity);
  const toSolution = (gap: number, proof: Solution['proof']): Solution =>
    named(solutionOf(problem, best?.chosen ?? [], best?.mask ?? 0, budget.looked, gap, proof), indices);
  const search = (mask: number, among: number): ReturnType<typeof bestOfSet> =>
    bestOfSet(subProblem(problem, mask), { budget, among }, best?.burden ?? Infinity, (chosen, burden, bound) => {
      best = { mask, chosen, burden };
      options.onProgress?.(toSolution(gapOf(burden, Math.min(lowest(), bound)), sure ? 'within' : 'best_found'));
    });

  for (let mask = sets.next(); mask !== undefined; mask = sets.next()) {
    if (best && compareWorth(worthOfSet(problem, mask), worthOfSet(problem, best.mask)) < 0) break;
    // Of sets that are worth the same, most are longer than the best one found needs to be.
    const least = best ? leastBurden(numbersOf(subProblem(problem, mask).problem)) : 0;
    if (best && (least >= best.burden - SAME_BURDEN || budget.empty())) {
      open.set(mask, least);
      continue;
    }
    const found = search(mask, Math.min(sets.alike + 1, SETS_THAT_SHARE));
    if (found === 'does_not_fit') continue;
    if (found === 'unknown') sure = false;
    else open.set(mask, found);
    if (!best && budget.empty()) {
      // Time is up and nothing fits yet: what does not fit is left out step by step, and nothing is claimed.
      sure = false;
      best = withoutTheLeast(problem, mask);
      break;
    }
  }
  if (sets.cut) sure = false;
  if (!best) return toSolution(0, required === 0 && sure ? 'proven' : sure ? 'impossible' : 'best_found');
  // What other sets did not need of their share goes to those that are not settled.
  for (const [mask, bound] of [...open].sort((a, b) => a[1] - b[1])) {
    if (bound >= best.burden - SAME_BURDEN || budget.empty()) break;
    const found = search(mask, 1);
    if (typeof found === 'number') open.set(mask, Math.max(bound, found));
  }
  const gap = gapOf(best.burden, lowest());
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
    bestOfSet(subProblem(problem, mask), { budget: new Budget(IN_HURRY_LABELS), among: 1 }, Infinity, (chosen, burden) => {
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
