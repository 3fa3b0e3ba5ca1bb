import { type Reason, reason } from '../words/index.js';
import { breakLogLikelihood, type BreakSeen, HALF_LIFE_RANGE, HALF_LIVES_DIFFER, telling } from './break-seen.js';
import { DEFAULT_HALF_LIFE_MINUTES } from './curve.js';
import { wholeLogLikelihoods } from './learn-dog.js';
import type { WholeEvidence } from './rate-evidence.js';

export interface LearnedHalfLife {
  /** What a plan counts with: longer than the dog's own in five of six. */
  readonly minutes: number;
  /** The middle: as likely longer as shorter. */
  readonly middle: number;
  /** In which it lies with 90 % probability. */
  readonly range: readonly [number, number];
  /** Breaks that told something. */
  readonly breaks: number;
  readonly reasons: readonly Reason[];
}

const GRID_POINTS = 60;
const GRID: readonly number[] = Array.from(
  { length: GRID_POINTS },
  (_, i) => HALF_LIFE_RANGE[0] * (HALF_LIFE_RANGE[1] / HALF_LIFE_RANGE[0]) ** (i / (GRID_POINTS - 1)),
);
/** A plan counts with this quantile, so that breaks are seldom planned too short. Our default. */
const CAREFUL = 5 / 6;
/**
 * Recovery half-life of a dog, learned from its breaks, on the scale of the model. A look says on which side of a line the strain lies, not
 * where: each break weighs every half-life by how likely that look is after so many minutes, over what was believed before. "Still" weighs
 * nothing; tired out and shut down speak for a long one.
 * @param visits the same visits as a whole: signs say something of it, too
 * @example learnHalfLife([]).middle // => 6
 */
export function learnHalfLife(breaks: readonly BreakSeen[], visits: readonly WholeEvidence[] = []): LearnedHalfLife {
  const used = telling(breaks);
  const whole = wholeLogLikelihoods(visits, GRID);
  const logs = GRID.map(
    (halfLife, i) =>
      (whole[i] ?? 0) +
      breakLogLikelihood(used, halfLife) -
      0.5 * (Math.log(halfLife / DEFAULT_HALF_LIFE_MINUTES) / HALF_LIVES_DIFFER) ** 2,
  );
  const most = Math.max(...logs);
  const weights = logs.map((x) => Math.exp(x - most));
  const [low, middle, minutes, high] = [0.05, 0.5, CAREFUL, 0.95].map((p) => quantile(weights, p)) as [number, number, number, number];
  const facts = { minutes, likely: middle };
  return {
    minutes,
    middle,
    range: [low, high],
    breaks: used.length,
    reasons: [
      used.length === 0
        ? reason('strain.half_life_default', facts, 0.2)
        : reason('strain.half_life_learned', { ...facts, count: used.length, from: low, to: high }, 0.5),
    ],
  };
}

/** The half-life that is not passed with a probability, straight (in its logarithm) between the middles of cells. */
function quantile(weights: readonly number[], p: number): number {
  const total = weights.reduce((a, b) => a + b, 0);
  const step = Math.log(HALF_LIFE_RANGE[1] / HALF_LIFE_RANGE[0]) / (GRID_POINTS - 1);
  let below = 0;
  for (const [i, weight] of weights.entries()) {
    const share = weight / total;
    if (below + share >= p) {
      const minutes = HALF_LIFE_RANGE[0] * Math.exp(step * (i - 0.5 + (p - below) / share));
      return Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], minutes));
    }
    below += share;
  }
  return HALF_LIFE_RANGE[1];
}
