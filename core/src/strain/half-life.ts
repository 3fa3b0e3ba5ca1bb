import { type Mood, type Reason, reason } from '../words/index.js';
import { DEFAULT_HALF_LIFE_MINUTES } from './curve.js';
import { moodWeight } from './process.js';

/** A break at whose end somebody looked and said how the dog is: the only thing that recovery is learned from. */
export interface BreakSeen {
  /** What was believed of its strain when the break began: the middle, and the standard deviation, points. */
  readonly strainBefore: number;
  readonly spread: number;
  /** Minutes from the start of the break to the look. */
  readonly minutes: number;
  readonly mood: Mood;
}

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

/** Half-lives that are believed, minutes. Our default: quicker is a misreading, slower is no recovery. */
export const HALF_LIFE_RANGE = [2, 30] as const;
const GRID_POINTS = 60;
const GRID: readonly number[] = Array.from(
  { length: GRID_POINTS },
  (_, i) => HALF_LIFE_RANGE[0] * (HALF_LIFE_RANGE[1] / HALF_LIFE_RANGE[0]) ** (i / (GRID_POINTS - 1)),
);
/** How far dogs differ: standard deviation of the logarithm, round {@link DEFAULT_HALF_LIFE_MINUTES}. Our default. */
const DOGS_DIFFER = 0.5;
/** A plan counts with this quantile, so that breaks are seldom planned too short. Our default. */
const CAREFUL = 5 / 6;
/** A look at the end of a break may have other causes than the rest, so often. Our default. */
const OTHER_CAUSE = 0.05;
/** A break that is shorter, or begins lower, tells nothing of recovery. Our defaults. */
const LEAST_MINUTES = 1;
const LEAST_STRAIN = 5;
/** Strains before the break that are gone through, in standard deviations, each with its share of a normal distribution. */
const APART = [-2, -1.2, -0.4, 0.4, 1.2, 2].map((z, _, all) => ({
  z,
  share: Math.exp(-0.5 * z * z) / all.reduce((sum, y) => sum + Math.exp(-0.5 * y * y), 0),
}));

/**
 * Recovery half-life of a dog, learned from its breaks, on the scale of the model. A look says on which side of a line the strain lies, not
 * where: each break weighs every half-life by how likely that look is after so many minutes, over what was believed before. "Still" weighs
 * nothing; tired out and shut down speak for a long one.
 * @example learnHalfLife([]).middle // => 6
 */
export function learnHalfLife(breaks: readonly BreakSeen[]): LearnedHalfLife {
  const used = breaks.filter((b) => b.minutes >= LEAST_MINUTES && b.strainBefore >= LEAST_STRAIN && b.mood !== 'still');
  const logs = GRID.map((halfLife) =>
    used.reduce(
      (sum, b) => sum + Math.log(likelihood(b, halfLife)),
      -0.5 * (Math.log(halfLife / DEFAULT_HALF_LIFE_MINUTES) / DOGS_DIFFER) ** 2,
    ),
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

/** How likely a look is after a break if strain halves in so many minutes. */
function likelihood(b: BreakSeen, halfLife: number): number {
  const left = 0.5 ** (b.minutes / halfLife);
  const sum = APART.reduce((all, { z, share }) => {
    const before = Math.min(100, Math.max(0, b.strainBefore + z * b.spread));
    return all + share * moodWeight(b.mood, before * left);
  }, 0);
  return OTHER_CAUSE + (1 - OTHER_CAUSE) * sum;
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
