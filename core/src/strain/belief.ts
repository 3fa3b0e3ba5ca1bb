import type { Mood } from '../words/index.js';
import { FINE, type Grid } from './grid.js';
import { MANNERS, type ModelTier, QUIET_SHARE, START_SPREAD, TEMPERS } from './process.js';

/**
 * What is believed of a dog at a moment: how likely each strain is, together with the temper of the day and the manner of the dog, laid out
 * as its grid says; all of it sums to one.
 */
export interface Belief {
  readonly grid: Grid;
  readonly mass: Float64Array;
}

/** What is believed after something was seen, and how likely that was before, up to a factor that is the same for all beliefs. */
export interface Weighed {
  readonly belief: Belief;
  readonly likelihood: number;
}

export function massAt(of: Float64Array, i: number): number {
  return of[i] ?? 0;
}
/** The same for cells: two kinds of array in one function would make both slow. */
export function cellAt(of: Int32Array, i: number): number {
  return of[i] ?? 0;
}

/**
 * Before anything was seen: strain round what the mood says, the temper and manner of dogs in general.
 * @param start points, 0 to 100
 * @param quietShare chance that it is a dog that goes quiet
 */
export function firstBelief(start: number, quietShare = QUIET_SHARE, grid: Grid = FINE): Belief {
  const { cells, cellPoints, half } = grid;
  const mass = new Float64Array(MANNERS.length * half);
  MANNERS.forEach((manner, m) => {
    const share = manner === 'goes_quiet' ? quietShare : 1 - quietShare;
    TEMPERS.forEach(({ chance }, t) => {
      for (let c = 0; c < cells; c++) {
        const away = (c * cellPoints - start) / START_SPREAD;
        mass[m * half + t * cells + c] = share * chance * Math.exp(-0.5 * away * away);
      }
    });
  });
  normalize(mass);
  return { grid, mass };
}

/**
 * The same after a sign was seen. A sign of strain speaks of strain, not of the manner: otherwise one more sign could make a quiet dog,
 * that may be higher, less likely, and with it lower the whole.
 */
export function afterSign(belief: Belief, tier: ModelTier): Weighed {
  return weighed(belief, (mass) => seeIn(mass, belief.grid, tier));
}
/** As {@link afterSign}, in the array itself. @returns how likely it was */
export function seeIn(mass: Float64Array, grid: Grid, tier: ModelTier): number {
  return weighIn(mass, grid, grid.signs[tier], tier === 'good');
}

/** What watched minutes without a sign of strain speak for, by grid, manner and cell. */
const silences = new WeakMap<Grid, Map<number, readonly Float64Array[]>>();
function silentFor(grid: Grid, minutes: number): readonly Float64Array[] {
  const kept = silences.get(grid) ?? new Map<number, readonly Float64Array[]>();
  silences.set(grid, kept);
  const known = kept.get(minutes);
  if (known) return known;
  const made = grid.strainSigns.map((of) => of.map((x) => Math.exp(-x * minutes)));
  kept.set(minutes, made);
  return made;
}

/**
 * The same after watched minutes in which no sign of strain was seen: it speaks against strain in a dog that shows it,
 * hardly in a quiet one.
 * @param minutes so many, or fewer where not all signs are entered; few different values in a whole
 */
export function afterSilence(belief: Belief, minutes: number): Weighed {
  return weighed(belief, (mass) => silenceIn(mass, belief.grid, minutes));
}
/** As {@link afterSilence}, in the array itself. @returns how likely it was */
export function silenceIn(mass: Float64Array, grid: Grid, minutes: number): number {
  return weighIn(mass, grid, silentFor(grid, minutes), true);
}

/** The same after somebody looked and said how the dog is. */
export function afterLook(belief: Belief, mood: Mood): Weighed {
  return weighed(belief, (mass) => lookIn(mass, belief.grid, mood));
}
/** As {@link afterLook}, in the array itself. @returns how likely it was */
export function lookIn(mass: Float64Array, grid: Grid, mood: Mood): number {
  return weighIn(mass, grid, grid.looks[mood], true);
}

function weighed({ grid, mass }: Belief, weigh: (mass: Float64Array) => number): Weighed {
  const next = Float64Array.from(mass);
  const likelihood = weigh(next);
  return { belief: { grid, mass: next }, likelihood };
}

/**
 * @param weights by manner, then cell
 * @param mannerToo whether what was seen may speak for a manner as well; else each keeps its share
 */
function weighIn(mass: Float64Array, { cells, half }: Grid, weights: readonly Float64Array[], mannerToo: boolean): number {
  let likelihood = 0;
  for (let m = 0; m < weights.length; m++) {
    const of = weights[m];
    if (!of) continue;
    let was = 0;
    let is = 0;
    for (let plane = m * half; plane < (m + 1) * half; plane += cells)
      for (let c = 0; c < cells; c++) {
        const before = massAt(mass, plane + c);
        const seen = before * massAt(of, c);
        mass[plane + c] = seen;
        was += before;
        is += seen;
      }
    likelihood += is;
    if (mannerToo || is === 0) continue;
    const keep = was / is;
    for (let i = m * half; i < (m + 1) * half; i++) mass[i] = massAt(mass, i) * keep;
  }
  normalize(mass);
  return likelihood;
}

function normalize(mass: Float64Array): void {
  let sum = 0;
  for (let i = 0; i < mass.length; i++) sum += massAt(mass, i);
  if (!(sum > 0)) throw new RangeError('normalize: nothing is believed any more');
  for (let i = 0; i < mass.length; i++) mass[i] = massAt(mass, i) / sum;
}

/** How likely a cell of strain is, whatever the temper and manner. */
function cellMass(mass: Float64Array, cells: number, c: number): number {
  let sum = 0;
  for (let i = c; i < mass.length; i += cells) sum += massAt(mass, i);
  return sum;
}

/**
 * Strains that are not passed with each of some probabilities, straight between cells.
 * @param probabilities rising, each from 0 to 1
 * @returns points, one for each probability
 */
export function strainQuantiles({ grid, mass }: Belief, probabilities: readonly number[]): number[] {
  const { cells, cellPoints } = grid;
  let below = 0;
  let c = 0;
  let here = cellMass(mass, cells, 0);
  return probabilities.map((p) => {
    while (c < cells - 1 && below + here < p) {
      below += here;
      here = cellMass(mass, cells, ++c);
    }
    return Math.min(100, Math.max(0, (c - 0.5 + (here > 0 ? Math.min(1, (p - below) / here) : 0)) * cellPoints));
  });
}

/** The strain that is not passed with a probability. `strainQuantile(firstBelief(30), 0.5)` is about 30. */
export function strainQuantile(belief: Belief, p: number): number {
  return strainQuantiles(belief, [p])[0] ?? 0;
}
