import type { RandomBytes } from '@mansuet/core/log';

/** A seeded generator (mulberry32): the same seed gives the same salon. */
export interface Random {
  /** 0 ≤ x < 1 */
  next(): number;
  between(low: number, high: number): number;
  whole(low: number, high: number): number;
  chance(p: number): boolean;
  pick<T>(from: readonly T[]): T;
  /** A count with this mean (Knuth's method; fine for small means). */
  poisson(mean: number): number;
  readonly bytes: RandomBytes;
}

export function seeded(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    whole: (low, high) => Math.floor(low + (high - low + 1) * next()),
    chance: (p) => next() < p,
    pick: (from) => {
      const found = from[Math.floor(next() * from.length)];
      if (found === undefined) throw new RangeError('pick: nothing to pick from');
      return found;
    },
    poisson: (mean) => {
      const limit = Math.exp(-mean);
      let count = 0;
      for (let product = next(); product > limit; product *= next()) count++;
      return count;
    },
    bytes: (into) => {
      for (let i = 0; i < into.length; i++) into[i] = Math.floor(next() * 256);
      return into;
    },
  };
}
