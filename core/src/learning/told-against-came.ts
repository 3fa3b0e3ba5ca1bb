import { PAUSE_AT, STOP_AT } from '../strain/index.js';
import type { VisitSummary } from '../visit/index.js';

/** A chance that was told, and whether it came. */
export interface ToldChance {
  /** 0 to 1 */
  readonly told: number;
  readonly came: boolean;
}

/** Chances of about one size against how often they came. */
export interface ToldGroup {
  /** Mean of what was told, and share that came. */
  readonly told: number;
  readonly came: number;
  /** How often it comes, in nine of ten (Wilson 1927, J. Am. Stat. Assoc. 22: 209, from memory). */
  readonly range90: readonly [number, number];
  readonly count: number;
}

/** How well chances were told. */
export interface Calibration {
  readonly count: number;
  /** Equal shares of all that was told, the lowest first. */
  readonly groups: readonly ToldGroup[];
  /** Mean squared difference of told and came (Brier 1950, Mon. Weather Rev. 78: 1, from memory): 0 is foresight. */
  readonly brier: number;
  /** One less the Brier score over that of always telling how often it came: above 0 it says more than that; `undefined` where it always, or never, came. */
  readonly skill: number | undefined;
}

/** 95 % point of the normal distribution. */
const Z95 = 1.6448536269514722;

/** Chances of one size against what came. @throws RangeError for none */
export function groupOf(all: readonly ToldChance[]): ToldGroup {
  const count = all.length;
  if (count === 0) throw new RangeError('groupOf: nothing was told');
  const came = all.filter((x) => x.came).length / count;
  const z2 = Z95 ** 2 / count;
  const middle = (came + z2 / 2) / (1 + z2);
  const half = (Z95 * Math.sqrt((came * (1 - came)) / count + z2 / (4 * count))) / (1 + z2);
  return { told: all.reduce((sum, x) => sum + x.told, 0) / count, came, range90: [middle - half, middle + half], count };
}

/**
 * How well chances were told, in groups of equal size.
 * @param groups at most so many; fewer when less was told
 * @example calibrationOf([{ told: 1, came: true }, { told: 0, came: false }]).brier // => 0
 */
export function calibrationOf(all: readonly ToldChance[], groups = 5): Calibration {
  const sorted = [...all].sort((a, b) => a.told - b.told);
  const count = sorted.length;
  const parts = Math.min(groups, count);
  const base = sorted.filter((x) => x.came).length / count;
  const scoreOf = (told: (x: ToldChance) => number): number => sorted.reduce((sum, x) => sum + (told(x) - Number(x.came)) ** 2, 0) / count;
  const brier = count === 0 ? 0 : scoreOf((x) => x.told);
  return {
    count,
    groups: Array.from({ length: parts }, (_, i) =>
      groupOf(sorted.slice(Math.floor((i * count) / parts), Math.floor(((i + 1) * count) / parts))),
    ),
    brier,
    skill: base > 0 && base < 1 ? 1 - brier / scoreOf(() => base) : undefined,
  };
}

/** What a plan told and what its visit came to. */
export interface ToldVisit {
  readonly inTime: ToldChance;
  readonly pause: ToldChance;
  readonly stop: ToldChance;
  readonly minutes: { readonly told: number; readonly range: readonly [number, number]; readonly came: number };
}

/**
 * Visits whose plan told chances and that have ended, in a shape that can be held against each other.
 * @param session minutes that a visit had until the dog was fetched; `undefined` where that is not known
 */
export function toldVisitsOf(summaries: readonly VisitSummary[], session: (s: VisitSummary) => number | undefined): ToldVisit[] {
  return summaries.flatMap((s) => {
    const chances = s.told?.chances;
    const until = session(s);
    if (!s.told || !chances || until === undefined || s.outcome === null || s.outcome === 'not_today') return [];
    const finished = s.outcome === 'finished';
    return [
      {
        inTime: { told: chances.inTime, came: finished && s.minutes <= until },
        pause: { told: chances.pause, came: s.peak >= PAUSE_AT },
        stop: { told: chances.stop, came: s.peak >= STOP_AT },
        minutes: { told: s.told.minutes, range: s.told.minutesRange, came: s.minutes },
      },
    ];
  });
}

/** Minutes that were told: how much longer visits took on average, as a share, and how many ended within what was told. */
export interface MinutesTold {
  readonly bias: number;
  readonly within: number;
}

/** @throws RangeError for none */
export function minutesToldAgainstCame(visits: readonly Pick<ToldVisit, 'minutes'>[]): MinutesTold {
  if (visits.length === 0) throw new RangeError('minutesToldAgainstCame: nothing was told');
  const mean = (of: (m: ToldVisit['minutes']) => number): number => visits.reduce((sum, v) => sum + of(v.minutes), 0) / visits.length;
  return {
    bias: Math.expm1(mean((m) => Math.log(m.came / m.told))),
    within: mean((m) => Number(m.range[0] <= m.came && m.came <= m.range[1])),
  };
}
