import type { Mood } from '../words/index.js';
import { recoveryPerMinute } from './curve.js';
import {
  CELL_POINTS,
  CELLS,
  COARSE_STEP_MINUTES,
  ENTERED,
  intensityAt,
  type Manner,
  MANNERS,
  type ModelTier,
  moodWeight,
  NOISE_POINTS,
  QUIET_SHARE,
  START_SPREAD,
  STARTLE_POINTS,
  STARTLES_PER_MINUTE,
  STEP_MINUTES,
  TEMPER_ANEW,
  TEMPERS,
} from './process.js';

/**
 * What is believed of a dog at a moment: how likely each strain is, together with the temper of the day and the manner of the dog.
 * Laid out by manner, then temper, then cell of strain; all of it sums to one.
 */
export type Belief = Float64Array;

/** What is believed after something was seen, and how likely that was before, up to a factor that is the same for all beliefs. */
export interface Weighed {
  readonly belief: Belief;
  readonly likelihood: number;
}

const HALF = TEMPERS.length * CELLS;
const SIZE = MANNERS.length * HALF;

const byCell = (of: (strain: number) => number): Float64Array => Float64Array.from({ length: CELLS }, (_, c) => of(c * CELL_POINTS));
const byTier = (tier: ModelTier): Readonly<Record<Manner, Float64Array>> => ({
  shows: byCell((s) => intensityAt(tier, s, 'shows')),
  goes_quiet: byCell((s) => intensityAt(tier, s, 'goes_quiet')),
});
/** Intensities a minute by tier and manner, for each cell. */
const INTENSITY: Readonly<Record<ModelTier, Readonly<Record<Manner, Float64Array>>>> = {
  early: byTier('early'),
  rising: byTier('rising'),
  hard: byTier('hard'),
  good: byTier('good'),
};
/** All but good signs, a minute: what silence speaks against. */
const STRAIN_SIGNS: Readonly<Record<Manner, Float64Array>> = { shows: strainSigns('shows'), goes_quiet: strainSigns('goes_quiet') };

function strainSigns(manner: Manner): Float64Array {
  const { early, rising, hard } = INTENSITY;
  return Float64Array.from({ length: CELLS }, (_, c) => at(early[manner], c) + at(rising[manner], c) + at(hard[manner], c));
}

/**
 * What a sign that was seen speaks for, by cell. A sign of strain never speaks for less strain, not in a dog that goes quiet either: what
 * fades there counts as saying nothing above.
 */
const SPEAKS_FOR: typeof INTENSITY = {
  early: { shows: neverFalling(INTENSITY.early.shows), goes_quiet: neverFalling(INTENSITY.early.goes_quiet) },
  rising: { shows: neverFalling(INTENSITY.rising.shows), goes_quiet: neverFalling(INTENSITY.rising.goes_quiet) },
  hard: INTENSITY.hard,
  good: INTENSITY.good,
};

function neverFalling(of: Float64Array): Float64Array {
  let most = 0;
  return of.map((x) => (most = Math.max(most, x)));
}

function at(of: Float64Array, i: number): number {
  return of[i] ?? 0;
}
/** The same for cells: two kinds of array in one function would make both slow. */
function cellAt(of: Int32Array, i: number): number {
  return of[i] ?? 0;
}

/**
 * Before anything was seen: strain round what the mood says, the temper and manner of dogs in general.
 * @param start points, 0 to 100
 * @param quietShare chance that it is a dog that goes quiet
 */
export function firstBelief(start: number, quietShare = QUIET_SHARE): Belief {
  const belief = new Float64Array(SIZE);
  MANNERS.forEach((manner, m) => {
    const share = manner === 'goes_quiet' ? quietShare : 1 - quietShare;
    TEMPERS.forEach(({ chance }, t) => {
      for (let c = 0; c < CELLS; c++) {
        const away = (c * CELL_POINTS - start) / START_SPREAD;
        belief[m * HALF + t * CELLS + c] = share * chance * Math.exp(-0.5 * away * away);
      }
    });
  });
  return normalized(belief);
}

/** Mass below which a cell is taken to be empty. Our default: a millionth of a millionth. */
const UNLIKELY = 1e-12;
/** Below this variance, in cells, three cells cannot meet both mean and variance: half-lives under 3 min are told a little wider. */
const LEAST_SPREAD = 0.25;

/** Where the mass of each cell goes in one step, by temper and cell: three cells of its plane, and their shares. */
interface Drift {
  readonly above: Int32Array;
  readonly here: Int32Array;
  readonly below: Int32Array;
  readonly up: Float64Array;
  readonly stay: Float64Array;
  readonly down: Float64Array;
}

const onScale = (cell: number): number => Math.min(CELLS - 1, Math.max(0, cell));

function driftOf(ratePerMinute: number, halfLifeMinutes: number, minutes: number): Drift {
  const k = recoveryPerMinute(halfLifeMinutes);
  const decay = Math.exp(-k * minutes);
  const noise = (NOISE_POINTS ** 2 * (1 - decay * decay)) / (2 * k);
  const spread = Math.max(LEAST_SPREAD, noise / CELL_POINTS ** 2);
  const cells = (): Int32Array => new Int32Array(HALF);
  const shares = (): Float64Array => new Float64Array(HALF);
  const made = { above: cells(), here: cells(), below: cells(), up: shares(), stay: shares(), down: shares() };
  for (let i = 0; i < HALF; i++) {
    const times = TEMPERS[Math.floor(i / CELLS)]?.times ?? 1;
    const gain = ((ratePerMinute * times) / k) * (1 - decay);
    const mean = (i % CELLS) * decay + gain / CELL_POINTS;
    const middle = Math.round(mean);
    const off = mean - middle;
    made.above[i] = onScale(middle + 1);
    made.here[i] = onScale(middle);
    made.below[i] = onScale(middle - 1);
    made.up[i] = (spread + off * off + off) / 2;
    made.stay[i] = 1 - spread - off * off;
    made.down[i] = (spread + off * off - off) / 2;
  }
  return made;
}

/** A stretch of work goes on at one rate for many steps. */
const drifts = new Map<string, Drift>();
const DRIFTS_KEPT = 100;
function drift(ratePerMinute: number, halfLifeMinutes: number, minutes: number): Drift {
  const key = `${ratePerMinute}|${halfLifeMinutes}|${minutes}`;
  const known = drifts.get(key);
  if (known) return known;
  if (drifts.size >= DRIFTS_KEPT) drifts.clear();
  const made = driftOf(ratePerMinute, halfLifeMinutes, minutes);
  drifts.set(key, made);
  return made;
}

/**
 * The same after one step of the model, in which work went on at a rate. Mean and variance of the drift are
 * met exactly within the scale: each cell goes to the three round its mean.
 * @param ratePerMinute points a minute on an ordinary day; 0 is a break
 */
export function afterStep(belief: Belief, ratePerMinute: number, halfLifeMinutes: number, minutes = STEP_MINUTES): Belief {
  const { above, here, below, up, stay, down } = drift(ratePerMinute, halfLifeMinutes, minutes);
  // Nothing is done to it in a break: no fright of the work.
  const startled = ratePerMinute > 0 ? STARTLES_PER_MINUTE * minutes : 0;
  const next = new Float64Array(SIZE);
  for (let manner = 0; manner < SIZE; manner += HALF)
    for (let plane = 0; plane < HALF; plane += CELLS) {
      const first = manner + plane;
      for (let i = plane; i < plane + CELLS; i++) {
        const mass = at(belief, manner + i);
        // What is this unlikely is not carried on: it would only cost time.
        if (mass < UNLIKELY) continue;
        const a = first + cellAt(above, i);
        const h = first + cellAt(here, i);
        const b = first + cellAt(below, i);
        next[a] = at(next, a) + mass * at(up, i);
        next[h] = at(next, h) + mass * at(stay, i);
        next[b] = at(next, b) + mass * at(down, i);
      }
      if (startled > 0) startle(next, first, startled);
    }
  return next;
}

/** Cells that a fright jumps over. */
const JUMPS = Int32Array.from(STARTLE_POINTS, (points) => points / CELL_POINTS);

/** Frights, in one plane: from the top down, so that no mass is moved twice. */
function startle(next: Belief, first: number, chance: number): void {
  for (let c = CELLS - 1; c >= 0; c--) {
    const mass = at(next, first + c);
    if (mass < UNLIKELY) continue;
    next[first + c] = mass * (1 - chance);
    const share = (mass * chance) / JUMPS.length;
    for (let j = 0; j < JUMPS.length; j++) {
      const to = Math.min(CELLS - 1, c + cellAt(JUMPS, j));
      next[first + to] = at(next, first + to) + share;
    }
  }
}

/** The same when another stretch of work begins: strain and manner stay, the temper begins anew by the share of {@link TEMPER_ANEW}. */
export function afterChange(belief: Belief): Belief {
  const next = Float64Array.from(belief);
  for (let manner = 0; manner < MANNERS.length; manner++)
    for (let c = 0; c < CELLS; c++) {
      const cell = manner * HALF + c;
      let mass = 0;
      for (let t = 0; t < TEMPERS.length; t++) mass += at(belief, cell + t * CELLS);
      TEMPERS.forEach(({ chance }, t) => {
        const i = cell + t * CELLS;
        next[i] = (1 - TEMPER_ANEW) * at(belief, i) + TEMPER_ANEW * mass * chance;
      });
    }
  return next;
}

/**
 * The same after a sign was seen. A sign of strain speaks of strain, not of the manner: otherwise one more sign could make a quiet dog,
 * that may be higher, less likely, and with it lower the whole.
 */
export function afterSign(belief: Belief, tier: ModelTier): Weighed {
  return tier === 'good' ? weighed(belief, SPEAKS_FOR.good, true) : weighed(belief, SPEAKS_FOR[tier], false);
}

/** What watched minutes without a sign of strain speak for, by cell. */
const silentFor = (minutes: number): Readonly<Record<Manner, Float64Array>> => ({
  shows: STRAIN_SIGNS.shows.map((x) => Math.exp(-x * minutes)),
  goes_quiet: STRAIN_SIGNS.goes_quiet.map((x) => Math.exp(-x * minutes)),
});
const SILENT = silentFor(STEP_MINUTES);
const SILENT_COARSE = silentFor(ENTERED * COARSE_STEP_MINUTES);

/**
 * The same after a watched step in which no sign of strain was seen: it speaks against strain in a dog that shows it,
 * hardly in a quiet one.
 */
export function afterSilence(belief: Belief, minutes: typeof STEP_MINUTES | typeof COARSE_STEP_MINUTES = STEP_MINUTES): Weighed {
  return weighed(belief, minutes === STEP_MINUTES ? SILENT : SILENT_COARSE, true);
}

/** What each look speaks for, by cell. */
const LOOK: Readonly<Record<Mood, Float64Array>> = {
  relaxed: look('relaxed'),
  still: look('still'),
  tense: look('tense'),
  tired_out: look('tired_out'),
  shut_down: look('shut_down'),
  frantic: look('frantic'),
};
function look(mood: Mood): Float64Array {
  return byCell((s) => moodWeight(mood, s));
}

/** The same after somebody looked and said how the dog is. */
export function afterLook(belief: Belief, mood: Mood): Weighed {
  const weights = LOOK[mood];
  return weighed(belief, { shows: weights, goes_quiet: weights }, true);
}

/** @param mannerToo whether what was seen may speak for a manner as well; else each keeps its share */
function weighed(belief: Belief, weights: Readonly<Record<Manner, Float64Array>>, mannerToo: boolean): Weighed {
  const next = new Float64Array(SIZE);
  let likelihood = 0;
  MANNERS.forEach((manner, m) => {
    const of = weights[manner];
    let before = 0;
    let after = 0;
    for (let plane = m * HALF; plane < (m + 1) * HALF; plane += CELLS)
      for (let c = 0; c < CELLS; c++) {
        const mass = at(belief, plane + c);
        const seen = mass * at(of, c);
        next[plane + c] = seen;
        before += mass;
        after += seen;
      }
    likelihood += after;
    if (mannerToo || after === 0) return;
    const keep = before / after;
    for (let i = m * HALF; i < (m + 1) * HALF; i++) next[i] = at(next, i) * keep;
  });
  return { belief: normalized(next), likelihood };
}

function normalized(belief: Belief): Belief {
  let sum = 0;
  for (const mass of belief) sum += mass;
  if (!(sum > 0)) throw new RangeError('normalized: nothing is believed any more');
  for (let i = 0; i < SIZE; i++) belief[i] = at(belief, i) / sum;
  return belief;
}

/**
 * Chance that a hard sign (freeze, growl, scream, struggle, snap, bite) comes within some minutes.
 * @param ratePerMinute of what is done in them; 0 is a break
 * @param minutes > 0; counted in whole steps of the model
 */
export function chanceOfHardSign(belief: Belief, ratePerMinute: number, halfLifeMinutes: number, minutes: number): number {
  let now = belief;
  let none = 1;
  for (let done = 0; done < minutes; done += STEP_MINUTES) {
    now = afterStep(now, ratePerMinute, halfLifeMinutes);
    let left = 0;
    MANNERS.forEach((manner, m) => {
      const hard = INTENSITY.hard[manner];
      for (let i = m * HALF; i < (m + 1) * HALF; i++) {
        const mass = at(now, i) * Math.exp(-at(hard, i % CELLS) * STEP_MINUTES);
        now[i] = mass;
        left += mass;
      }
    });
    none *= left;
    for (let i = 0; i < SIZE; i++) now[i] = at(now, i) / left;
  }
  return 1 - none;
}

/** The strain that is not passed with a probability, straight between cells. `strainQuantile(firstBelief(30), 0.5)` is about 30. */
export function strainQuantile(belief: Belief, p: number): number {
  const strain = new Float64Array(CELLS);
  belief.forEach((mass, i) => (strain[i % CELLS] = at(strain, i % CELLS) + mass));
  let below = 0;
  for (let c = 0; c < CELLS; c++) {
    const mass = at(strain, c);
    if (below + mass >= p) return Math.min(100, Math.max(0, (c - 0.5 + (mass > 0 ? (p - below) / mass : 0)) * CELL_POINTS));
    below += mass;
  }
  return 100;
}
