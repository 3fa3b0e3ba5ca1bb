import type { ChosenStep, PlanProblem } from '../model.js';
import { simulate } from '../simulate.js';
import { type Solution, solutionOf } from '../solution.js';
import { bestOfSet } from './best-of-set.js';
import type { Budget } from './budget.js';
import { wholeSet, withNeeds } from './greedy-set.js';
import { compareWorth, worthOfSet } from './sets-by-worth.js';
import { subProblem, withinSums } from './sub-problem.js';

const EPS = 1e-6;
/** Point-minutes that count as none. */
const NO_DOSE = 1e-3;
/** Point-minutes a minute when all that counts is dose: what a whole day of them comes to counts as none. */
const DOSE_FIRST = NO_DOSE / 1440;

/** The steps that are no looks, and those that welfare or what was asked for needs. */
export function withoutLooks(problem: PlanProblem): number {
  const required = problem.required ?? [];
  return withNeeds(
    problem,
    problem.steps.reduce((m, s, i) => (s.tier !== 'looks' || required.includes(s.id) ? m | (1 << i) : m), 0),
  );
}

/** The most worth of looks that a plan can take on without a point-minute of dose or a point of peak; then the least time. */
export function addLooks(
  problem: PlanProblem,
  { solution, mask }: { readonly solution: Solution; readonly mask: number },
  budget: Budget,
): Solution {
  const base = simulate(problem, solution.chosen);
  const looks = problem.steps.flatMap((_, i) => (mask & (1 << i) || withoutLooks(problem) & (1 << i) ? [] : [i]));
  const calm = { ...problem, peakAtMost: base.peak };
  for (const more of subsetsByWorth(problem, looks)) {
    const all = mask | more;
    if (wholeSet(problem, all) !== all) continue;
    const sub = subProblem(calm, all);
    if (!withinSums(sub.problem)) continue;
    const found = [problem.minutePrice, DOSE_FIRST].reduce<readonly ChosenStep[] | undefined>((known, minutePrice) => {
      if (known || budget.empty()) return known;
      let best: readonly ChosenStep[] | undefined;
      const priced = minutePrice === undefined ? sub.problem : { ...sub.problem, minutePrice };
      bestOfSet({ problem: priced, indices: sub.indices }, { budget, among: 1 }, Infinity, (chosen) => {
        best = chosen;
      });
      const run = best && simulate(calm, best);
      return run && !run.broken && run.dose <= base.dose + NO_DOSE && run.peak <= base.peak + EPS ? best : undefined;
    }, undefined);
    if (found) return solutionOf(problem, found, all, budget.looked, solution.gap, solution.proof);
    // Time is up before it was known whether these looks can be had for nothing.
    if (budget.empty()) return { ...solution, gap: undefined, proof: 'best_found' };
  }
  return solution;
}

/** All sets of some steps but the empty one, the most worth first. */
function subsetsByWorth(problem: PlanProblem, steps: readonly number[]): number[] {
  const subsets = Array.from({ length: 2 ** Math.min(steps.length, LOOKS_AT_MOST) - 1 }, (_, n) =>
    steps.reduce((mask, step, at) => ((n + 1) & (1 << at) ? mask | (1 << step) : mask), 0),
  );
  return subsets.sort((a, b) => compareWorth(worthOfSet(problem, b), worthOfSet(problem, a)) || a - b);
}
/** Looks of which every choice is looked at, at most. Our default. */
const LOOKS_AT_MOST = 6;
