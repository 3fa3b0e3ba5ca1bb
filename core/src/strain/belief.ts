import type { Mood } from '../words/index.js';
import { recoveryPerMinute } from './curve.js';
import {
  CELL_POINTS,
  CELLS,
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

/**
 * Before anything was seen: strain round what the mood says, the temper and manner of dogs in general.
 * @param start points, 0 to 100
 */
export function firstBelief(start: number): Belief {
  const belief = new Float64Array(SIZE);
  MANNERS.forEach((manner, m) => {
    const share = manner === 'goes_quiet' ? QUIET_SHARE : 1 - QUIET_SHARE;
    TEMPERS.forEach(({ chance }, t) => {
      for (let c = 0; c < CELLS; c++) {
        const away = (c * CELL_POINTS - start) / START_SPREAD;
        belief[m * HALF + t * CELLS + c] = share * chance * Math.exp(-0.5 * away * away);
      }
    });
  });
  return normalized(belief);
}

/** Chance of a jump within a step. */
const STARTLED = STARTLES_PER_MINUTE * STEP_MINUTES;
/** Mass below which a cell is taken to be empty. Our default: a millionth of a millionth. */
const UNLIKELY = 1e-12;
/** Below this variance, in cells, three cells cannot meet both mean and variance: half-lives under 3 min are told a little wider. */
const LEAST_SPREAD = 0.25;

/**
 * The same after one step of the model, {@link STEP_MINUTES} long, in which work went on at a rate. Mean and variance of the drift are
 * met exactly within the scale: each cell goes to the three round its mean.
 * @param ratePerMinute points a minute on an ordinary day; 0 is a break
 */
export function afterStep(belief: Belief, ratePerMinute: number, halfLifeMinutes: number): Belief {
  const k = recoveryPerMinute(halfLifeMinutes);
  const decay = Math.exp(-k * STEP_MINUTES);
  const noise = (NOISE_POINTS ** 2 * (1 - decay * decay)) / (2 * k);
  const spread = Math.max(LEAST_SPREAD, noise / CELL_POINTS ** 2);
  // Nothing is done to it in a break: no fright of the work.
  const startled = ratePerMinute > 0;
  const next = new Float64Array(SIZE);
  for (let plane = 0; plane < SIZE; plane += CELLS) {
    const times = TEMPERS[(plane / CELLS) % TEMPERS.length]?.times ?? 1;
    const gain = ((ratePerMinute * times) / k) * (1 - decay);
    for (let c = 0; c < CELLS; c++) {
      const whole = at(belief, plane + c);
      // What is this unlikely is not carried on: it would only cost time.
      if (whole < UNLIKELY) continue;
      const mass = startled ? whole * (1 - STARTLED) : whole;
      const mean = c * decay + gain / CELL_POINTS;
      const middle = Math.round(mean);
      const off = mean - middle;
      const up = (spread + off * off + off) / 2;
      const down = (spread + off * off - off) / 2;
      const to = plane + Math.min(CELLS - 1, middle);
      const above = plane + Math.min(CELLS - 1, middle + 1);
      const below = plane + Math.min(CELLS - 1, Math.max(0, middle - 1));
      next[above] = at(next, above) + mass * up;
      next[below] = at(next, below) + mass * down;
      next[to] = at(next, to) + mass * (1 - up - down);
      if (!startled) continue;
      for (const points of STARTLE_POINTS) {
        const jumped = plane + Math.min(CELLS - 1, middle + points / CELL_POINTS);
        next[jumped] = at(next, jumped) + (whole * STARTLED) / STARTLE_POINTS.length;
      }
    }
  }
  return next;
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
export function afterSign(belief: Belief, tier: ModelTier): Belief {
  return tier === 'good' ? weighed(belief, SPEAKS_FOR.good, true) : weighed(belief, SPEAKS_FOR[tier], false);
}

/** What a watched half-minute without a sign of strain speaks for, by cell. */
const SILENT: Readonly<Record<Manner, Float64Array>> = {
  shows: STRAIN_SIGNS.shows.map((x) => Math.exp(-x * STEP_MINUTES)),
  goes_quiet: STRAIN_SIGNS.goes_quiet.map((x) => Math.exp(-x * STEP_MINUTES)),
};

/**
 * The same after a watched step of {@link STEP_MINUTES} in which no sign of strain was seen: it speaks against strain in a dog that shows it,
 * hardly in a quiet one.
 */
export function afterSilence(belief: Belief): Belief {
  return weighed(belief, SILENT, true);
}

/** The same after somebody looked and said how the dog is. */
export function afterLook(belief: Belief, mood: Mood): Belief {
  const weights = byCell((s) => moodWeight(mood, s));
  return weighed(belief, { shows: weights, goes_quiet: weights }, true);
}

/** @param mannerToo whether what was seen may speak for a manner as well; else each keeps its share */
function weighed(belief: Belief, weights: Readonly<Record<Manner, Float64Array>>, mannerToo: boolean): Belief {
  const next = new Float64Array(SIZE);
  MANNERS.forEach((manner, m) => {
    const of = weights[manner];
    let before = 0;
    let after = 0;
    for (let i = m * HALF; i < (m + 1) * HALF; i++) {
      const mass = at(belief, i);
      const seen = mass * at(of, i % CELLS);
      next[i] = seen;
      before += mass;
      after += seen;
    }
    const keep = mannerToo || after === 0 ? 1 : before / after;
    for (let i = m * HALF; i < (m + 1) * HALF; i++) next[i] = at(next, i) * keep;
  });
  return normalized(next);
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
