import { type Belief, cellAt, massAt } from './belief.js';
import { recoveryPerMinute } from './curve.js';
import type { Grid } from './grid.js';
import { NOISE_POINTS, STARTLES_PER_MINUTE, STEP_MINUTES, TEMPER_ANEW, TEMPERS } from './process.js';

/** Mass below which a cell is taken to be empty. Our default: a millionth of a millionth. */
const UNLIKELY = 1e-12;
/** Below this variance, in cells, three cells cannot meet both mean and variance: half-lives under 3 min are told a little wider. */
const LEAST_SPREAD = 0.25;

/** Cells are gone through by so many at once. */
const FOUR = 4;

/**
 * What each cell gets in one step: from so many neighbouring cells of its plane, the same number for all. The top cell is left out: it
 * gets what no other one got.
 */
interface Drift {
  readonly width: number;
  /** First of the cells that each gets from, by temper and cell. */
  readonly first: Int32Array;
  /** What it gets of each of them, cell after cell. */
  readonly share: Float64Array;
}

function driftOf({ cells, cellPoints, half }: Grid, ratePerMinute: number, halfLifeMinutes: number, minutes: number): Drift {
  const k = recoveryPerMinute(halfLifeMinutes);
  const decay = Math.exp(-k * minutes);
  const noise = (NOISE_POINTS ** 2 * (1 - decay * decay)) / (2 * k);
  const spread = Math.max(LEAST_SPREAD, noise / cellPoints ** 2);
  const first = new Int32Array(half).fill(-1);
  let most = 1;
  /** Each cell gives to the three round its mean, and nothing below the scale; the top is left out. */
  const giving = (give: (to: number, from: number, share: number) => void): void => {
    for (let i = 0; i < half; i++) {
      const cell = i % cells;
      const plane = i - cell;
      const gain = ((ratePerMinute * (TEMPERS[plane / cells]?.times ?? 1)) / k) * (1 - decay);
      const mean = cell * decay + gain / cellPoints;
      const middle = Math.round(mean);
      const off = mean - middle;
      if (middle + 1 < cells - 1) give(plane + middle + 1, i, (spread + off * off + off) / 2);
      if (middle < cells - 1) give(plane + middle, i, 1 - spread - off * off);
      if (middle - 1 < cells - 1) give(plane + Math.max(0, middle - 1), i, (spread + off * off - off) / 2);
    }
  };
  giving((to, from) => {
    if (cellAt(first, to) < 0) first[to] = from;
    most = Math.max(most, from - cellAt(first, to) + 1);
  });
  const width = Math.ceil(most / FOUR) * FOUR;
  for (let i = 0; i < half; i++) {
    const plane = i - (i % cells);
    const from = cellAt(first, i);
    first[i] = from < 0 ? plane : Math.min(plane + cells - width, from);
  }
  const share = new Float64Array(half * width);
  giving((to, from, part) => {
    const at = to * width + from - cellAt(first, to);
    share[at] = massAt(share, at) + part;
  });
  return { width, first, share };
}

/** A stretch of work goes on at one rate for many steps. */
const drifts = new WeakMap<Grid, Map<number, Map<number, Drift>>>();
const DRIFTS_KEPT = 100;
function drift(grid: Grid, ratePerMinute: number, halfLifeMinutes: number, minutes: number): Drift {
  let byRate = drifts.get(grid);
  if (!byRate || byRate.size > DRIFTS_KEPT) drifts.set(grid, (byRate = new Map()));
  let kept = byRate.get(ratePerMinute);
  if (!kept || kept.size > DRIFTS_KEPT) byRate.set(ratePerMinute, (kept = new Map()));
  // Steps are fractions of an hour and half-lives under one: the two in one number.
  const key = halfLifeMinutes + minutes * 1024;
  let made = kept.get(key);
  if (!made) kept.set(key, (made = driftOf(grid, ratePerMinute, halfLifeMinutes, minutes)));
  return made;
}

/**
 * The same after one step of the model, in which work went on at a rate. Mean and variance of the drift are
 * met exactly within the scale: each cell goes to the three round its mean.
 * @param ratePerMinute points a minute on an ordinary day; 0 is a break
 */
export function afterStep({ grid, mass }: Belief, ratePerMinute: number, halfLifeMinutes: number, minutes = STEP_MINUTES): Belief {
  const next = new Float64Array(mass.length);
  stepInto(next, grid, mass, ratePerMinute, halfLifeMinutes, minutes);
  return { grid, mass: next };
}

/** As {@link afterStep}, written to another array: making new ones costs more than filling them. */
export function stepInto(
  next: Float64Array,
  grid: Grid,
  before: Float64Array,
  ratePerMinute: number,
  halfLifeMinutes: number,
  minutes: number,
): void {
  const { cells, half } = grid;
  const { width, first, share } = drift(grid, ratePerMinute, halfLifeMinutes, minutes);
  for (let manner = 0; manner < before.length; manner += half)
    for (let plane = 0; plane < half; plane += cells) {
      const top = plane + cells - 1;
      let left = 0;
      for (let i = plane; i <= top; i++) left += massAt(before, manner + i);
      for (let i = plane; i < top; i++) {
        const from = manner + cellAt(first, i);
        let e = i * width;
        // Four by four: a loop over so few costs more than what it does.
        let mass = 0;
        for (let s = from; s < from + width; s += FOUR, e += FOUR)
          mass +=
            massAt(before, s) * massAt(share, e) +
            massAt(before, s + 1) * massAt(share, e + 1) +
            massAt(before, s + 2) * massAt(share, e + 2) +
            massAt(before, s + 3) * massAt(share, e + 3);
        // What is this unlikely is not carried on: numbers that small only cost time.
        next[manner + i] = mass < UNLIKELY ? 0 : mass;
        left -= mass;
      }
      next[manner + top] = left < UNLIKELY ? 0 : left;
    }
  // Nothing is done to it in a break: no fright of the work.
  if (ratePerMinute > 0) startle(next, grid, STARTLES_PER_MINUTE * minutes);
}

/** Frights: strain jumps up, at most to the top. From the top down, so that no mass is moved twice. */
function startle(mass: Float64Array, { cells, jumps }: Grid, chance: number): void {
  const stay = 1 - chance;
  const each = chance / jumps.length;
  const [low, middle, high] = jumps;
  const top = cells - 1;
  for (let plane = 0; plane < mass.length; plane += cells) {
    let over = 0;
    for (let c = plane + top - high; c < plane + top; c++) over += massAt(mass, c);
    for (let c = plane + top - middle; c < plane + top; c++) over += massAt(mass, c);
    for (let c = plane + top - low; c < plane + top; c++) over += massAt(mass, c);
    over = massAt(mass, plane + top) + each * over;
    let i = plane + top - 1;
    for (; i >= plane + high; i--)
      mass[i] = stay * massAt(mass, i) + each * (massAt(mass, i - low) + massAt(mass, i - middle) + massAt(mass, i - high));
    for (; i >= plane + middle; i--) mass[i] = stay * massAt(mass, i) + each * (massAt(mass, i - low) + massAt(mass, i - middle));
    for (; i >= plane + low; i--) mass[i] = stay * massAt(mass, i) + each * massAt(mass, i - low);
    for (; i >= plane; i--) mass[i] = stay * massAt(mass, i);
    mass[plane + top] = over;
  }
}

/** The same when another stretch of work begins: strain and manner stay, the temper begins anew by the share of {@link TEMPER_ANEW}. */
export function afterChange({ grid, mass }: Belief): Belief {
  const next = Float64Array.from(mass);
  changeIn(next, grid);
  return { grid, mass: next };
}

/** As {@link afterChange}, in the array itself. */
export function changeIn(mass: Float64Array, { cells, half }: Grid): void {
  for (let manner = 0; manner < mass.length; manner += half)
    for (let c = 0; c < cells; c++) {
      let all = 0;
      for (let t = 0; t < TEMPERS.length; t++) all += massAt(mass, manner + t * cells + c);
      for (let t = 0; t < TEMPERS.length; t++) {
        const i = manner + t * cells + c;
        mass[i] = (1 - TEMPER_ANEW) * massAt(mass, i) + TEMPER_ANEW * all * (TEMPERS[t]?.chance ?? 0);
      }
    }
}
