import { WATCH_AT } from '../../strain/index.js';
import { type ChosenStep, type PlanProblem, POINT_MINUTES_PER_MINUTE } from '../model.js';
import { simulate, type Simulated } from '../simulate.js';
import { type Solution, solutionOf } from '../solution.js';
import { bestOfSet, type Spend } from './best-of-set.js';
import type { Budget } from './budget.js';
import { wholeSet, withNeeds } from './greedy-set.js';
import { compareWorth, worthOfSet } from './sets-by-worth.js';
import { type SubProblem, subProblem, withinSums } from './sub-problem.js';

const EPS = 1e-6;
/** Point-minutes that count as none. */
const NO_DOSE = 0.01;
/** Point-minutes a minute when dose counts first: what hours of them come to counts as none, and half a minute still tells two plans apart. */
const DOSE_FIRST = NO_DOSE / 500;
/** Labels of the search for a plan with the looks in it that is good as it is. Our default. */
const FIRST_LABELS = 30_000;

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
  // Without a dose, all that may be asked is whether everything can be done below the line it begins at.
  const undosed = base.dose <= NO_DOSE;
  const calm = { ...problem, peakAtMost: undosed ? Math.min(base.peak, WATCH_AT) : base.peak };
  for (const more of subsetsByWorth(problem, looks)) {
    const all = mask | more;
    if (wholeSet(problem, all) !== all) continue;
    // Time is up before it was known whether these looks can be had for nothing.
    if (budget.empty()) return { ...solution, gap: undefined, proof: 'best_found' };
    const sub = subProblem(calm, all);
    if (!withinSums(sub.problem)) continue;
    const found = forNothing(sub, base, budget);
    if (typeof found === 'object') return solutionOf(problem, found, all, budget.looked, solution.gap, solution.proof);
    if (found === 'unknown') return { ...solution, gap: undefined, proof: 'best_found' };
  }
  return solution;
}

/** A plan of exactly these steps with no more dose and no higher a peak than another one; `no` where there is none. */
function forNothing({ problem, indices }: SubProblem, base: Simulated, budget: Budget): readonly ChosenStep[] | 'no' | 'unknown' {
  const ask = (minutePrice: number, spend: Spend, below: number): Asked => {
    let last: readonly ChosenStep[] | undefined;
    let good: readonly ChosenStep[] | undefined;
    const own = indices.map((_, i) => i);
    const found = bestOfSet({ problem: { ...problem, minutePrice }, indices: own }, spend, below, (chosen) => {
      const run = simulate(problem, chosen);
      last = chosen.map((c) => ({ ...c, step: indices[c.step] ?? c.step }));
      if (!run.broken && run.dose <= base.dose + NO_DOSE && run.peak <= base.peak + EPS) good = last;
    });
    return { found, best: good === last ? good : undefined, good };
  };
  const price = problem.minutePrice ?? POINT_MINUTES_PER_MINUTE;
  const first = ask(price, { budget: budget.part(FIRST_LABELS), among: 1 }, Infinity);
  if (first.found === 'does_not_fit') return 'no';
  if (first.best) return first.best;
  const most = base.dose + NO_DOSE + DOSE_FIRST * problem.sessionMinutes;
  const second = ask(DOSE_FIRST, { budget, among: 1, exact: true }, most);
  const found = second.best ?? second.good ?? first.good;
  if (found) return found;
  return second.found === 'does_not_fit' || (second.found !== 'unknown' && second.found >= most - NO_DOSE) ? 'no' : 'unknown';
}

/** What a search for a plan with looks in it came to. */
interface Asked {
  readonly found: ReturnType<typeof bestOfSet>;
  /** The best plan, and the last one, that adds nothing. */
  readonly best: readonly ChosenStep[] | undefined;
  readonly good: readonly ChosenStep[] | undefined;
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
