import type { PlanProblem, SolverStep } from '../plan/index.js';

/** A step of moderate work on the table, and what differs. */
export function aStep(id: string, change: Partial<SolverStep> = {}): SolverStep {
  return { id, tier: 'asked', worth: 1, minutes: 6, ratePerMinute: 2, post: 'table', standing: true, ...change };
}

/** A problem with time enough for a dog that tires a little, and what differs. */
export function aProblem(change: Partial<PlanProblem> = {}): PlanProblem {
  return {
    steps: [],
    order: [],
    startStrain: 10,
    halfLifeMinutes: 6,
    fatiguePerMinute: 0.004,
    continuousStandingMinutes: 20,
    totalStandingMinutes: 200,
    workMinutes: Infinity,
    sessionMinutes: 200,
    startPost: 'table',
    startStandingMinutes: 0,
    ...change,
  };
}
