import { randomLcg, randomLogNormal, randomNormal } from 'd3-random';
import { type ModelTier, START_SPREAD, STARTLES_PER_MINUTE } from '../strain/process.js';
import { SimulatedStrain, type StrainEntry, TICK_MINUTES, type WatchedVisit, type WorkStretch } from '../strain/index.js';
import type { SignalId } from '../words/index.js';

/** How a simulated world may depart from the model that is held against it. */
export interface World {
  /** Spread of a dog's day, of what the plan believes of each step, and of the half-life: standard deviations of logarithms. */
  readonly day: number;
  readonly rates: number;
  readonly halfLife: number;
  /** Share of dogs that go quiet. */
  readonly quiet: number;
  /** Share of the signs that the groomer enters. */
  readonly entered: number;
  /** Half-life in the work against that at rest. */
  readonly inWork: number;
  /** Frights a minute of work. */
  readonly startles: number;
}
export const AS_MODELLED: World = {
  day: 0.45,
  rates: 0.3,
  halfLife: 0.25,
  quiet: 0.1,
  entered: 0.85,
  inWork: 1,
  startles: STARTLES_PER_MINUTE,
};

/** What stays with a dog from visit to visit, and nobody sees. */
export interface SimulatedDog {
  readonly goesQuiet: boolean;
  readonly halfLifeMinutes: number;
  /** Its kinds of work, each with what is taken of dogs of its kind and what is true of it, points a minute. */
  readonly works: readonly { readonly expected: number; readonly truly: number }[];
}

/** A visit as it was entered, and what nobody sees. */
export interface SimulatedVisit {
  readonly seen: WatchedVisit;
  readonly minutes: number;
  /** Minutes at which a hard sign came, entered or not. */
  readonly hardAt: readonly number[];
  readonly goesQuiet: boolean;
  /** True strain at each whole minute. */
  readonly strain: readonly number[];
}

const ONE_SIGN: Readonly<Record<ModelTier, SignalId>> = { early: 'lip_lick', rising: 'panting', hard: 'growl', good: 'soft_body' };
/** The clock's breaks come after so many minutes of work. */
export const BREAK_AFTER_MINUTES = 22;
const STEPS = 8;
const HALF_LIFE_MINUTES = 6;

/** A dog of its own, as far from its kind as the world has dogs differ. @param seed any integer; the same seed is the same dog */
export function drawDog(seed: number, world: World = AS_MODELLED): SimulatedDog {
  const source = randomLcg((seed * 0.754_877_666_25) % 1);
  const spread = (sd: number): number => randomLogNormal.source(source)(0, sd)();
  return {
    goesQuiet: source() < world.quiet,
    halfLifeMinutes: HALF_LIFE_MINUTES * spread(world.halfLife),
    works: Array.from({ length: STEPS }, () => {
      const expected = 0.8 + 5 * source() * source();
      return { expected, truly: expected * spread(world.rates) };
    }),
  };
}

/**
 * A visit of a dog with a true temper, rates and half-life of its own, and a groomer who enters most of what is seen, breaks by the
 * plan's clock, pauses after a hard sign and stops after the second.
 * @param seed any integer; the same seed is the same visit
 * @param dog whose visit it is; else a dog that comes once
 * @param believed what the plan believes of each of its works, points a minute; else what is taken of its kind
 */
export function simulateVisit(seed: number, world: World = AS_MODELLED, dog?: SimulatedDog, believed?: readonly number[]): SimulatedVisit {
  const source = randomLcg((seed * 0.618_033_988_75) % 1);
  const spread = (sd: number): number => randomLogNormal.source(source)(0, sd)();
  const drawnQuiet = source() < world.quiet;
  const goesQuiet = dog?.goesQuiet ?? drawnQuiet;
  const temper = spread(world.day);
  const drawnHalfLife = HALF_LIFE_MINUTES * spread(world.halfLife);
  const planned: WorkStretch[] = [];
  const trueRates: number[] = [];
  let from = 0;
  for (let i = 0; i < STEPS; i++) {
    const minutes = 6 + 8 * source();
    const drawnRate = 0.8 + 5 * source() * source();
    const drawnTruth = drawnRate * spread(world.rates);
    const work = dog?.works[i];
    planned.push({ fromMinute: from, toMinute: from + minutes, ratePerMinute: believed?.[i] ?? work?.expected ?? drawnRate });
    trueRates.push((work?.truly ?? drawnTruth) * temper);
    from += minutes;
  }
  const entries: StrainEntry[] = [];
  const hardAt: number[] = [];
  const strain: number[] = [];
  const start = 10;
  const inside = new SimulatedStrain(
    start + START_SPREAD * randomNormal.source(source)(0, 1)(),
    {
      manner: goesQuiet ? 'goes_quiet' : 'shows',
      halfLifeMinutes: dog?.halfLifeMinutes ?? drawnHalfLife,
      inWork: world.inWork,
      startlesPerMinute: world.startles,
    },
    source,
  );
  let restUntil = 0;
  let resting = false;
  let lastEntry = 0;
  let lastBreak = 0;
  let end = from;
  for (let tick = 0; tick * TICK_MINUTES < end; tick++) {
    const minute = tick * TICK_MINUTES;
    if (Math.abs(minute - Math.round(minute)) < TICK_MINUTES / 2) strain[Math.round(minute)] = inside.strain;
    if (resting && minute >= restUntil) {
      entries.push({ kind: 'state_seen', minute, mood: inside.look() }, { kind: 'break_ended', minute });
      resting = false;
      lastEntry = lastBreak = minute;
    } else if (!resting && minute - lastBreak > BREAK_AFTER_MINUTES) {
      entries.push({ kind: 'break_started', minute });
      [resting, restUntil, lastEntry] = [true, minute + 4, minute];
    }
    const at = planned.findIndex((p) => p.fromMinute <= minute && minute < (p.toMinute ?? Infinity));
    for (const tier of inside.tick(resting ? undefined : (trueRates[at] ?? 0))) {
      if (tier === 'hard') hardAt.push(minute);
      if (source() >= (tier === 'hard' ? 1 : world.entered)) continue;
      entries.push({ kind: 'signal', minute, signal: ONE_SIGN[tier] });
      lastEntry = minute;
      if (tier === 'hard' && hardAt.length > 1) end = minute;
      else if (tier === 'hard' && !resting) {
        entries.push({ kind: 'break_started', minute });
        [resting, restUntil] = [true, minute + 6];
      }
    }
    if (!resting && minute - lastEntry > 5.5) {
      entries.push({ kind: 'state_seen', minute, mood: inside.look() });
      lastEntry = minute;
    }
  }
  return { seen: { entries, stretches: planned, start, halfLifeMinutes: HALF_LIFE_MINUTES }, minutes: end, hardAt, goesQuiet, strain };
}
