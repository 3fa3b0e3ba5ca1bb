import { DEFAULT_HALF_LIFE_MINUTES, type WatchedVisit } from '../strain/index.js';
import { type Activity, activityOf, type StepId } from '../words/index.js';
import type { VisitState } from './state.js';

/** Points a minute that the plan expects of a step. */
export function plannedRate(state: VisitState, step: StepId): number {
  return state.plan?.steps.find((s) => s.id === step)?.ratePerMinute ?? 0;
}

/** A visit as the model of strain reads it; `undefined` before the work has begun. */
export function watchedVisitOf(state: VisitState): WatchedVisit<Activity> | undefined {
  const { work, plan } = state;
  if (!work) return undefined;
  return {
    entries: work.strain,
    stretches: work.runs.map((r) => ({
      fromMinute: r.fromMinute,
      toMinute: r.toMinute,
      ratePerMinute: plannedRate(state, r.step),
      lastingPerMinute: plan?.steps.find((s) => s.id === r.step)?.lastingPerMinute,
      work: activityOf(r.step),
    })),
    start: plan?.startStrain ?? 0,
    halfLifeMinutes: plan?.halfLifeLikely ?? plan?.halfLifeMinutes ?? DEFAULT_HALF_LIFE_MINUTES,
    uncounted: plan?.uncounted ?? [],
  };
}
