import type { Condition, Mood, SignalId, StrainBand } from '../words/index.js';
import { bandOf, PAUSE_AT, STOP_AT, STRAIN_MAX, worseBand } from './bands.js';
import { isCalmState, readCalmState } from './calm-states.js';
import { recoveryPerMinute, strainAfter } from './curve.js';
import { SIGNALS } from './signals.js';

/** After this many minutes of work without any entry the meter says "not observed". Our default. */
export const NOT_OBSERVED_AFTER_MINUTES = 5;

/**
 * A pause counts as recovery from so many minutes on, with a good sign in it; after a hard sign from the second number on, with the good
 * sign at its end. Common practice, no source.
 */
export const PAUSE_COUNTS_FROM_MINUTES = 2;
export const PAUSE_AFTER_HARD_SIGN_MINUTES = 5;

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
  /** The number's band, or one that holds: a hard sign set it, or it was reached and no good sign has come since. */
  readonly band: StrainBand;
  /** The number alone would say a lower band; minutes without a good sign lower none. */
  readonly bandHolds: boolean;
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
 * Measured strain at a moment. Signals add points at once. The number falls only in a break or after a good sign: silence is not calm.
 * Its band falls only with a good sign, in a break once that is long enough to count. A hard sign holds its band until such a break is
 * over, or for good (stop).
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
  let held: StrainBand = bandOf(start);
  let restingSince = 0;
  let goodInBreak: number | undefined;
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
    if (resting && counts(minute)) held = bandOf(strain);
  };
  /** Whether the break that goes on has done its work by a minute. */
  const counts = (minute: number): boolean => {
    const needed = forced === 'settled' ? PAUSE_COUNTS_FROM_MINUTES : PAUSE_AFTER_HARD_SIGN_MINUTES;
    if (goodInBreak === undefined) return false;
    // After a hard sign the good one stands at the end of those minutes, not at their start.
    return (forced === 'settled' ? minute : goodInBreak) - restingSince >= needed;
  };
  /** A good sign outside a break lowers the band to what the number says then; in one, the minutes must be there as well. */
  const seenGood = (minute: number): void => {
    if (!resting) held = bandOf(strain);
    else {
      goodInBreak = minute;
      if (counts(minute)) held = bandOf(strain);
    }
  };
  for (const entry of entries) {
    if (entry.minute > now) break;
    moveTo(entry.minute);
    lastEntry = entry.minute;
    if (entry.kind === 'break_started') {
      resting = true;
      restingSince = entry.minute;
      goodInBreak = undefined;
    } else if (entry.kind === 'break_ended') {
      if (forced === 'pause' && resting && counts(entry.minute)) {
        forced = 'settled';
        held = bandOf(strain);
      }
      resting = false;
    } else if (entry.kind === 'state_seen') {
      const calm = isCalmState(entry.mood) ? readCalmState(entry.mood) : undefined;
      looksLike = calm?.bandAtLeast ?? 'settled';
      lastLook = entry.mood;
      // A relaxed dog is an observed good sign; still, tired out and shut down say nothing that lowers strain.
      if (entry.mood === 'relaxed') {
        strain = Math.max(0, strain + SIGNALS.soft_body.points);
        seenGood(entry.minute);
      } else if (entry.mood !== 'still') goodInBreak = undefined;
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
      // What speaks against recovery takes back the good sign before it.
      if (facts.points > 0) goodInBreak = undefined;
      if (facts.tier === 'good') seenGood(entry.minute);
      points.push({ minute: since, strain });
    }
    peak = Math.max(peak, strain);
    held = worseBand(held, bandOf(strain));
  }
  moveTo(Math.max(now, since));
  const minutesUnobserved = resting ? 0 : Math.max(0, now - lastEntry);
  const band = worseBand(worseBand(worseBand(bandOf(strain), held), forced), looksLike);
  return {
    strain,
    band,
    bandHolds: band !== bandOf(strain),
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
