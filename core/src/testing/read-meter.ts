import { measureStrain, type MeasuredStrain, type StrainEntry, type WatchedVisit } from '../strain/index.js';
import type { Mood, SignalId } from '../words/index.js';

export const sign = (minute: number, signal: SignalId): StrainEntry => ({ kind: 'signal', minute, signal });
export const looks = (minute: number, mood: Mood): StrainEntry => ({ kind: 'state_seen', minute, mood });
export const rest = (minute: number): StrainEntry => ({ kind: 'break_started', minute });
export const goOn = (minute: number): StrainEntry => ({ kind: 'break_ended', minute });

export interface MeterCase {
  readonly start?: number;
  readonly ratePerMinute?: number;
  readonly uncounted?: readonly SignalId[];
}

/** A visit of one kind of work, half-life 6 min; the dog comes settled when nothing is said. */
export function visitOf(entries: readonly StrainEntry[], { start = 8, ratePerMinute = 1, uncounted }: MeterCase = {}): WatchedVisit {
  const stretches = [{ fromMinute: 0, toMinute: undefined, ratePerMinute }];
  return { entries, stretches, start, halfLifeMinutes: 6, ...(uncounted ? { uncounted } : {}) };
}

/** The meter of such a visit at a minute. */
export function readMeter(entries: readonly StrainEntry[], now: number, of: MeterCase = {}): MeasuredStrain {
  return measureStrain(visitOf(entries, of), now);
}
