import type { Condition, Mood, SignalId, StrainBand } from '../words/index.js';
import { bandOf, PAUSE_AT, STOP_AT, STRAIN_MAX, worseBand } from './bands.js';
import { isCalmState, readCalmState } from './calm-states.js';
import { recoveryPerMinute, strainAfter } from './curve.js';
import { SIGNALS } from './signals.js';

/** After this many minutes of work without any entry the meter says "not observed". Our default. */
export const NOT_OBSERVED_AFTER_MINUTES = 5;

/** What the meter reads, in order of time. Minutes count from the start of the work. */
export type StrainEntry =
  | { readonly kind: 'signal'; readonly minute: number; readonly signal: SignalId }
  | { readonly kind: 'break_started'; readonly minute: number }
  | { readonly kind: 'break_ended'; readonly minute: number }
  /** Somebody looked and said how the dog is. */
  | { readonly kind: 'state_seen'; readonly minute: number; readonly mood: Mood };

export interface MeasuredPoint {
  readonly minute: number;
  readonly strain: number;
}

export interface MeasuredStrain {
  readonly strain: number;
  /** The number's band, or the band a hard sign has set. */
  readonly band: StrainBand;
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

/**
 * Measured strain at a moment. Signals add points at once. It falls only in a break or after a good sign: silence is not calm.
 * A hard sign holds its band until a break or for good (stop).
 * @param entries in order of time
 * @param start points at the start of the work
 * @param now minute for which the meter is read
 * @param uncounted signals that mean nothing on this dog: soiling, when it is incontinent
 */
export function measureStrain(
  entries: readonly StrainEntry[],
  start: number,
  halfLifeMinutes: number,
  now: number,
  uncounted: readonly SignalId[] = [],
): MeasuredStrain {
  const k = recoveryPerMinute(halfLifeMinutes);
  let strain = start;
  let peak = start;
  let since = 0;
  let resting = false;
  let lastEntry = 0;
  let forced: StrainBand = 'settled';
  let looksLike: StrainBand = 'settled';
  let lastLook: Mood | undefined;
  const seen = new Map<SignalId, number>();
  const hardSigns: SignalId[] = [];
  const points: MeasuredPoint[] = [{ minute: 0, strain: start }];
  const moveTo = (minute: number): void => {
    if (resting && minute > since) {
      for (let m = since + 0.5; m < minute; m += 0.5) points.push({ minute: m, strain: strainAfter(strain, 0, m - since, k) });
      strain = strainAfter(strain, 0, minute - since, k);
    }
    since = Math.max(since, minute);
    points.push({ minute: since, strain });
  };
  for (const entry of entries) {
    if (entry.minute > now) break;
    moveTo(entry.minute);
    lastEntry = entry.minute;
    if (entry.kind === 'break_started') resting = true;
    else if (entry.kind === 'break_ended') {
      resting = false;
      if (forced === 'pause') forced = 'settled';
    } else if (entry.kind === 'state_seen') {
      const calm = isCalmState(entry.mood) ? readCalmState(entry.mood) : undefined;
      looksLike = calm?.bandAtLeast ?? 'settled';
      lastLook = entry.mood;
      // A relaxed dog is an observed good sign; still, tired out and shut down say nothing that lowers strain.
      if (entry.mood === 'relaxed') strain = Math.max(0, strain + SIGNALS.soft_body.points);
      points.push({ minute: since, strain });
    } else if (!uncounted.includes(entry.signal)) {
      const facts = SIGNALS[entry.signal];
      const times = (seen.get(entry.signal) ?? 0) + 1;
      seen.set(entry.signal, times);
      strain = Math.min(STRAIN_MAX, Math.max(0, strain + facts.points));
      if (facts.sets) {
        hardSigns.push(entry.signal);
        // Any second hard sign counts as the second time: a growl after a freeze is not a first warning.
        const set = hardSigns.length > 1 ? facts.sets[1] : facts.sets[0];
        forced = worseBand(forced, set);
        strain = Math.max(strain, set === 'stop' ? STOP_AT : PAUSE_AT);
      }
      points.push({ minute: since, strain });
    }
    peak = Math.max(peak, strain);
  }
  moveTo(Math.max(now, since));
  const minutesUnobserved = resting ? 0 : Math.max(0, now - lastEntry);
  return {
    strain,
    band: worseBand(worseBand(bandOf(strain), forced), looksLike),
    peak,
    points,
    hardSigns,
    lastLook,
    minutesUnobserved,
    observed: minutesUnobserved <= NOT_OBSERVED_AFTER_MINUTES,
  };
}

/** Signals that mean nothing on a dog with these conditions. `uncountedSignals(['incontinent']) // => ['soiling']` */
export function uncountedSignals(conditions: readonly Condition[]): SignalId[] {
  return conditions.includes('incontinent') ? ['soiling'] : [];
}
