import { Z95 } from './intervals.js';

/** A time that was watched, and whether the event ended it; `false`: censored, it was still well when the watching ended. */
export interface Spell {
  /** ≥ 0. */
  readonly time: number;
  readonly event: boolean;
}

export interface SurvivalStep {
  readonly time: number;
  readonly atRisk: number;
  readonly events: number;
  /** Share still well after this time, 0 to 1. */
  readonly survival: number;
  /** Greenwood's standard error; `NaN` when nobody is left. */
  readonly standardError: number;
  /** 95 % limits on the log-log scale, which stay within 0 and 1; `NaN` when nobody is left. */
  readonly low: number;
  readonly high: number;
}

/**
 * Kaplan–Meier estimate (JASA 1958, 53:457–481) with Greenwood's error and log-log limits. A spell censored at a time counts as
 * at risk at that time.
 * @returns one step for each time with an event, in order
 * @throws RangeError for a negative time
 * @example kaplanMeier([{ time: 1, event: true }, { time: 2, event: false }])[0].survival // => 0.5
 */
export function kaplanMeier(spells: readonly Spell[]): SurvivalStep[] {
  const bad = spells.find((s) => !(s.time >= 0));
  if (bad) throw new RangeError(`kaplanMeier: a time of ${bad.time}`);
  const times = [...new Set(spells.filter((s) => s.event).map((s) => s.time))].sort((a, b) => a - b);
  let survival = 1;
  let greenwood = 0;
  return times.map((time) => {
    const atRisk = spells.filter((s) => s.time >= time).length;
    const events = spells.filter((s) => s.event && s.time === time).length;
    survival = atRisk === events ? 0 : survival * (1 - events / atRisk);
    greenwood += events / (atRisk * (atRisk - events));
    if (survival === 0) return { time, atRisk, events, survival, standardError: NaN, low: NaN, high: NaN };
    const spread = (Z95 * Math.sqrt(greenwood)) / Math.abs(Math.log(survival));
    return {
      time,
      atRisk,
      events,
      survival,
      standardError: survival * Math.sqrt(greenwood),
      low: survival ** Math.exp(spread),
      high: survival ** Math.exp(-spread),
    };
  });
}

/** Share still well after some time. `survivalAt([], 5) // => 1` */
export function survivalAt(steps: readonly SurvivalStep[], time: number): number {
  return steps.reduce((s, step) => (step.time <= time ? step.survival : s), 1);
}

/**
 * Time by which half are no longer well; `undefined` while more than half still are. Where the curve lies on one half exactly, the
 * middle of that stretch, as R's `survfit` has it.
 * @example medianSurvival(kaplanMeier([1, 2, 3, 4].map((time) => ({ time, event: true })))) // => 2.5
 */
export function medianSurvival(steps: readonly SurvivalStep[]): number | undefined {
  const ROUNDING = 1e-12;
  const at = steps.findIndex((s) => s.survival <= 0.5 + ROUNDING);
  const step = steps[at];
  if (!step) return undefined;
  const next = steps[at + 1];
  return Math.abs(step.survival - 0.5) <= ROUNDING && next ? (step.time + next.time) / 2 : step.time;
}

/** Area under the curve up to a time: the mean time well, as far as it was watched. `restrictedMean([], 10) // => 10` */
export function restrictedMean(steps: readonly SurvivalStep[], until: number): number {
  let area = 0;
  let from = 0;
  let survival = 1;
  for (const step of steps) {
    if (step.time >= until) break;
    area += survival * (step.time - from);
    from = step.time;
    survival = step.survival;
  }
  return area + survival * (until - from);
}
