import { STRAIN_MAX } from './bands.js';

/** Minutes in which strain halves while nothing is done to the dog. Our default, until breaks of this dog were seen. */
export const DEFAULT_HALF_LIFE_MINUTES = 6;

/** Recovery constant k = ln 2 / half-life, per minute. @throws RangeError for a half-life that is not positive */
export function recoveryPerMinute(halfLifeMinutes: number): number {
  if (!(halfLifeMinutes > 0)) throw new RangeError(`recoveryPerMinute: half-life ${halfLifeMinutes} min is not positive`);
  return Math.LN2 / halfLifeMinutes;
}

/**
 * Strain after some minutes of work at a constant rate: the closed form of dS/dt = r − kS,
 * `S·e^(−kd) + (r/k)(1 − e^(−kd))`, held at 100.
 * @param strain points at the start, 0 to 100
 * @param ratePerMinute points per minute, ≥ 0; 0 is a break
 * @param minutes duration, ≥ 0
 * @param k recovery per minute, see {@link recoveryPerMinute}
 * @example strainAfter(40, 0, 6, recoveryPerMinute(6)) // => 20
 */
export function strainAfter(strain: number, ratePerMinute: number, minutes: number, k: number): number {
  return Math.min(STRAIN_MAX, strain * Math.exp(-k * minutes) + (ratePerMinute / k) * -Math.expm1(-k * minutes));
}

/**
 * Area of the strain curve above a line, in point-minutes: the dose.
 * The curve of one step runs one way, so it crosses the line at most once.
 * @example strainDoseAbove(30, 0, 100, 0.1, 30) // => 0
 */
export function strainDoseAbove(strain: number, ratePerMinute: number, minutes: number, k: number, line: number): number {
  if (k * minutes < HARDLY_DECAYS) return doseOfLine(strain, strain + ratePerMinute * minutes, minutes, line);
  const settles = ratePerMinute / k;
  const end = settles + (strain - settles) * Math.exp(-k * minutes);
  if (strain <= line && end <= line) return 0;
  const crossing = strain === settles ? Infinity : Math.log((strain - settles) / (line - settles)) / k;
  const crosses = (strain - line) * (end - line) < 0;
  const from = crosses && strain < line ? crossing : 0;
  const to = crosses && strain > line ? crossing : minutes;
  const area = settles * (to - from) + ((strain - settles) / k) * (Math.exp(-k * from) - Math.exp(-k * to)) - line * (to - from);
  return Math.max(0, area);
}

/** Below this share of decay over a stretch the curve is a straight line, and the closed form would lose its digits. */
export const HARDLY_DECAYS = 1e-6;

/** Area of a straight line above a level, in point-minutes. `doseOfLine(20, 40, 10, 30) // => 25` */
export function doseOfLine(from: number, to: number, minutes: number, line: number): number {
  if (from <= line && to <= line) return 0;
  if (from >= line && to >= line) return ((from + to) / 2 - line) * minutes;
  const above = Math.max(from, to) - line;
  return (above * above * minutes) / (2 * Math.abs(to - from));
}

/**
 * Minutes until strain rises or falls to a line; `Infinity` when it does not.
 * @example minutesToReach(40, 0, 20, Math.LN2 / 6) // => 6
 */
export function minutesToReach(strain: number, ratePerMinute: number, line: number, k: number): number {
  const settles = ratePerMinute / k;
  if (strain === line) return 0;
  const ratio = (strain - settles) / (line - settles);
  return ratio > 1 && Number.isFinite(ratio) ? Math.log(ratio) / k : Infinity;
}
