import { BLADE_HEAT_DEFAULTS, bladeCelsius, NEVER_ABOVE_CELSIUS, sprayed, SWAP_AT_CELSIUS } from '../knowledge/heat/index.js';
import { type MeasuredStrain, NOT_OBSERVED_AFTER_MINUTES, StandingMeter } from '../strain/index.js';
import { activityOf, type BladeId, type HoldId } from '../words/index.js';
import type { BladeClock, Exposure, VisitState, WorkState } from './state.js';
import { watchedVisitOf } from './watched-visit.js';

/**
 * Moves every running clock of the work to a moment. Time that would run backwards is no time; what strain is learned from is watched time,
 * and nobody is known to watch for longer than {@link NOT_OBSERVED_AFTER_MINUTES} after an entry.
 */
export function runClocks(work: WorkState, toMs: number): void {
  const seconds = Math.max(0, (toMs - work.clockMs) / 1000);
  work.clockMs = Math.max(work.clockMs, toMs);
  if (seconds === 0) return;
  const resting = work.onBreakSinceMs !== undefined;
  if (resting) work.breakSeconds += seconds;
  const step = work.running ? work.steps.get(work.running) : undefined;
  const working = step !== undefined && !resting;
  for (const hold of heldNow(work)) work.holdStretch.set(hold, (work.holdStretch.get(hold) ?? 0) + seconds);
  if (working) {
    step.seconds += seconds;
    for (const hold of [work.hold, ...work.also]) if (hold) work.holdSeconds.set(hold, (work.holdSeconds.get(hold) ?? 0) + seconds);
    const exposure = exposureNow(work);
    if (exposure) exposure.seconds += Math.min(seconds, NOT_OBSERVED_AFTER_MINUTES * 60);
  }
  for (const clock of work.blades.values()) {
    const running = working && clock.blade === work.blade;
    if (running) clock.runSeconds += seconds;
    clock.celsius = bladeCelsius(clock.celsius, seconds, running);
  }
}

/** Holds that press on the dog at this moment: those of the step while hands work, and a muzzle for as long as it is worn. */
export function heldNow(work: WorkState): HoldId[] {
  const working = work.running !== undefined && work.onBreakSinceMs === undefined;
  const held = working ? [work.hold, ...work.also].filter((h) => h !== undefined) : [];
  return work.muzzled && !held.includes('muzzle') ? [...held, 'muzzle'] : held;
}

/** What was let go begins anew when it is taken again. */
export function letGo(work: WorkState): void {
  const held = heldNow(work);
  for (const hold of [...work.holdStretch.keys()]) if (!held.includes(hold)) work.holdStretch.delete(hold);
}

/** The clock of a blade, cold when it was not used yet. */
export function bladeClock(work: WorkState, blade: BladeId): BladeClock {
  const clock = work.blades.get(blade) ?? {
    blade,
    runSeconds: 0,
    celsius: BLADE_HEAT_DEFAULTS.ambientCelsius,
    touched: undefined,
    touchedAtRunSeconds: 0,
  };
  work.blades.set(blade, clock);
  return clock;
}

/** A touch overrules the estimate: warm is at least where blades are swapped, hot is above what skin may meet. */
export function touchBlade(work: WorkState, feels: 'cool' | 'warm' | 'hot'): void {
  if (!work.blade) return;
  work.untouchedSince = undefined;
  const clock = bladeClock(work, work.blade);
  clock.touched = feels;
  clock.touchedAtRunSeconds = clock.runSeconds;
  if (feels === 'cool') clock.celsius = Math.min(clock.celsius, SWAP_AT_CELSIUS - COOL_MARGIN_CELSIUS);
  else clock.celsius = Math.max(clock.celsius, feels === 'warm' ? SWAP_AT_CELSIUS : NEVER_ABOVE_CELSIUS + 1);
}

/** Spray takes half its warmth; how it feels is asked anew. */
export function sprayBlade(work: WorkState): void {
  if (!work.blade) return;
  const clock = bladeClock(work, work.blade);
  clock.celsius = sprayed(clock.celsius);
  clock.touched = undefined;
  work.untouchedSince = 'swap';
}

/** A thermometer takes the place of the estimate, and of what a wrist said before. @param celsius as it was read */
export function measureBlade(work: WorkState, celsius: number): void {
  if (!work.blade) return;
  const clock = bladeClock(work, work.blade);
  clock.celsius = celsius;
  clock.touched = undefined;
  clock.touchedAtRunSeconds = clock.runSeconds;
  work.untouchedSince = undefined;
}

/** A blade that feels cool on the wrist is at most this far below the line, °C. Our default: skin is at about 33 °C. */
const COOL_MARGIN_CELSIUS = 6;

/** Where minutes and points of this moment are counted. */
export function exposureNow(work: WorkState): Exposure | undefined {
  if (!work.running || !work.hold) return undefined;
  const key = `${activityOf(work.running)}|${work.hold}|${work.blade ?? ''}`;
  const found = work.exposure.get(key) ?? { activity: activityOf(work.running), hold: work.hold, blade: work.blade, seconds: 0, points: 0 };
  work.exposure.set(key, found);
  return found;
}

export interface WorkNow {
  readonly minute: number;
  readonly stepSeconds: number;
  readonly breakSeconds: number;
  readonly bladeCelsius: number | undefined;
  readonly bladeRunSeconds: number;
  readonly strain: MeasuredStrain;
}

/**
 * What the clocks show at a moment after the last event: the state itself is not changed.
 * @param meter one that stands where it was last read, where the same visit is read again and again
 * @returns `undefined` before the work has begun
 */
export function workNow(state: VisitState, nowMs: number, meter = new StandingMeter()): WorkNow | undefined {
  const work = state.work;
  const visit = watchedVisitOf(state);
  if (!work || !visit) return undefined;
  const at = Math.max(work.clockMs, work.endedMs ?? nowMs);
  const more = (at - work.clockMs) / 1000;
  const resting = work.onBreakSinceMs !== undefined;
  const step = work.running ? work.steps.get(work.running) : undefined;
  const clock = work.blade ? work.blades.get(work.blade) : undefined;
  const running = step !== undefined && !resting;
  const minute = (at - work.startedMs) / 60_000;
  return {
    minute,
    stepSeconds: (step?.seconds ?? 0) + (running ? more : 0),
    breakSeconds: work.onBreakSinceMs === undefined ? 0 : (at - work.onBreakSinceMs) / 1000,
    bladeCelsius: clock ? bladeCelsius(clock.celsius, more, running) : undefined,
    bladeRunSeconds: (clock?.runSeconds ?? 0) + (running ? more : 0),
    strain: meter.read(visit, minute),
  };
}
