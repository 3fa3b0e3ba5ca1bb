import { StandingMeter, WATCH_AT } from '../strain/index.js';
import { plannedBreakAt } from './planned-break.js';
import type { VisitState } from './state.js';
import { watchedVisitOf } from './watched-visit.js';

/** A break that is going on: how long it is to be, and how far it is. */
export interface BreakNow {
  /** Minutes from its beginning until it has done its work. */
  readonly minutes: number;
  /** What is left of them, seconds; 0 when it has. */
  readonly leftSeconds: number;
  /** The plan's, or until strain has come down as far as the meter expects. */
  readonly of: 'plan' | 'strain';
}

/** No break is told to be over sooner, or to need longer, minutes. Our defaults: a dog that shakes off needs some, and after fifteen one looks instead. */
const LEAST_MINUTES = 3;
const MOST_MINUTES = 15;

/**
 * How far the break is that goes on: what the plan owes at its beginning, and where it owes nothing, until strain has come down to where watching
 * begins, by the half-life that the meter has for this dog.
 * @param nowMs the moment, Unix ms
 * @param length where it is known already
 * @returns `undefined` outside a break
 */
export function breakNow(state: VisitState, nowMs: number, length = breakLengthOf(state)): BreakNow | undefined {
  if (!length) return undefined;
  const gone = (Math.max(length.beganMs, nowMs) - length.beganMs) / 1000;
  return { minutes: length.minutes, leftSeconds: Math.max(0, length.minutes * 60 - gone), of: length.of };
}

/** How long the break is to be that goes on: it is known when it begins, and asks the filter once. */
export interface BreakLength {
  readonly beganMs: number;
  readonly minutes: number;
  readonly of: BreakNow['of'];
}
export function breakLengthOf(state: VisitState): BreakLength | undefined {
  const { work } = state;
  const beganMs = work?.onBreakSinceMs;
  if (!work || beganMs === undefined || state.ended) return undefined;
  const owed = plannedBreakAt(state, beganMs);
  const minutes = owed ? owed.minutes - owed.rested : untilSettling(state, (beganMs - work.startedMs) / 60_000);
  return { beganMs, minutes, of: owed ? 'plan' : 'strain' };
}

/** Minutes that strain takes from one minute of the visit to where watching begins. */
function untilSettling(state: VisitState, from: number): number {
  const visit = watchedVisitOf(state);
  if (!visit) return LEAST_MINUTES;
  const { strain } = new StandingMeter().read(visit, from);
  const minutes = visit.halfLifeMinutes * Math.log2(Math.max(1, strain / WATCH_AT));
  return Math.min(MOST_MINUTES, Math.max(LEAST_MINUTES, Math.ceil(minutes)));
}
