import type { Mood } from '../words/index.js';
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

/** Half-lives that are believed, minutes. Our default: quicker is a misreading, slower is no recovery. */
export const HALF_LIFE_RANGE = [2, 30] as const;
/** How far dogs differ: standard deviation of the logarithm, round {@link DEFAULT_HALF_LIFE_MINUTES}. Our default. */
export const HALF_LIVES_DIFFER = 0.5;
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

/** Breaks that tell something of recovery. */
export const telling = (breaks: readonly BreakSeen[]): BreakSeen[] =>
  breaks.filter((b) => b.minutes >= LEAST_MINUTES && b.strainBefore >= LEAST_STRAIN && b.mood !== 'still');

/** Logarithm of how likely the looks at the end of breaks are if strain halves in so many minutes. */
export function breakLogLikelihood(breaks: readonly BreakSeen[], halfLife: number): number {
  return telling(breaks).reduce((sum, b) => sum + Math.log(likelihood(b, halfLife)), 0);
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
