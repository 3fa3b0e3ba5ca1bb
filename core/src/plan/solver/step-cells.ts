import { STOP_AT, WATCH_AT } from '../../strain/index.js';
import { BREAK_STEP_MINUTES } from '../model.js';
import { doseOf, type Numbers } from './numbers.js';

/** The highest strain that any step may reach; the cells cover it. */
export const STRAIN_TOP = STOP_AT;
/** Breaks of 0 to 6 break steps are tried each; longer ones together, as if they took all strain away. */
const BREAKS_EACH = 6;
export const BREAK_OPTIONS = BREAKS_EACH + 2;
/** Levels of tiredness for which steps are computed, at most, and strain cells for each of them: finer levels than cells tell nothing. */
const TIRED_LEVELS = 48;
const CELLS_PER_LEVEL = 4;
const EPS = 1e-9;

/** One part of a step at one level of tiredness, from the lower edge of each strain cell and after each break. */
export interface PartCells {
  /** The cell in which it ends, −1 when that is too much. */
  readonly ends: Int32Array;
  /** Dose of the break and the part, point-minutes. */
  readonly doses: Float64Array;
  /** Breaks worth trying from each cell. */
  readonly tried: Int32Array;
}

/** Steps on a strain that is cut into cells, rounded down: computed when asked for, and shared by tables of every price. */
export interface StepCells {
  readonly strainCells: number;
  readonly cellOf: (strain: number) => number;
  /** @param worked minutes of work done before the part */
  readonly step: (index: number, worked: number) => PartCells;
}

/** What each step does to strain, from each cell and at each level of tiredness. @param strainCells how many cells lie below `STRAIN_TOP` */
export function stepCells(numbers: Numbers, strainCells: number): StepCells {
  const { k } = numbers;
  // Read once: what is imported is looked up at each use.
  const [breakStep, watch] = [BREAK_STEP_MINUTES, WATCH_AT];
  const cell = STRAIN_TOP / strainCells;
  const work = numbers.steps.reduce((sum, s) => sum + s.minutes, 0);
  const level = Math.max((numbers.fatigue * work) / Math.min(TIRED_LEVELS, Math.ceil(strainCells / CELLS_PER_LEVEL)), EPS);
  const made: (PartCells | undefined)[][] = numbers.steps.map(() => []);
  const cellOf = (strain: number): number => Math.min(strainCells - 1, Math.floor(strain / cell + EPS));
  const left = Array.from({ length: BREAK_OPTIONS }, (_, n) => (n === BREAK_OPTIONS - 1 ? 0 : Math.exp(-k * n * breakStep)));
  const make = (index: number, fatigue: number): PartCells => {
    const step = numbers.steps[index];
    const ends = new Int32Array(strainCells * BREAK_OPTIONS).fill(-1);
    const doses = new Float64Array(strainCells * BREAK_OPTIONS);
    const tried = new Int32Array(strainCells).fill(BREAK_OPTIONS);
    if (!step) return { ends, doses, tried };
    const added = step.gain * fatigue;
    const rate = step.ratePerMinute * fatigue;
    for (let s = 0; s < strainCells; s++) {
      const strain = s * cell;
      for (let n = 0; n < BREAK_OPTIONS; n++) {
        const last = n === BREAK_OPTIONS - 1;
        const pause = n * breakStep;
        const rested = strain * (left[n] ?? 0);
        const end = rested * step.decay + added;
        if (Math.max(rested, end) > step.ceiling) continue;
        const dose = doseOf(rested, end, rate, step.partMinutes, k);
        ends[s * BREAK_OPTIONS + n] = cellOf(end);
        doses[s * BREAK_OPTIONS + n] = dose + (n > 0 && !last && strain > watch ? doseOf(strain, rested, 0, pause, k) : 0);
        // A longer break would do more after the part, where there can be one.
        if (dose === 0 && n > 0 && numbers.noBreakMask === 0) {
          tried[s] = n + 1;
          break;
        }
      }
    }
    return { ends, doses, tried };
  };
  return {
    strainCells,
    cellOf,
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
