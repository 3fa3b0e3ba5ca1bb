import { STOP_AT, WATCH_AT } from '../../strain/index.js';
import { BREAK_STEP_MINUTES } from '../model.js';
import { doseOf, doseSlopeOf, type Numbers } from './numbers.js';

/** The highest strain that any step may reach; the cells cover it. */
export const STRAIN_TOP = STOP_AT;
/** Breaks of so many break steps are tried each; longer ones by the group, as if they took the time of the shortest and did what the longest does. */
const BREAKS_EACH = 6;
/** The longest break of each group, in break steps; the last one takes all strain away. Our default. */
const GROUPS_UP_TO = [8, 11, 16, Infinity] as const;
/** Break steps of the shortest break of each choice, and of the longest. */
export const SHORTEST_BREAK: readonly number[] = Array.from({ length: BREAKS_EACH + 1 + GROUPS_UP_TO.length }, (_, n) =>
  n <= BREAKS_EACH ? n : 1 + (GROUPS_UP_TO[n - BREAKS_EACH - 2] ?? BREAKS_EACH),
);
const longestBreak = (n: number): number => (n <= BREAKS_EACH ? n : (GROUPS_UP_TO[n - BREAKS_EACH - 1] ?? Infinity));
export const BREAK_OPTIONS = SHORTEST_BREAK.length;
/** A dog that has come down this far has rested: longer breaks are tried together. Our default. */
const HARDLY_LEFT = 0.02;
/** Levels of tiredness for which steps are computed, at most. Our default: a hundredth of what a long visit adds is lost by it. */
const TIRED_LEVELS = 40;
const EPS = 1e-9;

/**
 * One part of a step at one level of tiredness, from each strain cell and after each break: where it goes from the lower edge of the cell, and
 * how much more at least from higher up in it. Dose is convex in the strain before it, so its tangent at the lower edge is never above it.
 */
export interface PartCells {
  /** The cell in which it ends, −1 when that is too much, and how far up in that cell, 0 to 1. */
  readonly ends: Int32Array;
  readonly up: Float64Array;
  /** Dose of the break and the part, point-minutes, and how much more it is from the upper edge by its tangent. */
  readonly doses: Float64Array;
  readonly rises: Float64Array;
  /** After each break: how many cells further up it ends for one cell further up at the start. */
  readonly carries: Float64Array;
  /** Breaks worth trying from each cell. */
  readonly tried: Int32Array;
}

/** Steps on a strain that is cut into cells: computed when asked for, and shared by tables of every price. */
export interface StepCells {
  readonly strainCells: number;
  readonly cellOf: (strain: number) => number;
  /** How far up in its cell a strain lies, 0 to 1. */
  readonly upOf: (strain: number) => number;
  /** @param worked minutes of work done before the part */
  readonly step: (index: number, worked: number) => PartCells;
}

/**
 * What each step does to strain, from each cell and at each level of tiredness.
 * @param strainCells how many cells lie below `STRAIN_TOP` @param dosed whether doses are asked for: without them it takes a fraction of the time
 */
export function stepCells(numbers: Numbers, strainCells: number, dosed = true): StepCells {
  const { k } = numbers;
  // Read once: what is imported is looked up at each use.
  const [breakStep, watch] = [BREAK_STEP_MINUTES, WATCH_AT];
  const cell = STRAIN_TOP / strainCells;
  const work = numbers.steps.reduce((sum, s) => sum + s.minutes, 0);
  const level = Math.max((numbers.fatigue * work) / TIRED_LEVELS, EPS);
  const made: (PartCells | undefined)[][] = numbers.steps.map(() => []);
  const cellOf = (strain: number): number => Math.min(strainCells - 1, Math.floor(strain / cell + EPS));
  const upOf = (strain: number): number => Math.min(1, Math.max(0, strain / cell - cellOf(strain)));
  const left = Array.from({ length: BREAK_OPTIONS }, (_, n) => Math.exp(-k * longestBreak(n) * breakStep));
  // The first choice that does as well as all longer ones.
  const enough = left.findIndex((l) => l <= HARDLY_LEFT);
  left.fill(0, enough);
  const leftAtShortest = SHORTEST_BREAK.map((n) => Math.exp(-k * n * breakStep));
  const make = (index: number, fatigue: number): PartCells => {
    const step = numbers.steps[index];
    const ends = new Int32Array(strainCells * BREAK_OPTIONS).fill(-1);
    const up = new Float64Array(strainCells * BREAK_OPTIONS);
    const doses = new Float64Array(strainCells * BREAK_OPTIONS);
    const rises = new Float64Array(strainCells * BREAK_OPTIONS);
    const carries = Float64Array.from(left, (l) => l * (step?.decay ?? 1));
    const tried = new Int32Array(strainCells).fill(enough + 1);
    if (!step) return { ends, up, doses, rises, carries, tried };
    const added = step.gain * fatigue;
    const rate = step.ratePerMinute * fatigue;
    for (let s = 0; s < strainCells; s++) {
      const strain = s * cell;
      for (let n = 0; n <= enough; n++) {
        const pause = (SHORTEST_BREAK[n] ?? 0) * breakStep;
        const rested = strain * (left[n] ?? 0);
        const atShortest = strain * (leftAtShortest[n] ?? 0);
        const end = rested * step.decay + added;
        if (Math.max(rested, end) > step.ceiling) continue;
        const place = s * BREAK_OPTIONS + n;
        ends[place] = cellOf(end);
        up[place] = upOf(end);
        if (dosed) {
          doses[place] = doseOf(rested, end, rate, step.partMinutes, k) + (n > 0 ? doseOf(strain, atShortest, 0, pause, k) : 0);
          rises[place] =
            cell *
            ((left[n] ?? 0) * doseSlopeOf(rested, end, rate, step.partMinutes, k) +
              (n > 0 ? doseSlopeOf(strain, atShortest, 0, pause, k) : 0));
        }
        // A longer break would do more after the part, where there can be one.
        const highest = Math.max(rested + cell * (left[n] ?? 0), end + cell * (carries[n] ?? 0));
        if (highest <= watch && n > 0 && numbers.noBreakMask === 0) {
          tried[s] = n + 1;
          break;
        }
      }
    }
    return { ends, up, doses, rises, carries, tried };
  };
  return {
    strainCells,
    cellOf,
    upOf,
    step: (index, worked) => {
      const at = Math.floor((numbers.fatigue * worked) / level + EPS);
      const row = made[index];
      const known = row?.[at];
      if (known) return known;
      const part = make(index, 1 + at * level);
      if (row) row[at] = part;
      return part;
    },
  };
}
