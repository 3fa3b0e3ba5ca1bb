import { randomNormal } from 'd3-random';
import { type Mood, SIGNAL_IDS, type SignalId } from '../words/index.js';
import { STRAIN_MAX } from './bands.js';
import { recoveryPerMinute } from './curve.js';
import { intensityAt, lookDrawn, type Manner, MODEL_TIERS, type ModelTier, NOISE_POINTS, SNAPS, STARTLES_PER_MINUTE } from './process.js';
import { SIGNALS } from './signals.js';

/** What is true of a simulated dog, and nobody who plans or learns may see. */
export interface Temperament {
  readonly manner: Manner;
  readonly halfLifeMinutes: number;
  /** Half-life in the work against that at rest; 1 when left out. */
  readonly inWork?: number;
  /** Frights a minute of work; as modelled when left out. */
  readonly startlesPerMinute?: number;
}

/** Time goes in such steps, minutes. */
export const TICK_MINUTES = 0.05;
/** A fright lifts strain by so many points at least and at most. */
const FRIGHT_POINTS = [8, 56] as const;

/**
 * The hidden strain of one dog in one visit, drawn forward. The process is that of the model, told by itself: small steps and no grid, so
 * that filter, learning and odds can be held against it.
 */
export class SimulatedStrain {
  private now: number;
  private readonly gauss: () => number;

  /**
   * @param start points
   * @param chance draws from 0 to 1; the same draws are the same visit
   */
  constructor(
    start: number,
    private readonly dog: Temperament,
    private readonly chance: () => number,
  ) {
    this.now = Math.min(STRAIN_MAX, Math.max(0, start));
    this.gauss = randomNormal.source(chance)(0, 1);
  }

  /** Points, 0 to 100. */
  get strain(): number {
    return this.now;
  }

  /**
   * {@link TICK_MINUTES} go by. @param ratePerMinute true points a minute this day; `undefined`: it rests
   * @returns tiers of the signs that came, seen or not
   */
  tick(ratePerMinute: number | undefined): ModelTier[] {
    const resting = ratePerMinute === undefined;
    const k = recoveryPerMinute(this.dog.halfLifeMinutes * (resting ? 1 : (this.dog.inWork ?? 1)));
    const frights = this.dog.startlesPerMinute ?? STARTLES_PER_MINUTE;
    let strain = this.now + ((ratePerMinute ?? 0) - k * this.now) * TICK_MINUTES + NOISE_POINTS * Math.sqrt(TICK_MINUTES) * this.gauss();
    const [least, most] = FRIGHT_POINTS;
    if (!resting && this.chance() < frights * TICK_MINUTES) strain += least + (most - least) * this.chance();
    this.now = Math.min(STRAIN_MAX, Math.max(0, strain));
    return MODEL_TIERS.filter((tier) => this.chance() < intensityAt(tier, this.now, this.dog.manner) * TICK_MINUTES);
  }

  /** What somebody who looks says of the dog. */
  look(): Mood {
    return lookDrawn(this.now, this.chance());
  }

  /** One of the signs of a tier. */
  signOf(tier: ModelTier): SignalId {
    return signDrawn(tier, this.dog.manner, this.chance);
  }
}

/**
 * One of the signs of a tier, as a dog of a manner shows it.
 * @param chance draws from 0 to 1
 * @param snapTimes how many times as often as other dogs it snaps
 */
export function signDrawn(tier: ModelTier, manner: Manner, chance: () => number, snapTimes = 1): SignalId {
  const all = tier === 'hard' && chance() < SNAPS[manner] * snapTimes ? SNAPPING : SIGNS_OF[tier];
  return all[Math.floor(chance() * all.length)] ?? 'soft_body';
}

const SNAPPING: readonly SignalId[] = ['snap', 'bite'];
const signsOf = (tier: ModelTier): SignalId[] => SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier && !ELSEWHERE.includes(s));
/** Have other causes as often as not, or are drawn by themselves. */
const ELSEWHERE: readonly SignalId[] = ['soiling', 'yelp', 'scream', 'shakes_off', ...SNAPPING];
const SIGNS_OF: Readonly<Record<ModelTier, readonly SignalId[]>> = {
  early: signsOf('early'),
  rising: signsOf('rising'),
  hard: signsOf('hard'),
  good: signsOf('good'),
};
