import { randomLcg } from 'd3-random';
import { type DrawnVisit, type DrawnWorld, type StepSpread, VisitDrawer, worldAsModelled } from './draw-visit.js';
import type { ChosenStep, PlanProblem } from './model.js';

export interface OddsQuestion {
  readonly problem: PlanProblem;
  readonly chosen: readonly ChosenStep[];
  /** One for each step of the problem. */
  readonly spreads: readonly StepSpread[];
  /** Visits drawn. */
  readonly visits?: number;
  /** The same seed draws the same visits. */
  readonly seed?: number;
  /** Asked now and then with the visits drawn so far; when it says so, no more are drawn. */
  readonly enough?: (drawn: readonly DrawnVisit[]) => boolean;
  /** The half-life of the dog, as likely longer as shorter, and in which it lies with 90 % probability; else that of the problem. */
  readonly halfLife?: { readonly middle: number; readonly range: readonly [number, number] };
  /** A world that is otherwise than modelled. */
  readonly world?: Partial<DrawnWorld>;
}

/** What a plan may come to, over many drawn visits. */
export interface Odds {
  readonly visits: number;
  /**
   * Chance to do all of it within the session, that the meter reaches `stop`, that the dog snaps or bites, and that the meter reaches `pause`;
   * each with its standard error.
   */
  readonly inTime: Chance;
  readonly stop: Chance;
  readonly bite: Chance;
  readonly pause: Chance;
  /** Peak of the meter: 5, 25, 50, 75 and 95 % points. */
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

/** So many tell a chance of 1 % to a third of one, of 5 % to 0.7, of 40 % to 1.5: finer than it is said. Our default. */
const ODDS_VISITS = 1_000;
const DRAWN_PER_LOOK = 100;
const ODDS_SEED = 20_261;
/** 95 % point of the normal distribution. */
const Z95 = 1.6448536269514722;
const PEAK_CELL = 5;
const STRAIN_CELLS = 20;

/**
 * Monte Carlo over what is not known of a visit, the plan's order and breaks kept: rates are gamma (what learning leaves of them), minutes
 * log-normal with a pace that the visit shares, the half-life log-normal, the day a log-normal factor on all rates. Strain is drawn from the
 * process of the model, with noise and frights; signs come as often as it has them, and what is counted is what the meter at the table
 * would show of them: a pause is taken where it asks for one, and where it says stop the visit ends.
 *
 * The share of a step is the squared correlation of the points it adds with the peak, over the sum of all (first-order share of a linear
 * model of independent inputs; Saltelli et al. 2008, Global Sensitivity Analysis, chapter 1; from memory).
 * @throws RangeError when a spread is missing
 */
export function oddsOf(q: OddsQuestion): Odds {
  const { problem, chosen } = q;
  const visits = q.visits ?? ODDS_VISITS;
  const middle = q.halfLife?.middle ?? problem.halfLifeMinutes;
  const spread = q.halfLife && Math.log(q.halfLife.range[1] / q.halfLife.range[0]) / (2 * Z95);
  const world = { ...worldAsModelled(middle, spread), ...q.world };
  const drawer = new VisitDrawer(problem, chosen, q.spreads, world, randomLcg(((q.seed ?? ODDS_SEED) % 0x7fffffff) / 0x7fffffff));
  const drawn: DrawnVisit[] = [];
  while (drawn.length < visits) {
    drawn.push(drawer.draw());
    if (drawn.length % DRAWN_PER_LOOK === 0 && q.enough?.(drawn)) break;
  }
  const of = (value: (v: (typeof drawn)[number]) => number): Float64Array => Float64Array.from(drawn, value);
  const peaks = of((v) => v.peak);
  const times = of((v) => v.minutes);
  const hidden = of((v) => v.hiddenPeak);
  const causes = [...chosen.map((_, at) => of((v) => v.added[at] ?? 0)), of((v) => v.day)];
  const cells = new Array<number>(STRAIN_CELLS).fill(0);
  for (const peak of peaks) {
    const cell = Math.min(STRAIN_CELLS - 1, Math.floor(peak / PEAK_CELL));
    cells[cell] = (cells[cell] ?? 0) + 1;
  }
  const share = causes.map((x) => correlation(x, hidden) ** 2);
  const total = share.reduce((a, b) => a + b, 0);
  const drivers = share
    .map((s, at) => ({
      cause: at === chosen.length ? { kind: 'day' as const } : { kind: 'step' as const, step: chosen[at]?.step ?? 0 },
      share: total > 0 ? s / total : 0,
    }))
    .sort((a, b) => b.share - a.share);
  return {
    visits: drawn.length,
    inTime: chanceOf(drawn, (v) => v.finished && v.minutes <= problem.sessionMinutes),
    stop: chanceOf(drawn, (v) => v.stopped),
    bite: chanceOf(drawn, (v) => v.snapped),
    pause: chanceOf(drawn, (v) => v.paused),
    peak: quantiles(peaks),
    peakCells: cells,
    minutes: quantiles(times),
    drivers,
  };
}

function chanceOf<T>(values: readonly T[], is: (x: T) => boolean): Chance {
  const hits = values.filter(is).length;
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
