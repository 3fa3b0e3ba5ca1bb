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
  const fatigue = plan?.fatiguePerMinute ?? 0;
  // Tired dogs get worse: the plan counts with it, so what comes late is held against more.
  let worked = 0;
  const tiredBy = ({ fromMinute, toMinute }: (typeof work.runs)[number]): number => {
    const minutes = (toMinute ?? fromMinute) - fromMinute;
    const times = 1 + fatigue * (worked + minutes / 2);
    worked += minutes;
    return times;
  };
  return {
    entries: work.strain,
    stretches: work.runs.map((r) => ({
      fromMinute: r.fromMinute,
      toMinute: r.toMinute,
      ratePerMinute: plannedRate(state, r.step) * tiredBy(r),
      lastingPerMinute: plan?.steps.find((s) => s.id === r.step)?.lastingPerMinute,
      kindPerMinute: plan?.steps.find((s) => s.id === r.step)?.kindPerMinute,
      work: activityOf(r.step),
    })),
    start: plan?.startStrain ?? 0,
    halfLifeMinutes: plan?.halfLifeLikely ?? plan?.halfLifeMinutes ?? DEFAULT_HALF_LIFE_MINUTES,
    uncounted: plan?.uncounted ?? [],
  };
}
