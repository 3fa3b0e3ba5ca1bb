import { type Mood, MOODS } from '../words/index.js';
import { intensityAt, MANNERS, MODEL_TIERS, type ModelTier, moodWeight, STARTLE_POINTS, TEMPERS } from './process.js';

/** How finely beliefs are laid out: by manner, then temper, then cell of strain; with what is seen speaks for, by manner and cell. */
export interface Grid {
  readonly cellPoints: number;
  /** Cells of strain from 0 to 100. */
  readonly cells: number;
  /** Cells of one manner: every temper with every strain. */
  readonly half: number;
  /** Cells that a fright jumps over, as far as the grid is fine. */
  readonly jumps: readonly [number, number, number];
  /** What a sign of each tier that was seen speaks for. */
  readonly signs: Readonly<Record<ModelTier, readonly Float64Array[]>>;
  /** All but good signs, a minute: what silence speaks against. */
  readonly strainSigns: readonly Float64Array[];
  /** Hard signs a minute. */
  readonly hardSigns: readonly Float64Array[];
  /** What each look speaks for. */
  readonly looks: Readonly<Record<Mood, readonly Float64Array[]>>;
}

/**
 * A grid over the model.
 * @param cellPoints width of a cell, points; 100 is a whole number of them
 */
function gridOf(cellPoints: number): Grid {
  const cells = Math.round(100 / cellPoints) + 1;
  const byCell = (of: (strain: number) => number): Float64Array => Float64Array.from({ length: cells }, (_, c) => of(c * cellPoints));
  const seen = (tier: ModelTier): Float64Array[] => MANNERS.map((m) => byCell((s) => intensityAt(tier, s, m)));
  const looks = new Map(MOODS.map((mood) => [mood, MANNERS.map(() => byCell((s) => moodWeight(mood, s)))] as const));
  const look = (mood: Mood): readonly Float64Array[] => looks.get(mood) ?? [];
  const jump = (points: number): number => Math.round(points / cellPoints);
  return {
    cellPoints,
    cells,
    half: TEMPERS.length * cells,
    jumps: [jump(STARTLE_POINTS[0]), jump(STARTLE_POINTS[1]), jump(STARTLE_POINTS[2])],
    // A sign of strain never speaks for less strain, not in a dog that goes quiet either: what fades there counts as saying nothing above.
    signs: { early: seen('early').map(neverFalling), rising: seen('rising').map(neverFalling), hard: seen('hard'), good: seen('good') },
    strainSigns: MANNERS.map((m) =>
      byCell((s) => MODEL_TIERS.reduce((sum, tier) => sum + (tier === 'good' ? 0 : intensityAt(tier, s, m)), 0)),
    ),
    hardSigns: seen('hard'),
    looks: {
      relaxed: look('relaxed'),
      still: look('still'),
      tense: look('tense'),
      tired_out: look('tired_out'),
      shut_down: look('shut_down'),
      frantic: look('frantic'),
    },
  };
}

function neverFalling(of: Float64Array): Float64Array {
  let most = 0;
  return of.map((x) => (most = Math.max(most, x)));
}

/** The table's grid. Our default. */
export const FINE = gridOf(2);
/** That of thousands of drawn visits. Our default: what it tells of pauses and stops is held against the fine one. */
export const COARSE = gridOf(4);
