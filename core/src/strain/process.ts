import type { Mood, SignalTier } from '../words/index.js';
import { PAUSE_AT, WATCH_AT } from './bands.js';

/**
 * The hidden process behind what is said of the next minutes. Strain S (0 to 100) drifts by dS/dt = r·T − kS with a little noise; r is the
 * rate of the work, T the temper of the day, k = ln 2 / half-life. Signs come as events whose intensity depends on S. No published source
 * gives these figures: they are our defaults, held against simulated dogs (`next-minutes.spec.ts`).
 */

/** Length of a step of the model, minutes. Our default. */
export const STEP_MINUTES = 0.5;
/** The same where many visits are gone through. Our default. */
export const COARSE_STEP_MINUTES = 1;
/**
 * Where rates are learned, silence counts by so much less: what a busy hand leaves out would pass for calm. Our default; the meter counts
 * silence whole, as the pad asks for what is seen.
 */
export const LEARNED_SILENCE = 0.7;
/** Noise of the drift, points per square root of a minute. Our default. */
export const NOISE_POINTS = 1.5;

/** A fright, a tug, a sore place: strain jumps up so often a minute, by so many points, each as likely. Our defaults. */
export const STARTLES_PER_MINUTE = 0.01;
export const STARTLE_POINTS = [16, 32, 48] as const;

/** Signs a minute: what comes at any strain, what comes on top at most, the strain at which half of that is reached, and over how many points. */
export interface Intensity {
  readonly leastPerMinute: number;
  readonly mostPerMinute: number;
  readonly halfAt: number;
  readonly overPoints: number;
}

/** Tiers of signs that strain brings about. A body alarm is the body's, not the strain's. */
export type ModelTier = Exclude<SignalTier, 'says_nothing' | 'body_alarm'>;
export const MODEL_TIERS = ['early', 'rising', 'hard', 'good'] as const satisfies readonly ModelTier[];

/**
 * How often signs of each tier come. Our defaults, in the order of the ladder of aggression: early signs low, hard ones high, good ones fall.
 * Each has a floor, so that no single sign decides everything: a calm dog yawns, too, and a bite may come from nowhere.
 */
export const INTENSITIES: Readonly<Record<ModelTier, Intensity>> = {
  early: { leastPerMinute: 0.02, mostPerMinute: 0.5, halfAt: 24, overPoints: 7 },
  rising: { leastPerMinute: 0.01, mostPerMinute: 0.55, halfAt: 46, overPoints: 7 },
  hard: { leastPerMinute: 0.0001, mostPerMinute: 0.5, halfAt: 76, overPoints: 7 },
  good: { leastPerMinute: 0.01, mostPerMinute: 0.3, halfAt: 20, overPoints: -6 },
};

/** How a dog shows strain: most show more as it rises; some go quiet (punished for growling, given up), and bite without warning. */
export const MANNERS = ['shows', 'goes_quiet'] as const;
export type Manner = (typeof MANNERS)[number];
/** Share of dogs that go quiet as strain rises, until this dog has shown otherwise. Our default. */
export const QUIET_SHARE = 0.1;
/** A quiet dog's early and rising signs fade above this strain, by e over so many points. Our default. */
const QUIET_FROM = 25;
const QUIET_OVER = 15;

/**
 * Signs of a tier a minute at a strain.
 * @param strain 0 to 100
 */
export function intensityAt(tier: ModelTier, strain: number, manner: Manner): number {
  const { leastPerMinute, mostPerMinute, halfAt, overPoints } = INTENSITIES[tier];
  const shown = leastPerMinute + mostPerMinute / (1 + Math.exp(-(strain - halfAt) / overPoints));
  const fades = manner === 'goes_quiet' && (tier === 'early' || tier === 'rising') && strain > QUIET_FROM;
  return fades ? shown * Math.exp(-(strain - QUIET_FROM) / QUIET_OVER) : shown;
}

/** What a day does to all rates of a dog: multipliers with their chance before anything is seen; the tail upwards is wide. Our default. */
export const TEMPERS: readonly { readonly times: number; readonly chance: number }[] = [
  { times: 0.5, chance: 0.15 },
  { times: 0.75, chance: 0.24 },
  { times: 1, chance: 0.27 },
  { times: 1.4, chance: 0.18 },
  { times: 2, chance: 0.1 },
  { times: 3, chance: 0.06 },
];

/**
 * Share of what is believed of the temper that begins anew with each stretch of work: what a dog makes of one kind of work is only partly
 * what it makes of the next. Our default.
 */
export const TEMPER_ANEW = 0.35;

/** How far a dog's strain at the start lies from what its mood says, points. Our default. */
export const START_SPREAD = 6;

/** What a look at the dog says of its strain: where it lies, above or below a line. Nothing for "still": it looks the same calm and frozen. */
const MOOD_SAYS: Readonly<Record<Mood, { readonly side: 'above' | 'below'; readonly line: number } | undefined>> = {
  relaxed: { side: 'below', line: WATCH_AT },
  still: undefined,
  tense: { side: 'above', line: WATCH_AT - 5 },
  // A tired dog is on its way up, and one that has shut down has given up; neither is calm.
  tired_out: { side: 'above', line: WATCH_AT },
  shut_down: { side: 'above', line: PAUSE_AT },
  frantic: { side: 'above', line: PAUSE_AT },
};
/** A look may be wrong so often, and its line is so wide, points. Our defaults. */
const MOOD_WRONG = 0.02;
const MOOD_OVER = 8;

/** How likely a look is at a strain, as a weight. `moodWeight('still', 40) // => 1` */
export function moodWeight(mood: Mood, strain: number): number {
  const says = MOOD_SAYS[mood];
  if (!says) return 1;
  const above = 1 / (1 + Math.exp(-(strain - says.line) / MOOD_OVER));
  return MOOD_WRONG + (1 - MOOD_WRONG) * (says.side === 'above' ? above : 1 - above);
}

/** Shares of the signs that a busy hand enters, where visits are drawn; in a break good ones are looked for, and all entered. Our defaults. */
export const ENTERED: Readonly<Record<ModelTier, number>> = { hard: 1, early: 0.85, rising: 0.85, good: 0.5 };
/** A pause that the meter asks for, where visits are drawn, minutes; after so many in a row that did not help the visit ends. Our defaults. */
export const PAUSE_MINUTES = 6;
export const PAUSES_AT_MOST = 3;

/**
 * How often a hard sign is a snap or a bite, where visits are drawn: a dog that does not show strain gives less warning. Our defaults: a salon
 * of eight dogs a day comes to about one snap in two weeks with them.
 */
export const SNAPS: Readonly<Record<Manner, number>> = { shows: 0.05, goes_quiet: 0.3 };
/** A dog that has snapped or bitten while it was handled does so this many times as often. Our default. */
export const SNAPS_OF_A_BITER = 2;

/** Where visits are drawn: one look in ten says "still", however the dog is. Our default. */
const SAYS_STILL = 0.1;
/** Below the first line a look says relaxed so often, else still; from the others on it says tense, and frantic. Our defaults. */
const LOOKS_RELAXED_BELOW = 18;
const LOOKS_RELAXED_SHARE = 0.45;
const LOOKS_TENSE_FROM = 28;
const LOOKS_FRANTIC_FROM = 55;

/**
 * What somebody who looks says of a dog, where visits are drawn.
 * @param strain true, 0 to 100
 * @param chance from 0 to 1
 */
export function lookDrawn(strain: number, chance: number): Mood {
  if (chance < SAYS_STILL) return 'still';
  if (strain < LOOKS_RELAXED_BELOW) return chance < SAYS_STILL + LOOKS_RELAXED_SHARE ? 'relaxed' : 'still';
  if (strain < LOOKS_TENSE_FROM) return 'still';
  return strain < LOOKS_FRANTIC_FROM ? 'tense' : 'frantic';
}
