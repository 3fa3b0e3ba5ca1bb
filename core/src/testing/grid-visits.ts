import { type PlanProblem, planVisit } from '../plan/index.js';
import { SLOT_MINUTES } from './highs-grid-model.js';
import { recordedVisits } from './recorded-visits.js';

/** A visit as it fits into a time grid. */
export interface GridVisit {
  readonly dog: string;
  readonly problem: PlanProblem;
}

/** Slots of rest beside the work, and slots of a visit at most: the other solver's time doubles with every few of them. */
const REST_SLOTS = 4;
const SLOTS_AT_MOST = 12;

/**
 * The hardest steps of the demo's visits, all of them to be done, with their own rates, rules, standing limits and start: work rounded to one slot
 * or two, at one place, without tiredness.
 * @param steps how many of each visit
 */
export function gridVisits(steps: number): GridVisit[] {
  return recordedVisits().flatMap(({ dog, input }) => {
    const visit = planVisit({ ...input, way: 'with_risk' }, { labels: 2000 });
    return visit ? [{ dog, problem: inGrid(visit.problem, steps) }] : [];
  });
}

function inGrid(problem: PlanProblem, count: number): PlanProblem {
  const strainOf = (s: PlanProblem['steps'][number]): number => s.ratePerMinute * s.minutes;
  const steps = problem.steps
    .filter((s) => s.tier !== 'looks')
    .sort((a, b) => strainOf(b) - strainOf(a))
    .slice(0, count)
    .map(({ id, ratePerMinute, standing, minutes }) => ({
      id,
      ratePerMinute,
      standing,
      minutes: minutes > 1.2 * SLOT_MINUTES ? 2 * SLOT_MINUTES : SLOT_MINUTES,
      tier: 'welfare' as const,
      worth: 1,
      post: 'table' as const,
    }));
  const has = new Set(steps.map((s) => s.id));
  const work = steps.reduce((sum, s) => sum + s.minutes, 0);
  return {
    steps,
    order: problem.order.filter((r) => has.has(r.first) && has.has(r.then)).map((r) => ({ ...r, kind: 'before' })),
    required: steps.map((s) => s.id),
    startStrain: problem.startStrain,
    // A dog that comes down within a slot leaves nothing to weigh.
    halfLifeMinutes: Math.max(2 * SLOT_MINUTES, problem.halfLifeMinutes),
    fatiguePerMinute: 0,
    continuousStandingMinutes: Math.max(2, Math.floor(problem.continuousStandingMinutes / SLOT_MINUTES)) * SLOT_MINUTES,
    totalStandingMinutes: Infinity,
    workMinutes: Infinity,
    sessionMinutes: Math.min(SLOTS_AT_MOST * SLOT_MINUTES, work + REST_SLOTS * SLOT_MINUTES),
    startPost: 'table',
    startStandingMinutes: 0,
  };
}
