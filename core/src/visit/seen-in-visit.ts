import {
  type BreakSeen,
  DEFAULT_HALF_LIFE_MINUTES,
  isCalmState,
  type MeasuredPoint,
  measureStrain,
  MOOD_START,
  WATCH_AT,
  type WatchSpell,
} from '../strain/index.js';
import { type Activity, activityOf } from '../words/index.js';
import type { VisitState } from './state.js';

/**
 * Breaks of a visit in which somebody looked and said how the dog is: what recovery is learned from. The strain after is what such a
 * look stands for on the table, never the meter's own fall, which would only learn what it presumed.
 */
export function breaksOf(state: VisitState): BreakSeen[] {
  const entries = state.work?.strain ?? [];
  const start = state.plan?.startStrain ?? 0;
  const halfLife = state.plan?.halfLifeMinutes ?? DEFAULT_HALF_LIFE_MINUTES;
  const out: BreakSeen[] = [];
  let begun: { minute: number; strain: number } | undefined;
  let seen: BreakSeen | undefined;
  for (const entry of entries) {
    if (entry.kind === 'break_started') {
      begun = { minute: entry.minute, strain: measureStrain(entries, start, halfLife, entry.minute, state.plan?.uncounted).strain };
      seen = undefined;
    } else if (entry.kind === 'state_seen' && begun) {
      seen = {
        strainBefore: begun.strain,
        minutes: entry.minute - begun.minute,
        strainAfter: MOOD_START[entry.mood],
        state: isCalmState(entry.mood) ? entry.mood : undefined,
      };
    } else if (entry.kind === 'break_ended') {
      if (seen) out.push(seen);
      begun = undefined;
      seen = undefined;
    }
  }
  return out;
}

/**
 * How long each stretch of work stayed below watch. A stretch that began above says nothing about the work and is left out.
 * @param points the measured curve of the whole visit
 */
export function spellsOf(state: VisitState, points: readonly MeasuredPoint[]): WatchSpell<Activity>[] {
  const end = points[points.length - 1]?.minute ?? 0;
  return (state.work?.runs ?? []).flatMap(({ step, fromMinute, toMinute }) => {
    const to = toMinute ?? end;
    const before = [...points].reverse().find((p) => p.minute <= fromMinute);
    if ((before?.strain ?? 0) >= WATCH_AT || to <= fromMinute) return [];
    const risen = points.find((p) => p.minute > fromMinute && p.minute <= to && p.strain >= WATCH_AT);
    return [{ activity: activityOf(step), minutes: (risen?.minute ?? to) - fromMinute, reachedWatch: risen !== undefined }];
  });
}
