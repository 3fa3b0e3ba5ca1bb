import { type LearnedTool, type Posture, type Reason, reason, type ZoneGroup } from '../words/index.js';
import { type DogFactor, learnDog } from './learn-dog.js';
import { type RateEvidence, SHIFTS } from './rate-evidence.js';
import { CELL, GRID, logLikelihoodAt, quantile, weigh } from './rate-grid.js';
import { COUNTS_IN_PART, type PooledWork, shiftOf, WORKS_DIFFER } from './salon-pool.js';

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
  /** Probability that it is above that of its kind. */
  readonly harder: number;
  /** Shape of the gamma distribution that is as sure: the higher, the surer. */
  readonly shape: number;
  /** Minutes of this work, and visits they are from. */
  readonly minutes: number;
  readonly visits: number;
  readonly reasons: readonly Reason[];
}

/**
 * How far a longer half-life looks like a higher rate, in logarithms: strain that a stretch of ten minutes adds grows by so much. From the
 * model: 1 − x / (e^x − 1), x = ln 2 · minutes / half-life; about a half for stretches and half-lives as they are.
 */
const SLOWER_LOOKS_HARDER = 0.5;

/**
 * Rate of a kind of work for one dog: what its kind is taken to have, times what the dog is as a whole, times what each visit says of this
 * work. A visit whose strain could come from many rates says little; one that could come from few says much.
 * @param evidence of this dog's visits, of all kinds of work
 * @param pool what this salon's other dogs say of each kind of work
 * @example learnRate({ work: 'nails', priorPerMinute: 4 }, []).mean // => 4
 */
export function learnRate<A extends string>(
  q: RateQuestion<A>,
  evidence: readonly RateEvidence<A>[],
  dog: DogFactor = learnDog([]),
  pool: readonly PooledWork[] = [],
): LearnedRate {
  const own = evidence.filter((e) => e.work === q.work && e.minutes > 0);
  const pooled = pool.find((p) => p.work === q.work);
  // What all the salon's dogs have in common is in the dog's factor already; here is what is this work's own.
  const off = pooled ? pooled.shift - shiftOf(pool) : 0;
  const chances = GRID.map(() => 0);
  for (const { minutes, chance, middle, variance } of dog.ifHalfLife) {
    const centre = middle + off;
    const spread = Math.sqrt(variance + WORKS_DIFFER ** 2 + (pooled?.variance ?? 0));
    const of = weigh(
      GRID.map((u) =>
        own.reduce(
          (sum, e) => {
            const slower = e.halfLifeMinutes ? SLOWER_LOOKS_HARDER * Math.log(minutes / e.halfLifeMinutes) : 0;
            return sum + COUNTS_IN_PART * logLikelihoodAt(e, u + Math.log(q.priorPerMinute / e.ratePerMinute) + slower);
          },
          -0.5 * ((u - centre) / spread) ** 2,
        ),
      ),
    );
    const all = of.weights.reduce((a, b) => a + b, 0);
    of.weights.forEach((w, i) => (chances[i] = (chances[i] ?? 0) + (chance * w) / all));
  }
  const { weights, average } = weigh(chances.map(Math.log));
  const middle = average((u) => u);
  const mean = q.priorPerMinute * Math.exp(middle);
  const minutes = own.reduce((sum, e) => sum + e.minutes, 0);
  const facts = { minutes: Math.round(minutes), visits: own.length, from: q.priorPerMinute, to: mean };
  return {
    mean,
    interval90: [q.priorPerMinute * Math.exp(quantile(weights, 0.05)), q.priorPerMinute * Math.exp(quantile(weights, 0.95))],
    harder: average((u) => (u > CELL / 2 ? 1 : u < -CELL / 2 ? 0 : 0.5)),
    shape: shapeOf(average((u) => (u - middle) ** 2)),
    minutes,
    visits: own.length,
    reasons: own.length > 0 ? [reason('rate.learned', facts, 0.7)] : [reason('rate.prior_only', { rate: mean }, 0.2)],
  };
}

/** A gamma variable of this shape varies as much as a log-normal one whose logarithm has this variance. */
const shapeOf = (logVariance: number): number => 1 / Math.expm1(logVariance);

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
