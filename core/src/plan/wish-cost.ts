import type { StepName } from '../words/index.js';
import { type AskedOfPlan, askedOfPlan } from './asked-of-plan.js';
import { solveLimited } from './chance-of-plan.js';
import { findClash, findOrderClash, type WishClash } from './clash.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import type { PlanInput } from './plan-input.js';
import { simulate } from './simulate.js';
import type { Solution } from './solution.js';
import { solve, SOLVE_LIMIT_MS, type SolveOptions } from './solve.js';
import { isMeant, type PlanWish, rulesBeside, withWishes } from './wishes.js';

/** What the wishes of a groomer cost against the plan without them. */
export interface WishCost {
  readonly peak: number;
  readonly dose: number;
  readonly minutes: number;
  /** Work that is done without the wishes and not with them, and the other way round. */
  readonly less: readonly StepName[];
  readonly more: readonly StepName[];
}

/** A search beside the plan itself takes no more than this of its time, milliseconds. Our defaults. */
const WISHES_MS = 300;
const COST_MS = 150;
const atMost = (options: SolveOptions, ms: number): SolveOptions => ({
  ...options,
  limitMs: Math.min(ms, options.limitMs ?? SOLVE_LIMIT_MS),
});

/** The wishes of a groomer that are in the plan, and those that could not be met. */
export interface WishesThatHold {
  readonly wishes: readonly PlanWish[];
  readonly clashes: readonly WishClash[];
  readonly problem: PlanProblem;
}

/** The problem with all wishes that can be met together; of those that cannot, the latest gives way, and it is said why. */
export function wishesThatHold(asked: AskedOfPlan, options: SolveOptions): WishesThatHold {
  const { steps } = asked.built;
  let wishes = asked.wishes.filter((w) => w.kind === 'forbid' || steps.some((s) => isMeant(w.step, s.id)));
  const clashes: WishClash[] = [];
  if (!wishes.some((w) => w.kind === 'place' || w.kind === 'require')) return { wishes, clashes, problem: asked.problem };
  const planned = new Set(solve(asked.problem, atMost(options, WISHES_MS)).chosen.flatMap((c) => steps[c.step]?.id ?? []));
  for (;;) {
    const problem = withWishes(asked.problem, wishes, steps, planned);
    const beside = { ...asked.problem, order: rulesBeside(asked.problem.order, wishes) };
    const clash = findOrderClash(beside, wishes, steps, planned) ?? findClash(beside, wishes, steps, planned);
    if (!clash) return { wishes, clashes, problem };
    clashes.push(clash);
    const last = [...wishes].reverse().find((w) => clash.wishes.includes(w));
    // Nothing of the groomer's is in the way: what the work itself requires cannot be met, and the search will say so.
    if (!last) return { wishes, clashes, problem };
    wishes = wishes.filter((w) => w !== last);
  }
}

/** Wishes against the plan of the same day without them. */
export function costOfWishes(
  input: PlanInput,
  solution: Solution,
  peak: number,
  built: readonly BuiltStep[],
  options: SolveOptions,
): WishCost | undefined {
  const without = askedOfPlan({ ...input, wishes: [] });
  if (!without) return undefined;
  const free = solveLimited({ ...input, wishes: [] }, { steps: without.built.steps, kinds: without.kinds }, without.problem, {
    ...atMost(options, COST_MS),
    lighter: without.lighter,
  }).solution;
  const names = (found: Solution, steps: readonly BuiltStep[]): StepName[] => [
    ...new Set(found.chosen.flatMap((c) => steps[c.step]?.name ?? [])),
  ];
  const [mine, theirs] = [names(solution, built), names(free, without.built.steps)];
  return {
    peak: peak - simulate(without.problem, free.chosen).peak,
    dose: solution.value.dose - free.value.dose,
    minutes: solution.value.minutes - free.value.minutes,
    less: theirs.filter((l) => !mine.includes(l)),
    more: mine.filter((l) => !theirs.includes(l)),
  };
}
