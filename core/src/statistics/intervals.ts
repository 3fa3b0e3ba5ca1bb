import { chiSquareQuantile } from './gamma.js';

/** Quantile of the standard normal for 95 %, two-sided. */
export const Z95 = 1.959963984540054;

/**
 * Exact interval of a Poisson count (Garwood 1936, Biometrika 28:437–442): (½χ²(α/2, 2x), ½χ²(1−α/2, 2x+2)).
 * @param count events seen, a whole number ≥ 0
 * @param confidence 0 to 1, exclusive
 * @throws RangeError otherwise
 * @example poissonInterval(0) // => [0, 3.688879]
 */
export function poissonInterval(count: number, confidence = 0.95): readonly [number, number] {
  if (!Number.isInteger(count) || count < 0 || !(confidence > 0 && confidence < 1))
    throw new RangeError(`poissonInterval: ${count} events at ${confidence}`);
  const tail = (1 - confidence) / 2;
  const low = count === 0 ? 0 : chiSquareQuantile(tail, 2 * count) / 2;
  return [low, chiSquareQuantile(1 - tail, 2 * count + 2) / 2];
}

/**
 * Interval of a share (Wilson 1927, JASA 22:209–212), without continuity correction.
 * @param hits 0 to trials
 * @param trials > 0
 * @throws RangeError otherwise
 * @example wilsonInterval(81, 263) // => [0.255289, 0.366210]
 */
export function wilsonInterval(hits: number, trials: number, z = Z95): readonly [number, number] {
  if (!(trials > 0) || hits < 0 || hits > trials) throw new RangeError(`wilsonInterval: ${hits} of ${trials}`);
  const p = hits / trials;
  const z2 = z * z;
  const centre = (p + z2 / (2 * trials)) / (1 + z2 / trials);
  const half = (z / (1 + z2 / trials)) * Math.sqrt((p * (1 - p)) / trials + z2 / (4 * trials * trials));
  // At 0 and at all the closed form leaves a rounding error where the limit is exact.
  return [hits === 0 ? 0 : centre - half, hits === trials ? 1 : centre + half];
}
