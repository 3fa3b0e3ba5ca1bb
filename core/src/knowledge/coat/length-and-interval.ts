import { type Reason, reason } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';

/** Coat grows about 12 mm a month. Common practice, no source. */
const COAT_MM_PER_MONTH = 12;
const WEEKS_PER_MONTH = 365.2425 / 12 / 7;

/** Length at which a coat begins to mat between brushings, mm. Our default. `Infinity`: it does not mat by length. */
const MATS_FROM_MM: Readonly<Record<DogFacts['coat'], number>> = {
  smooth: Infinity,
  double: Infinity,
  wire: 45,
  curly: 35,
  silky: 40,
  wool: 30,
};
/** The shortest cut that is asked for without need, mm: a #10. */
const SHORTEST_MM = 1.5;

/** Millimetres a coat grows in some weeks. `growthMm(WEEKS of a month) // => 12` */
export function growthMm(weeks: number): number {
  return (COAT_MM_PER_MONTH * weeks) / WEEKS_PER_MONTH;
}

export interface LengthAdvice {
  /** The most that the coat should be left, mm; `Infinity` when its length does not matter. */
  readonly atMostMm: number;
  readonly reasons: readonly Reason[];
}

/**
 * The longest cut that does not mat before the realistic return: who comes in seven months is cut shorter than who comes in six weeks.
 * @param weeks until the owner really comes back, > 0
 * @param brushed whether it is brushed in between at least three times a week; then half of the growth counts (our default)
 * @example longestCutFor('curly', 6, false).atMostMm // => 18.4
 */
export function longestCutFor(coat: DogFacts['coat'], weeks: number, brushed: boolean): LengthAdvice {
  if (!(weeks > 0)) throw new RangeError(`longestCutFor: ${weeks} weeks`);
  const limit = MATS_FROM_MM[coat];
  const atMostMm = Math.max(SHORTEST_MM, limit - growthMm(weeks) * (brushed ? BRUSHED_COUNTS : 1));
  if (!Number.isFinite(atMostMm)) return { atMostMm, reasons: [reason('next.length_free', { coat }, 0.2)] };
  return { atMostMm, reasons: [reason('next.length_for_weeks', { weeks, mm: atMostMm, limit, coat }, 0.6)] };
}

/** Growth counts this much when it is brushed three times a week. Our default. */
const BRUSHED_COUNTS = 0.5;

export interface IntervalAdvice {
  /** Weeks until it should be back; `Infinity` when its length does not matter. */
  readonly weeks: number;
  readonly reasons: readonly Reason[];
}

/**
 * When a cut of some length should be back, the other way round.
 * @example weeksForLength('curly', 9, false).weeks // => 9
 */
export function weeksForLength(coat: DogFacts['coat'], lengthMm: number, brushed: boolean): IntervalAdvice {
  if (!(lengthMm > 0)) throw new RangeError(`weeksForLength: ${lengthMm} mm`);
  const left = MATS_FROM_MM[coat] - lengthMm;
  if (!Number.isFinite(left)) return { weeks: Infinity, reasons: [reason('next.length_free', { coat }, 0.2)] };
  const weeks = Math.max(1, Math.floor(left / (growthMm(1) * (brushed ? BRUSHED_COUNTS : 1))));
  return { weeks, reasons: [reason('next.weeks_for_length', { weeks, mm: lengthMm, limit: MATS_FROM_MM[coat], coat }, 0.5)] };
}

/** Baths are at least this many weeks apart unless it is brushed often, and this many brushings go to a bath. Common practice, no source. */
const BATH_WEEKS = 4;
const BRUSHINGS_PER_BATH = 6;

export interface BathAdvice {
  readonly ok: boolean;
  readonly brushingsNeeded: number;
  readonly reasons: readonly Reason[];
}

/**
 * Whether baths at home come too often: not below 4 weeks unless brushed often, about six brushings to a bath. A bath tightens what
 * the brush has left.
 * @example adviseBaths(2, 1).ok // => false
 */
export function adviseBaths(weeksBetweenBaths: number, brushingsPerWeek: number): BathAdvice {
  if (!(weeksBetweenBaths > 0) || !(brushingsPerWeek >= 0))
    throw new RangeError(`adviseBaths: ${weeksBetweenBaths} weeks, ${brushingsPerWeek} brushings a week`);
  const brushings = weeksBetweenBaths * brushingsPerWeek;
  const ok = weeksBetweenBaths >= BATH_WEEKS || brushings >= BRUSHINGS_PER_BATH;
  const facts = { weeks: weeksBetweenBaths, needed: BRUSHINGS_PER_BATH, least: BATH_WEEKS };
  return {
    ok,
    brushingsNeeded: BRUSHINGS_PER_BATH,
    reasons: [reason(ok ? 'next.baths_fine' : 'next.baths_too_often', facts, ok ? 0.2 : 0.6)],
  };
}

/** Brushings a week by coat at a length. Our default. `brushingsAWeek('wool', 25) // => 4` */
export function brushingsAWeek(coat: DogFacts['coat'], lengthMm: number): number {
  const limit = MATS_FROM_MM[coat];
  if (!Number.isFinite(limit)) return coat === 'double' ? 2 : 1;
  const share = lengthMm / limit;
  if (share < 0.25) return 1;
  return share < 0.6 ? 2 : 4;
}
