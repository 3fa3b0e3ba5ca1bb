import { chanceOfHardSign } from '../strain/belief.js';
import { AHEAD_MINUTES, StrainFilter } from '../strain/index.js';
import { AS_MODELLED, BREAK_AFTER_MINUTES, simulateVisit, type World } from './simulated-dogs.js';

/** A chance that was told, and whether it came. */
export interface ToldAndCame {
  readonly told: number;
  readonly came: boolean;
}

/**
 * Told chances of a hard sign in the next five minutes, asked each third minute of the work, with what came. What is told is told for
 * going on like this: minutes in which the plan's next step or the clock's next break begins are no answer to it.
 */
export function toldAndCame(world: World, visits: number, seed: number): ToldAndCame[] {
  const out: ToldAndCame[] = [];
  for (let i = 0; i < visits; i++) {
    const { seen, minutes, hardAt } = simulateVisit(seed + i, world);
    const filter = new StrainFilter(seen);
    for (let minute = 3; minute < minutes; minute += 3) {
      const breaks = seen.entries.filter((e) => e.minute <= minute && (e.kind === 'break_started' || e.kind === 'break_ended'));
      const last = breaks.at(-1);
      const until = minute + AHEAD_MINUTES;
      if (last?.kind === 'break_started' || until - (last?.minute ?? 0) > BREAK_AFTER_MINUTES) continue;
      const stretch = seen.stretches.find((s) => s.fromMinute <= minute && until <= (s.toMinute ?? Infinity));
      if (!stretch) continue;
      const told = chanceOfHardSign(filter.at(minute), stretch.ratePerMinute, seen.halfLifeMinutes, AHEAD_MINUTES);
      out.push({ told, came: hardAt.some((h) => h > minute && h <= until) });
    }
  }
  return out;
}

/** Area under the ROC curve, by ranks (Hanley and McNeil 1982, Radiology 143: 29, from memory). */
export function areaUnderRoc(all: readonly ToldAndCame[]): number {
  const sorted = [...all].sort((a, b) => a.told - b.told);
  const ranks = sorted.reduce((sum, x, i) => sum + (x.came ? i + 1 : 0), 0);
  const came = sorted.filter((x) => x.came).length;
  return (ranks - (came * (came + 1)) / 2) / (came * (sorted.length - came));
}

/** Chances of one share of all that was told, lowest first, against how often it came. `from` and `to` are shares, 0 to 1. */
export interface ToldGroup {
  readonly told: number;
  readonly came: number;
  /** How often it came, in nine of ten (Wilson 1927, J. Am. Stat. Assoc. 22: 209, from memory). */
  readonly range90: readonly [number, number];
  readonly count: number;
}

/** What was told from one share to another, lowest first: `toldGroup(all, 0.8, 1)` is the fifth that was told highest. */
export function toldGroup(all: readonly ToldAndCame[], from: number, to: number): ToldGroup {
  const sorted = [...all].sort((a, b) => a.told - b.told).slice(Math.floor(from * all.length), Math.floor(to * all.length));
  const count = sorted.length;
  const came = sorted.filter((x) => x.came).length / count;
  const z2 = NORMAL_90 ** 2 / count;
  const middle = (came + z2 / 2) / (1 + z2);
  const half = (NORMAL_90 * Math.sqrt((came * (1 - came)) / count + z2 / (4 * count))) / (1 + z2);
  return { told: sorted.reduce((sum, x) => sum + x.told, 0) / count, came, range90: [middle - half, middle + half], count };
}
/** 95th percentile of the standard normal. */
const NORMAL_90 = 1.645;

/** Worlds that the model is held against: as it is, and as it may really be. */
export const WORLDS: Readonly<Record<string, World>> = {
  'as modelled': AS_MODELLED,
  'half of the signs entered': { ...AS_MODELLED, entered: 0.43 },
  'slower to come down at work': { ...AS_MODELLED, inWork: 1.6 },
  'wilder days and rates': { ...AS_MODELLED, day: 0.7, rates: 0.5 },
  'no frights': { ...AS_MODELLED, startles: 0 },
  'all dogs go quiet': { ...AS_MODELLED, quiet: 1 },
};
