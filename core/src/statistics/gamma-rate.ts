import { betaCdf } from './beta.js';
import { gammaQuantile } from './gamma.js';

/** A rate in points per minute, known as a gamma distribution: shape, and minutes of evidence. */
export interface GammaRate {
  readonly shape: number;
  readonly minutes: number;
}

/** Weight of the prior, in events: our default. A dog's own 4 points of evidence weigh as much as the prior. */
const PRIOR_SHAPE = 4;

/** Prior with a given mean. `rateMean(priorRate(2)) // => 2` @throws RangeError for a mean that is not positive */
export function priorRate(meanPerMinute: number): GammaRate {
  if (!(meanPerMinute > 0)) throw new RangeError(`priorRate: mean ${meanPerMinute} is not positive`);
  return { shape: PRIOR_SHAPE, minutes: PRIOR_SHAPE / meanPerMinute };
}

/**
 * Rate after the dog's own minutes were seen: gamma–Poisson, `Gamma(a + points, b + minutes)`.
 * @example updateRate({ shape: 2, minutes: 30 }, 3, 42) // => { shape: 5, minutes: 72 }
 */
export function updateRate(prior: GammaRate, points: number, minutes: number): GammaRate {
  if (!(points >= 0) || !(minutes >= 0)) throw new RangeError(`updateRate: ${points} points in ${minutes} min is negative`);
  return { shape: prior.shape + points, minutes: prior.minutes + minutes };
}

/** Mean, points per minute. */
export function rateMean(rate: GammaRate): number {
  return rate.shape / rate.minutes;
}

/**
 * Interval of the rate in which it lies with 90 % probability: the 5 % and 95 % quantiles.
 * @example rateInterval90({ shape: 5, minutes: 72 }) // => [0.0273631884, 0.1271322087]
 */
export function rateInterval90(rate: GammaRate): readonly [number, number] {
  if (!(rate.minutes > 0)) throw new RangeError(`rateInterval90: ${rate.minutes} min`);
  const [low, high] = interval90OfShape(rate.shape);
  return [low / rate.minutes, high / rate.minutes];
}

/** A plan asks for the same few shapes at each of its pieces; a quantile takes fifty halvings. */
const shapes = new Map<number, readonly [number, number]>();
const SHAPES_KEPT = 500;
function interval90OfShape(shape: number): readonly [number, number] {
  const known = shapes.get(shape);
  if (known) return known;
  if (shapes.size >= SHAPES_KEPT) shapes.clear();
  const made = [gammaQuantile(0.05, shape, 1), gammaQuantile(0.95, shape, 1)] as const;
  shapes.set(shape, made);
  return made;
}

/**
 * Chance that the next point comes later than some minutes from now: `(b / (b + t))^a` (Lomax).
 * @example chanceOfQuiet({ shape: 5, minutes: 72 }, 5) // => 0.71484001670
 */
export function chanceOfQuiet(rate: GammaRate, minutes: number): number {
  if (!(minutes >= 0)) throw new RangeError(`chanceOfQuiet: ${minutes} min`);
  return (rate.minutes / (rate.minutes + minutes)) ** rate.shape;
}

/**
 * Chance that one rate is more than some times another: both are gamma, so their share is a beta variable.
 * @example chanceHigher({ shape: 3, minutes: 10 }, { shape: 3, minutes: 10 }) // => 0.5
 */
export function chanceHigher(rate: GammaRate, than: GammaRate, times = 1): number {
  const z = (times * rate.minutes) / (times * rate.minutes + than.minutes);
  return 1 - betaCdf(z, rate.shape, than.shape);
}
