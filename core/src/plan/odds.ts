import { randomGamma, randomLcg, randomNormal } from 'd3-random';
import { PAUSE_AT, recoveryPerMinute, STOP_AT } from '../strain/index.js';
import { changeMinutes, type ChosenStep, partsOf, type PlanProblem, type Station } from './model.js';

/** How sure a step's numbers are. */
export interface StepSpread {
  /** Shape of the gamma distribution of its rate; the mean is the rate of the problem. */
  readonly rateShape: number;
  /** Standard deviation of the logarithm of its minutes; the mean of the logarithm is that of the problem's minutes. */
  readonly minutesSpread: number;
}

export interface OddsQuestion {
  readonly problem: PlanProblem;
  readonly chosen: readonly ChosenStep[];
  /** One for each step of the problem. */
  readonly spreads: readonly StepSpread[];
  /** Visits drawn. */
  readonly visits?: number;
  /** The same seed draws the same visits. */
  readonly seed?: number;
  /** Standard deviation of the logarithm of what the day does to all rates together. */
  readonly daySpread?: number;
}

/** What a plan may come to, over many drawn visits. */
export interface Odds {
  readonly visits: number;
  /** Chance to end within the session, that strain reaches `stop`, and that it reaches `pause`; each with its standard error. */
  readonly inTime: Chance;
  readonly stop: Chance;
  readonly pause: Chance;
  /** Peak strain: 5, 25, 50, 75 and 95 % points. */
  readonly peak: readonly [number, number, number, number, number];
  /** Visits by peak, in cells of 5 points from 0. */
  readonly peakCells: readonly number[];
  readonly minutes: readonly [number, number, number, number, number];
  /** What makes the peak differ between visits, as shares of its variance, the largest first. */
  readonly drivers: readonly { readonly cause: PeakCause; readonly share: number }[];
}
export interface Chance {
  readonly chance: number;
  readonly standardError: number;
}
/** A step of the problem by its place, or the day that all steps share. */
export type PeakCause = { readonly kind: 'step'; readonly step: number } | { readonly kind: 'day' };

const ODDS_VISITS = 10_000;
const ODDS_SEED = 20_261;
/** A dog's days differ: what all rates of one visit share. Our default. */
export const DAY_SPREAD = 0.15;
const PEAK_CELL = 5;
const STRAIN_CELLS = 20;

/**
 * Monte Carlo over the uncertain rates and minutes of a plan, its order and breaks kept. Rates are gamma (what learning leaves of them),
 * minutes log-normal, and the day is a log-normal factor of mean 1 on all rates. The share of a step is the squared correlation of the
 * points it adds with the peak, over the sum of all (first-order share of a linear model of independent inputs; Saltelli et al. 2008,
 * Global Sensitivity Analysis, chapter 1; from memory).
 * @throws RangeError when a spread is missing
 */
export function oddsOf(q: OddsQuestion): Odds {
  const { problem, chosen } = q;
  const visits = q.visits ?? ODDS_VISITS;
  const source = randomLcg(((q.seed ?? ODDS_SEED) % 0x7fffffff) / 0x7fffffff);
  const normal = randomNormal.source(source)(0, 1);
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  const daySpread = q.daySpread ?? DAY_SPREAD;
  const steps = chosen.map((c) => {
    const step = problem.steps[c.step];
    const spread = q.spreads[c.step];
    if (!step || !spread) throw new RangeError(`oddsOf: no spread for step ${c.step}`);
    const gamma = randomGamma.source(source)(spread.rateShape, 1 / spread.rateShape);
    return { step, spread, gamma, breaks: c.breaks, count: partsOf(step, problem.continuousStandingMinutes).count };
  });
  let station: Station = { post: problem.startPost, tool: undefined };
  const changes = steps.map(({ step }) => {
    const to: Station = { post: step.post, tool: step.tool, muzzled: step.muzzled };
    const minutes = changeMinutes(station, to);
    station = to;
    return minutes;
  });
  const peaks = new Float64Array(visits);
  const times = new Float64Array(visits);
  const causes = Array.from({ length: steps.length + 1 }, () => new Float64Array(visits));
  for (let v = 0; v < visits; v++) {
    const day = Math.exp(daySpread * normal() - daySpread ** 2 / 2);
    const dayCause = causes[steps.length];
    if (dayCause) dayCause[v] = day;
    let strain = problem.startStrain;
    let minute = 0;
    let worked = 0;
    let peak = strain;
    steps.forEach(({ step, spread, gamma, breaks, count }, at) => {
      const rate = step.ratePerMinute * day * gamma();
      const minutes = step.minutes * Math.exp(spread.minutesSpread * normal());
      const part = minutes / count;
      const decay = Math.exp(-k * part);
      const change = changes[at] ?? 0;
      strain *= Math.exp(-k * change);
      minute += change;
      for (let p = 0; p < count; p++) {
        const pause = breaks[p] ?? 0;
        if (pause > 0) {
          strain *= Math.exp(-k * pause);
          minute += pause;
        }
        strain = Math.min(100, strain * decay + ((rate * (1 + problem.fatiguePerMinute * worked)) / k) * (1 - decay));
        worked += part;
        minute += part;
        if (strain > peak) peak = strain;
      }
      const cause = causes[at];
      if (cause) cause[v] = (rate / day) * minutes;
    });
    peaks[v] = peak;
    times[v] = minute;
  }
  const cells = new Array<number>(STRAIN_CELLS).fill(0);
  for (const peak of peaks) {
    const cell = Math.min(STRAIN_CELLS - 1, Math.floor(peak / PEAK_CELL));
    cells[cell] = (cells[cell] ?? 0) + 1;
  }
  const share = causes.map((x) => correlation(x, peaks) ** 2);
  const total = share.reduce((a, b) => a + b, 0);
  const drivers = share
    .map((s, at) => ({
      cause: at === steps.length ? { kind: 'day' as const } : { kind: 'step' as const, step: chosen[at]?.step ?? 0 },
      share: total > 0 ? s / total : 0,
    }))
    .sort((a, b) => b.share - a.share);
  return {
    visits,
    inTime: chanceOf(times, (t) => t <= problem.sessionMinutes),
    stop: chanceOf(peaks, (p) => p >= STOP_AT),
    pause: chanceOf(peaks, (p) => p >= PAUSE_AT),
    peak: quantiles(peaks),
    peakCells: cells,
    minutes: quantiles(times),
    drivers,
  };
}

function chanceOf(values: Float64Array, is: (x: number) => boolean): Chance {
  let hits = 0;
  for (const x of values) if (is(x)) hits++;
  const chance = hits / values.length;
  return { chance, standardError: Math.sqrt((chance * (1 - chance)) / values.length) };
}

function quantiles(values: Float64Array): [number, number, number, number, number] {
  const sorted = Float64Array.from(values).sort();
  const at = (p: number): number => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))] ?? 0;
  return [at(0.05), at(0.25), at(0.5), at(0.75), at(0.95)];
}

/** Pearson's correlation; 0 when one of them does not vary. */
function correlation(a: Float64Array, b: Float64Array): number {
  const n = a.length;
  const mean = (x: Float64Array): number => x.reduce((s, v) => s + v, 0) / n;
  const [ma, mb] = [mean(a), mean(b)];
  let ab = 0;
  let aa = 0;
  let bb = 0;
  for (let i = 0; i < n; i++) {
    const x = (a[i] ?? 0) - ma;
    const y = (b[i] ?? 0) - mb;
    ab += x * y;
    aa += x * x;
    bb += y * y;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
