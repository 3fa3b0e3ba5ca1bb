import type { StandingLimits } from '../knowledge/dogs/index.js';
import { HOLDS } from '../knowledge/holds/index.js';
import type { HoldId, IncidentKind } from '../words/index.js';
import { standingSince, standsIn } from './stands.js';
import type { IncidentRecord, VisitState } from './state.js';
import { heldNow } from './work-clock.js';

/** One hold that presses on the dog, against the longest stretch it may have. */
export interface HoldClock {
  readonly hold: HoldId;
  readonly seconds: number;
  /** The longest stretch, seconds: `HOLDS`, where common practice names one. */
  readonly capSeconds: number;
  readonly over: boolean;
}

/** How long the dog has been on its feet without a rest, against what it can. */
export interface StandingClock {
  readonly minutes: number;
  readonly limitMinutes: number;
  readonly over: boolean;
  /** Seen with this dog, or a guess until it is. */
  readonly known: StandingLimits['known'];
}

/** Pressure on a wound: unbroken for so long, and how often it was begun. */
export interface PressureClock {
  readonly incident: IncidentRecord;
  readonly leftSeconds: number;
  /** It has had its time: one looks. */
  readonly over: boolean;
}

/** Wounds are pressed on without a break for so long, minutes. Handbook 12; common practice, no source. */
export const PRESS_MINUTES = 5;
/** For so long after its time is over it is asked about, minutes. Our default. */
const ASKED_MINUTES = 10;
/** What bleeds, and is pressed on with clean gauze. */
export const PRESSED: readonly IncidentKind[] = ['nick', 'laceration', 'ear_edge_cut', 'quicked_nail', 'tongue_or_lip_cut'];

/**
 * Stretches of the holds in hand at a moment.
 * @param nowMs Unix ms
 */
export function holdClocks(state: VisitState, nowMs: number): HoldClock[] {
  const { work } = state;
  if (!work || state.ended) return [];
  const more = Math.max(0, nowMs - work.clockMs) / 1000;
  return heldNow(work).map((hold) => {
    const seconds = (work.holdStretch.get(hold) ?? 0) + more;
    const capSeconds = HOLDS[hold].capMinutes * 60;
    return { hold, seconds, capSeconds, over: seconds > capSeconds };
  });
}

/**
 * How long the dog has stood without a rest.
 * @param nowMs Unix ms
 * @returns `undefined` while it does not stand
 */
export function standingClock(state: VisitState, limits: StandingLimits, nowMs: number): StandingClock | undefined {
  const { work } = state;
  if (!work?.running || work.onBreakSinceMs !== undefined || state.ended || !standsIn(state, work.running)) return undefined;
  const minutes = standingSince(state, (Math.max(work.clockMs, nowMs) - work.startedMs) / 60_000);
  return { minutes, limitMinutes: limits.continuousMinutes, over: minutes > limits.continuousMinutes, known: limits.known };
}

/**
 * Pressure on the latest wound that bleeds.
 * @param nowMs Unix ms
 * @returns `undefined` where nothing bleeds, or some time after it has had its time
 */
export function pressureClock(state: VisitState, nowMs: number): PressureClock | undefined {
  const incident = state.incidents.filter((i) => PRESSED.includes(i.kind) && i.harm !== 'none').at(-1);
  if (!incident || state.ended) return undefined;
  const gone = Math.max(0, nowMs - incident.atMs) / 1000;
  const left = PRESS_MINUTES * 60 - gone;
  if (left < -ASKED_MINUTES * 60) return undefined;
  return { incident, leftSeconds: Math.max(0, left), over: left <= 0 };
}
