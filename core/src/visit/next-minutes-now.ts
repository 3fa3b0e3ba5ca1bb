import { type NextMinutes, nextMinutes, StrainFilter } from '../strain/index.js';
import type { StepId } from '../words/index.js';
import type { VisitState } from './state.js';

/**
 * What the next minutes may bring while hands work on the dog.
 * @param nowMs wall clock
 * @returns `undefined` in a break, between two steps, before the work and after it: nothing goes on that could be changed
 */
export function nextMinutesNow(state: VisitState, nowMs: number): NextMinutes | undefined {
  const { work, plan } = state;
  if (!work?.running || !plan || state.ended || work.onBreakSinceMs !== undefined) return undefined;
  const rateOf = (step: StepId): number => plan.steps.find((s) => s.id === step)?.ratePerMinute ?? 0;
  const next = plan.steps.find((s) => s.id !== work.running && work.steps.get(s.id) === undefined);
  const halfLifeMinutes = plan.halfLifeMinutes;
  const filter = new StrainFilter({
    entries: work.strain,
    stretches: work.runs.map((r) => ({ fromMinute: r.fromMinute, toMinute: r.toMinute, ratePerMinute: rateOf(r.step) })),
    start: plan.startStrain,
    halfLifeMinutes,
    uncounted: plan.uncounted ?? [],
  });
  const belief = filter.at((Math.max(work.clockMs, nowMs) - work.startedMs) / 60_000);
  return nextMinutes(belief, rateOf(work.running), next?.ratePerMinute, halfLifeMinutes);
}
