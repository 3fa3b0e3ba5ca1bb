import { type Reason, reason } from '../words/index.js';
import type { Belief } from './belief.js';
import { chanceOfHardSign } from './hard-sign-ahead.js';

/** Minutes that are looked ahead. */
export const AHEAD_MINUTES = 5;
/** Head down, sides swapped, shorter strokes: the same work at so much of its rate. Our default. */
export const LIGHTER_HANDS = 0.6;

/** What could be done in the next minutes instead of going on. */
export const INSTEAD = ['break', 'lighter_hands', 'next_step'] as const;
export type Instead = (typeof INSTEAD)[number];

export interface NextMinutes {
  /** Chance of a hard sign in the next {@link AHEAD_MINUTES} if it goes on like this. */
  readonly chance: number;
  /** The same for what could be done instead, the lowest first; nothing in a break. */
  readonly instead: readonly { readonly what: Instead; readonly chance: number }[];
}

/**
 * Chance of a hard sign in the next minutes, and what would lower it most.
 * @param ratePerMinute of what goes on; 0 in a break
 * @param nextRatePerMinute of the step that comes next; `undefined` when there is none
 */
export function nextMinutes(
  belief: Belief,
  ratePerMinute: number,
  nextRatePerMinute: number | undefined,
  halfLifeMinutes: number,
): NextMinutes {
  const at = (rate: number): number => chanceOfHardSign(belief, rate, halfLifeMinutes, AHEAD_MINUTES);
  const rates: readonly (readonly [Instead, number | undefined])[] = [
    ['break', 0],
    ['lighter_hands', ratePerMinute * LIGHTER_HANDS],
    ['next_step', nextRatePerMinute],
  ];
  return {
    chance: at(ratePerMinute),
    instead:
      ratePerMinute === 0
        ? []
        : rates.flatMap(([what, rate]) => (rate === undefined ? [] : [{ what, chance: at(rate) }])).sort((a, b) => a.chance - b.chance),
  };
}

/** From this chance on it is told; a lower one is silent: it is no leave to go on. Our default. */
export const TOLD_FROM = 0.05;
/** What is told of a chance: the nearest of these, one in so many. The model knows no more than that. */
const ONE_IN = [2, 3, 4, 5, 7, 10, 15, 20, 30, 50] as const;
/** Beyond the rarest by so much it is "seldom". */
const RARER = 1.25;
/** Rounded to 1 in 2 or more. */
const LIKELY_FROM = 0.6;
/** What is done instead is told when it leaves at most so much of the chance. Our default. */
const WORTH_TELLING = 0.75;

/**
 * A chance as one in so many, the nearest by ratio; `undefined` when it is rarer than any of them.
 * @example oneIn(0.13) // => 7
 */
export function oneIn(chance: number): number | undefined {
  const wanted = 1 / chance;
  if (wanted > Math.max(...ONE_IN) * RARER) return undefined;
  return [...ONE_IN].sort((a, b) => Math.abs(Math.log(a / wanted)) - Math.abs(Math.log(b / wanted)))[0];
}

/** The next minutes in sentences: how likely a hard sign is if it goes on like this, and what would lower that most. Nothing while it is unlikely. */
export function sayNextMinutes(next: Pick<NextMinutes, 'chance' | 'instead'>): Reason[] {
  if (next.chance < TOLD_FROM) return [];
  const minutes = AHEAD_MINUTES;
  const count = oneIn(next.chance);
  const told =
    next.chance >= LIKELY_FROM || !count ? reason('ahead.likely', { minutes }, 0.9) : reason('ahead.one_in', { minutes, count }, 0.9);
  const [best] = next.instead;
  if (!best || best.chance > next.chance * WORTH_TELLING) return [told];
  return [told, reason(`ahead.${best.what}`, { count: oneIn(best.chance) }, 0.8)];
}
