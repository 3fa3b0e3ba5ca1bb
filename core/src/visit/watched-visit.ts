import { DEFAULT_HALF_LIFE_MINUTES, type WatchedVisit } from '../strain/index.js';
import { type Activity, activityOf, type StepId } from '../words/index.js';
import type { VisitState } from './state.js';

/** Points a minute that the plan expects of a step. */
export function plannedRate(state: VisitState, step: StepId): number {
  return state.plan?.steps.find((s) => s.id === step)?.ratePerMinute ?? 0;
}

/** The same as far as something is learned of it: a sign that was not surely of strain says only that somebody looked. */
export function learnedVisitOf(state: VisitState): WatchedVisit<Activity> | undefined {
  const visit = watchedVisitOf(state);
  return (
    visit && {
      ...visit,
      entries: visit.entries.map((e) =>
        e.kind === 'signal' && e.teachesNothing === true ? { kind: 'state_seen', minute: e.minute, mood: 'still' } : e,
      ),
    }
  );
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
