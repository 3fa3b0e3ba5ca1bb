import { type RateEvidence, SHIFTS } from './rate-evidence.js';

/** Logarithms of the rate over the prior that are gone through. */
const REACH = 2.4;
export const CELL = 0.1;
export const GRID: readonly number[] = Array.from({ length: Math.round((2 * REACH) / CELL) + 1 }, (_, i) => i * CELL - REACH);

/** Weights of the grid, the likeliest 1, and the average by them of anything. */
export function weigh(logs: readonly number[]): { weights: number[]; average: (of: (u: number) => number) => number } {
  const most = Math.max(...logs);
  const weights = logs.map((x) => Math.exp(x - most));
  const total = weights.reduce((a, b) => a + b, 0);
  return { weights, average: (of) => GRID.reduce((sum, u, i) => sum + of(u) * (weights[i] ?? 0), 0) / total };
}

/** Between the shifts that were tried by the parabola through the three; below them as low as the lowest, above them on as it falls. */
export function logLikelihoodAt({ logLikelihoods: logs }: Pick<RateEvidence, 'logLikelihoods'>, shift: number): number {
  const below = logs[0] ?? 0;
  const here = logs[1] ?? 0;
  const above = logs[2] ?? 0;
  const [lowest, , highest] = SHIFTS;
  if (shift <= lowest) return below;
  if (shift >= highest) return above + (shift - highest) * Math.min(0, above - here);
  return here + (shift * (above - below)) / 2 + (shift * shift * (above + below - 2 * here)) / 2;
}

/** The logarithm that is not passed with a probability, straight between the edges of cells. */
export function quantile(weights: readonly number[], p: number): number {
  const wanted = p * weights.reduce((a, b) => a + b, 0);
  let below = 0;
  for (const [i, weight] of weights.entries()) {
    if (below + weight >= wanted) return (GRID[i] ?? 0) + CELL * ((wanted - below) / weight - 0.5);
    below += weight;
  }
  return REACH;
}
