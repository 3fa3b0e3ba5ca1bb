import { type LearnedTool, type Posture, type Reason, reason, type ZoneGroup } from '../words/index.js';
import { type RateEvidence, SHIFTS, type WholeEvidence } from './rate-evidence.js';

/** What was done, where, with what, how the dog stood: minutes and strain points seen. */
export interface SeenWork<A extends string = string> {
  readonly activity: A;
  readonly group: ZoneGroup;
  readonly tool: LearnedTool;
  readonly posture: Posture;
  readonly minutes: number;
  readonly points: number;
}

export interface RateQuestion<A extends string = string> {
  readonly work: A;
  /** Points per minute for this kind of dog before anything was seen, > 0. */
  readonly priorPerMinute: number;
}

export interface LearnedRate {
  /** The middle, points a minute: what is most likely, as a geometric mean. */
  readonly mean: number;
  readonly interval90: readonly [number, number];
  /** Shape of the gamma distribution that is as sure: the higher, the surer. */
  readonly shape: number;
  /** Minutes of this work, and visits they are from. */
  readonly minutes: number;
  readonly visits: number;
  readonly reasons: readonly Reason[];
}

/**
 * How far dogs differ from their kind in all work, and each kind of work of one dog from the rest of it: standard deviations of the logarithm
 * of a rate. Our defaults, held against simulated dogs.
 */
const DOGS_DIFFER = 0.4;
const WORKS_DIFFER = 0.35;
/**
 * What a visit says counts in part: while one kind of work is weighed the others are taken as believed, which makes it look surer than it
 * is; a whole visit counts in less, for its works are weighed by themselves as well. Measured on simulated dogs (`rate-book.spec.ts`); our
 * defaults.
 */
const COUNTS_IN_PART = 0.6;
const WHOLE_COUNTS = 0.3;
/** Logarithms of the rate over the prior that are gone through. */
const REACH = 2.4;
const CELL = 0.1;
const GRID: readonly number[] = Array.from({ length: Math.round((2 * REACH) / CELL) + 1 }, (_, i) => i * CELL - REACH);

/** A dog as a whole against its kind: logarithm of the factor on all its rates, middle and variance. */
export interface DogFactor {
  readonly middle: number;
  readonly variance: number;
  readonly visits: number;
}
const ANY_DOG: DogFactor = { middle: 0, variance: DOGS_DIFFER ** 2, visits: 0 };

/** How much harder, or easier, all work is on a dog than on others of its kind, from whole visits. */
export function learnDog(visits: readonly WholeEvidence[]): DogFactor {
  if (visits.length === 0) return ANY_DOG;
  const logs = GRID.map((g) =>
    visits.reduce((sum, e) => sum + WHOLE_COUNTS * logLikelihoodAt(e, g - e.believed), -0.5 * (g / DOGS_DIFFER) ** 2),
  );
  const { average } = weigh(logs);
  const middle = average((g) => g);
  return { middle, variance: average((g) => (g - middle) ** 2), visits: visits.length };
}

/**
 * Rate of a kind of work for one dog: what its kind is taken to have, times what the dog is as a whole, times what each visit says of this
 * work. A visit whose strain could come from many rates says little; one that could come from few says much.
 * @param evidence of this dog's visits, of all kinds of work
 * @example learnRate({ work: 'nails', priorPerMinute: 4 }, []).mean // => 4
 */
export function learnRate<A extends string>(
  q: RateQuestion<A>,
  evidence: readonly RateEvidence<A>[],
  dog: DogFactor = ANY_DOG,
): LearnedRate {
  const own = evidence.filter((e) => e.work === q.work && e.minutes > 0);
  const spread = Math.sqrt(dog.variance + WORKS_DIFFER ** 2);
  const logs = GRID.map((u) =>
    own.reduce(
      (sum, e) => sum + COUNTS_IN_PART * logLikelihoodAt(e, u + Math.log(q.priorPerMinute / e.ratePerMinute)),
      -0.5 * ((u - dog.middle) / spread) ** 2,
    ),
  );
  const { weights, average } = weigh(logs);
  const middle = average((u) => u);
  const mean = q.priorPerMinute * Math.exp(middle);
  const minutes = own.reduce((sum, e) => sum + e.minutes, 0);
  const facts = { minutes: Math.round(minutes), visits: own.length, from: q.priorPerMinute, to: mean };
  return {
    mean,
    interval90: [q.priorPerMinute * Math.exp(quantile(weights, 0.05)), q.priorPerMinute * Math.exp(quantile(weights, 0.95))],
    shape: shapeOf(average((u) => (u - middle) ** 2)),
    minutes,
    visits: own.length,
    reasons: own.length > 0 ? [reason('rate.learned', facts, 0.7)] : [reason('rate.prior_only', { rate: mean }, 0.2)],
  };
}

function weigh(logs: readonly number[]): { weights: number[]; average: (of: (u: number) => number) => number } {
  const most = Math.max(...logs);
  const weights = logs.map((x) => Math.exp(x - most));
  const total = weights.reduce((a, b) => a + b, 0);
  return { weights, average: (of) => GRID.reduce((sum, u, i) => sum + of(u) * (weights[i] ?? 0), 0) / total };
}

/** A gamma variable of this shape varies as much as a log-normal one whose logarithm has this variance. */
const shapeOf = (logVariance: number): number => 1 / Math.expm1(logVariance);

/** Between the shifts that were tried by the parabola through the nearest three; below them as low as the lowest, above them on as it falls. */
function logLikelihoodAt({ logLikelihoods: logs }: Pick<RateEvidence, 'logLikelihoods'>, shift: number): number {
  const at = (i: number): number => logs[i] ?? 0;
  const last = SHIFTS.length - 1;
  const [first, second] = [SHIFTS[0] ?? 0, SHIFTS[1] ?? 1];
  const x = (shift - first) / (second - first);
  if (x <= 0) return at(0);
  if (x >= last) return at(last) + (x - last) * Math.min(0, at(last) - at(last - 1));
  const middle = Math.min(last - 1, Math.max(1, Math.round(x)));
  const off = x - middle;
  const [before, here, after] = [at(middle - 1), at(middle), at(middle + 1)];
  return here + (off * (after - before)) / 2 + (off * off * (after + before - 2 * here)) / 2;
}

/** The logarithm that is not passed with a probability, straight between the edges of cells. */
function quantile(weights: readonly number[], p: number): number {
  const wanted = p * weights.reduce((a, b) => a + b, 0);
  let below = 0;
  for (const [i, weight] of weights.entries()) {
    if (below + weight >= wanted) return (GRID[i] ?? 0) + CELL * ((wanted - below) / weight - 0.5);
    below += weight;
  }
  return REACH;
}

/**
 * Signs come in bursts: so many points say as much as one would that came by itself. Measured on simulated visits: 90 % intervals of rates
 * that count each point by itself cover 43 %, of those divided by this 90 %.
 */
export const POINTS_IN_A_BURST = 8;

/**
 * What a visit says that was kept by minutes and points only, as versions did that had no filter: points come as the rate has them, in bursts.
 * @param minutes of the work that were watched, > 0
 */
export function evidenceFromPoints<A extends string>(work: A, minutes: number, points: number): RateEvidence<A> {
  const bursts = points / POINTS_IN_A_BURST;
  // Half a burst where none was seen, so that there is a rate to look round.
  const ratePerMinute = (POINTS_IN_A_BURST * Math.max(0.5, bursts)) / minutes;
  const logs = SHIFTS.map((shift) => bursts * shift - Math.max(0.5, bursts) * Math.exp(shift));
  const best = Math.max(...logs);
  return { work, ratePerMinute, minutes, logLikelihoods: logs.map((x) => x - best) };
}
