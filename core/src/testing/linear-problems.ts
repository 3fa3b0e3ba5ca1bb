import type { PlanProblem, SolverStep } from '../plan/index.js';
import type { OrderKind, OrderRule } from '../work/index.js';

/** A half-life so long that strain does not fall during a visit, minutes. */
export const NO_RECOVERY_MINUTES = 1e13;

/** A problem in which nothing but what a special case is about can matter. */
export function plainProblem(steps: readonly Partial<SolverStep>[], change: Partial<PlanProblem> = {}): PlanProblem {
  return {
    steps: steps.map((s, i) => ({
      id: `s${String(i + 1).padStart(2, '0')}`,
      tier: 'welfare',
      worth: 1,
      minutes: 5,
      ratePerMinute: 0,
      post: 'table',
      standing: false,
      ...s,
    })),
    order: [],
    startStrain: 0,
    halfLifeMinutes: 6,
    fatiguePerMinute: 0,
    continuousStandingMinutes: Infinity,
    totalStandingMinutes: Infinity,
    workMinutes: Infinity,
    sessionMinutes: Infinity,
    startPost: 'table',
    startStandingMinutes: 0,
    ...change,
  };
}

/** Chains of steps, numbered from 1: each before the next. */
export function chainRules(chains: readonly (readonly number[])[], kind: OrderKind = 'before'): OrderRule[] {
  const id = (n: number): string => `s${String(n).padStart(2, '0')}`;
  return chains.flatMap((chain) =>
    chain.slice(1).map((then, i) => ({ first: id(chain[i] ?? 0), then: id(then), kind, rule: 'order.mats_before_bath' as const })),
  );
}

/**
 * Jobs with weights as steps that leave strain: without recovery step i leaves its points on all the time after it, so the dose is
 * least when Σ points · (end − completion) is. Read backwards in time that is the weighted sum of completion times of the jobs.
 * @param points strain that a weight of 1 leaves; small, so that no ceiling is met
 */
export function weightedJobs(
  weights: readonly number[],
  minutes: readonly number[],
  chains: readonly (readonly number[])[],
  points = 0.1,
): PlanProblem {
  return plainProblem(
    weights.map((w, i) => ({ minutes: minutes[i] ?? 1, ratePerMinute: (w * points) / (minutes[i] ?? 1) })),
    { order: chainRules(chains.map((c) => [...c].reverse())), startStrain: 26, halfLifeMinutes: NO_RECOVERY_MINUTES },
  );
}

/** Σ w·C of jobs done in the reverse of the order that the steps are in. */
export function weightedCompletion(weights: readonly number[], minutes: readonly number[], stepOrder: readonly number[]): number {
  let at = 0;
  let sum = 0;
  for (const job of [...stepOrder].reverse()) {
    at += minutes[job] ?? 0;
    sum += (weights[job] ?? 0) * at;
  }
  return sum;
}
