import type { Condition, Mood, SignalId, StrainBand } from '../words/index.js';
import { bandOf } from './bands.js';
import { goesOnFrom } from './goes-on.js';
import { FINE } from './grid.js';
import { MODEL_TIERS, STEP_MINUTES } from './process.js';
import { NOT_OBSERVED_AFTER_MINUTES, RunningMeter } from './running-meter.js';
import { SIGNALS } from './signals.js';
import type { StrainEntry, WatchedVisit } from './watched-visit.js';

export interface MeasuredPoint {
  readonly minute: number;
  readonly strain: number;
  /** Between which points strain lies in nine of ten. */
  readonly range90: readonly [number, number];
}

export interface MeasuredStrain {
  /** The middle of what is believed, points, and between which points strain lies in nine of ten. */
  readonly strain: number;
  readonly range90: readonly [number, number];
  /** The number's band, or one that holds: a hard sign set it, or it was reached and no good sign has come since. */
  readonly band: StrainBand;
  /** The number alone would say a lower band; minutes without a good sign lower none. */
  readonly bandHolds: boolean;
  /** Rising or hard signs have ceased without a good sign: it may be calm, or have given up. */
  readonly unclear: boolean;
  readonly peak: number;
  readonly points: readonly MeasuredPoint[];
  /** Hard signs and body alarms seen so far, in order. */
  readonly hardSigns: readonly SignalId[];
  /** What the last look said, when one was entered. */
  readonly lastLook: Mood | undefined;
  /** Minutes since anything was entered; the meter asks when this passes {@link NOT_OBSERVED_AFTER_MINUTES}. */
  readonly minutesUnobserved: number;
  readonly observed: boolean;
}

/** What has been gone through so far. */
interface Reading {
  readonly visit: WatchedVisit;
  readonly meter: RunningMeter;
  readonly minute: number;
  /** Entries that were taken in. */
  readonly taken: number;
  /** The stretch of work that was last gone through. */
  readonly stretch: number | undefined;
  readonly peak: number;
  /** Grows with the reading. */
  readonly points: MeasuredPoint[];
  readonly hardSigns: readonly SignalId[];
  readonly lastLook: Mood | undefined;
}

/**
 * A meter that stands where it was last read, so that a tap costs only what came since. What it says depends on the visit alone: where
 * something came in late, it goes through the whole visit again.
 */
export class StandingMeter {
  private reading: Reading | undefined;

  /**
   * Measured strain at a moment.
   * @param now minute for which the meter is read
   */
  read(visit: WatchedVisit, now: number): MeasuredStrain {
    const kept = this.reading;
    let reading = kept && goesOnFrom(kept, visit, now) ? { ...kept, visit } : firstReading(visit);
    while (reading.minute + STEP_MINUTES <= now) reading = overOneStep(reading);
    this.reading = reading;
    // What was entered since the last whole step counts at once.
    const latest = takeUntil({ ...reading, meter: reading.meter.copy(), points: [...reading.points] }, (minute) => minute <= now);
    const { meter, peak, points, hardSigns, lastLook } = latest;
    const { strain, range90 } = meter;
    const { band } = meter;
    const minutesUnobserved = meter.minutesUnobserved(now);
    return {
      strain,
      range90,
      band,
      bandHolds: band !== bandOf(strain),
      unclear: meter.isUnclear(now),
      peak: Math.max(peak, strain),
      points: [...points, { minute: Math.max(now, reading.minute), strain, range90 }],
      hardSigns,
      lastLook,
      minutesUnobserved,
      observed: minutesUnobserved <= NOT_OBSERVED_AFTER_MINUTES,
    };
  }
}

/** Measured strain at a moment, read once. See {@link StandingMeter.read}. */
export function measureStrain(visit: WatchedVisit, now: number): MeasuredStrain {
  return new StandingMeter().read(visit, now);
}

function firstReading(visit: WatchedVisit): Reading {
  const meter = new RunningMeter(visit.start, visit.halfLifeMinutes, FINE);
  const { strain, range90 } = meter;
  return {
    visit,
    meter,
    minute: 0,
    taken: 0,
    stretch: undefined,
    peak: strain,
    points: [{ minute: 0, strain, range90 }],
    hardSigns: [],
    lastLook: undefined,
  };
}

function overOneStep(reading: Reading): Reading {
  const { visit, meter } = reading;
  const to = reading.minute + STEP_MINUTES;
  const middle = to - STEP_MINUTES / 2;
  const at = visit.stretches.findIndex((s) => s.fromMinute <= middle && middle < (s.toMinute ?? Infinity));
  if (at !== -1 && reading.stretch !== undefined && at !== reading.stretch) meter.change();
  meter.step(visit.stretches[at]?.ratePerMinute ?? 0, to, STEP_MINUTES);
  const moved = { ...withPoint(reading, to), minute: to, stretch: at === -1 ? reading.stretch : at };
  return takeUntil(moved, (minute) => minute < to);
}

function takeUntil(reading: Reading, isOver: (minute: number) => boolean): Reading {
  const { entries } = reading.visit;
  let now = reading;
  for (let entry = entries[now.taken]; entry && isOver(entry.minute); entry = entries[now.taken]) now = take(now, entry);
  return now;
}

function take(reading: Reading, entry: StrainEntry): Reading {
  const { meter, visit } = reading;
  const { minute } = entry;
  let { hardSigns, lastLook } = reading;
  if (entry.kind === 'break_started') meter.startBreak(minute);
  else if (entry.kind === 'break_ended') meter.endBreak(minute);
  else if (entry.kind === 'state_seen') {
    meter.look(entry.mood, minute);
    lastLook = entry.mood;
  } else if (visit.uncounted?.includes(entry.signal)) meter.noticed(minute);
  else {
    const { tier, sets } = SIGNALS[entry.signal];
    // Any second hard sign counts as the second time: a growl after a freeze is not a first warning.
    const set = sets && (hardSigns.length > 0 ? sets[1] : sets[0]);
    const counts = MODEL_TIERS.find((t) => t === tier);
    if (counts || set) meter.see(counts, set, minute);
    else meter.noticed(minute);
    if (sets) hardSigns = [...hardSigns, entry.signal];
  }
  return { ...withPoint(reading, minute), taken: reading.taken + 1, hardSigns, lastLook };
}

function withPoint(reading: Reading, minute: number): Reading {
  const { strain, range90 } = reading.meter;
  // What was entered within a step is taken in at its end: the curve never goes back in time.
  reading.points.push({ minute: Math.max(minute, reading.points.at(-1)?.minute ?? 0), strain, range90 });
  return { ...reading, peak: Math.max(reading.peak, strain) };
}

/** Signals that mean nothing on a dog with these conditions. `uncountedSignals(['incontinent']) // => ['soiling']` */
export function uncountedSignals(conditions: readonly Condition[]): SignalId[] {
  return conditions.includes('incontinent') ? ['soiling'] : [];
}
