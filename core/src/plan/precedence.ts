import type { PlanProblem } from './model.js';

/** Precedence as bit masks over the steps. */
export interface Precedence {
  /** Steps that must be done before this one may start. */
  readonly requires: readonly number[];
  /** Steps that this one shuts out when it is done first: they belonged before it. */
  readonly shutsOut: readonly number[];
  /** Steps that must follow once this one is done. */
  readonly mustFollow: readonly number[];
}

/** @throws RangeError when a rule names a step that is not in the problem, or more than 30 steps are given */
export function precedenceOf(problem: PlanProblem): Precedence {
  if (problem.steps.length > 30) throw new RangeError(`precedenceOf: ${problem.steps.length} steps, at most 30 fit a bit mask`);
  const index = new Map(problem.steps.map((s, i) => [s.id, i]));
  const requires = problem.steps.map(() => 0);
  const shutsOut = problem.steps.map(() => 0);
  const mustFollow = problem.steps.map(() => 0);
  for (const rule of problem.order) {
    const first = index.get(rule.first);
    const then = index.get(rule.then);
    if (first === undefined || then === undefined) throw new RangeError(`precedenceOf: rule ${rule.rule} names a step that is not there`);
    shutsOut[then] = (shutsOut[then] ?? 0) | (1 << first);
    if (rule.kind !== 'before') requires[then] = (requires[then] ?? 0) | (1 << first);
    if (rule.kind === 'finishes') mustFollow[first] = (mustFollow[first] ?? 0) | (1 << then);
  }
  return { requires, shutsOut, mustFollow };
}
