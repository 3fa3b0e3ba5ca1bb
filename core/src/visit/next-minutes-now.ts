import { type NextMinutes, nextMinutes, StandingFilter } from '../strain/index.js';
import type { VisitState } from './state.js';
import { plannedRate, watchedVisitOf } from './watched-visit.js';

/**
 * What the next minutes may bring while hands work on the dog.
 * @param nowMs wall clock
 * @param filter one that stands where it was last asked, where the same visit is asked about again and again
 * @returns `undefined` in a break, between two steps, before the work and after it: nothing goes on that could be changed
 */
export function nextMinutesNow(state: VisitState, nowMs: number, filter = new StandingFilter()): NextMinutes | undefined {
  const { work, plan } = state;
  const visit = watchedVisitOf(state);
  if (!work?.running || !visit || !plan || state.ended || work.onBreakSinceMs !== undefined) return undefined;
  const next = plan.steps.find((s) => s.id !== work.running && work.steps.get(s.id) === undefined);
  const belief = filter.at(visit, (Math.max(work.clockMs, nowMs) - work.startedMs) / 60_000);
  return nextMinutes(belief, plannedRate(state, work.running), next?.ratePerMinute, visit.halfLifeMinutes);
}
