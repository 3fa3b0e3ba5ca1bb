import type { PlanProblem } from '../model.js';
import { isLagAmong } from '../../work/index.js';
import { precedenceOf } from '../precedence.js';
import { type ClosedSets, closedSets } from './closed-sets.js';

/** A problem of some of the steps of another. */
export interface SubProblem {
  readonly problem: PlanProblem;
  /** For each of its steps, the place in the whole problem. */
  readonly indices: readonly number[];
}

/** The problem of some of its steps. @param mask one bit for each step of the whole */
export function subProblem(problem: PlanProblem, mask: number): SubProblem {
  const indices = problem.steps.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
  const steps = indices.flatMap((i) => problem.steps[i] ?? []);
  const has = new Set(steps.map((s) => s.id));
  const both = (r: { first: string; then: string }): boolean => has.has(r.first) && has.has(r.then);
  return {
    indices,
    problem: {
      ...problem,
      steps,
      order: problem.order.filter(both),
      lags: (problem.lags ?? []).filter((l) => isLagAmong(l, (id) => has.has(id))),
    },
  };
}

/** For each step the steps that must be done before it when all steps are done: every kind of rule says that much. */
export function beforeOf(problem: PlanProblem): number[] {
  const { shutsOut } = precedenceOf(problem);
  return problem.steps.map((_, i) => shutsOut[i] ?? 0);
}

/** Closed sets that are listed at most: above, tables and search take too long. Our default. */
const CLOSED_SETS_AT_MOST = 150_000;

/** Sets of steps that may be done when nothing else is; `too_many` above `atMost`, `circle` where no order can be. */
export function closedSetsOf(
  problem: PlanProblem,
  before = beforeOf(problem),
  atMost = CLOSED_SETS_AT_MOST,
): ClosedSets | 'too_many' | 'circle' {
  return closedSets(
    before,
    problem.steps.map((s) => s.minutes),
    atMost,
  );
}

/**
 * Order rules on top of a problem's own, so that every step stays near its place in a given order: a step comes before all that lie
 * `width` or more places behind it. The best order in this neighbourhood is found over few sets (Balas 1999, "New classes of
 * efficiently solvable generalized traveling salesman problems", Annals of Operations Research 86:529–558; from memory).
 */
export function nearOrder(before: readonly number[], order: readonly number[], width: number): number[] {
  const near = [...before];
  order.forEach((step, at) => {
    for (let ahead = 0; ahead + width <= at; ahead++) near[step] = (near[step] ?? 0) | (1 << (order[ahead] ?? 0));
  });
  return near;
}

/** The same problem with its steps in the order of their ids. */
export function byId(problem: PlanProblem): SubProblem {
  const indices = problem.steps
    .map((s, i) => ({ id: s.id, i }))
    .sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
    .map((x) => x.i);
  return { indices, problem: { ...problem, steps: indices.flatMap((i) => problem.steps[i] ?? []) } };
}

/** Limits that depend only on which steps are done: total standing and total work. */
export function withinSums(problem: PlanProblem): boolean {
  const sum = (of: (s: PlanProblem['steps'][number]) => number): number => problem.steps.reduce((all, s) => all + of(s), 0);
  return (
    sum((s) => (s.standing ? s.minutes : 0)) <= problem.totalStandingMinutes + EPS && sum((s) => s.minutes) <= problem.workMinutes + EPS
  );
}
const EPS = 1e-9;
