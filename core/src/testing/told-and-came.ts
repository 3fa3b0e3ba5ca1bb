import { groupOf, type ToldChance, type ToldGroup } from '../learning/index.js';
import { chanceOfHardSign } from '../strain/hard-sign-ahead.js';
import { AHEAD_MINUTES, StrainFilter } from '../strain/index.js';
import { AS_MODELLED, BREAK_AFTER_MINUTES, simulateVisit, type World } from './simulated-dogs.js';

/**
 * Told chances of a hard sign in the next five minutes, asked each third minute of the work, with what came. What is told is told for
 * going on like this: minutes in which the plan's next step or the clock's next break begins are no answer to it.
 */
export function toldAndCame(world: World, visits: number, seed: number): ToldChance[] {
  const out: ToldChance[] = [];
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
export function areaUnderRoc(all: readonly ToldChance[]): number {
  const sorted = [...all].sort((a, b) => a.told - b.told);
  const ranks = sorted.reduce((sum, x, i) => sum + (x.came ? i + 1 : 0), 0);
  const came = sorted.filter((x) => x.came).length;
  return (ranks - (came * (came + 1)) / 2) / (came * (sorted.length - came));
}

/** What was told from one share to another, lowest first: `toldGroup(all, 0.8, 1)` is the fifth that was told highest. */
export function toldGroup(all: readonly ToldChance[], from: number, to: number): ToldGroup {
  return groupOf([...all].sort((a, b) => a.told - b.told).slice(Math.floor(from * all.length), Math.floor(to * all.length)));
}

/** Worlds that the model is held against: as it is, and as it may really be. */
export const WORLDS: Readonly<Record<string, World>> = {
  'as modelled': AS_MODELLED,
  'half of the signs entered': { ...AS_MODELLED, entered: 0.43 },
  'slower to come down at work': { ...AS_MODELLED, inWork: 1.6 },
  'wilder days and rates': { ...AS_MODELLED, day: 0.7, rates: 0.5 },
  'no frights': { ...AS_MODELLED, startles: 0 },
  'all dogs go quiet': { ...AS_MODELLED, quiet: 1 },
};
