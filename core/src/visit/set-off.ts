import { SIGNALS } from '../strain/index.js';
import { type Activity, activityOf } from '../words/index.js';
import type { VisitState } from './state.js';

/** Signs that something set it off: rising and hard ones. */
const SETS_OFF: readonly string[] = ['rising', 'hard', 'body_alarm'];

/** Kinds of work in which rising or hard signs were seen, the most points first; signs of another cause do not count. */
export function setOffIn(state: VisitState): Activity[] {
  const points = new Map<Activity, number>();
  for (const sign of state.work?.signs ?? []) {
    if (!sign.step || !SETS_OFF.includes(SIGNALS[sign.signal].tier) || (sign.cause ?? 'strain') !== 'strain') continue;
    const work = activityOf(sign.step.step);
    points.set(work, (points.get(work) ?? 0) + sign.points);
  }
  return [...points].sort((a, b) => b[1] - a[1]).map(([work]) => work);
}

/** Minutes of the shortest break at whose end it was seen to be calmer; `null` where none was watched to its good end. */
export function calmedMinutesIn(state: VisitState): number | null {
  const ends: number[] = [];
  let begun: number | undefined;
  let good = false;
  for (const e of state.work?.strain ?? []) {
    if (e.kind === 'break_started') [begun, good] = [e.minute, false];
    else if (e.kind === 'signal' && begun !== undefined && SIGNALS[e.signal].tier === 'good') good = true;
    else if (e.kind === 'break_ended' && begun !== undefined) {
      if (good) ends.push(e.minute - begun);
      begun = undefined;
    }
  }
  return ends.length > 0 ? Math.round(Math.min(...ends)) : null;
}
