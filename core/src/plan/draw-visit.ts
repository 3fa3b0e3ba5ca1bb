import { randomGamma, randomLogNormal, randomNormal } from 'd3-random';
import {
  HALF_LIFE_RANGE,
  intensityAt,
  type Manner,
  MODEL_TIERS,
  type ModelTier,
  NOISE_POINTS,
  NOT_OBSERVED_AFTER_MINUTES,
  PAUSE_AT,
  QUIET_SHARE,
  recoveryPerMinute,
  SIGNALS,
  START_SPREAD,
  STARTLE_POINTS,
  STARTLES_PER_MINUTE,
  STEP_MINUTES,
  STOP_AT,
  STRAIN_MAX,
} from '../strain/index.js';
import { SIGNAL_IDS } from '../words/index.js';
import { changeMinutes, type ChosenStep, partsOf, type PlanProblem, type Station } from './model.js';

/** How sure a step's numbers are. */
export interface StepSpread {
  /** Shape of the gamma distribution of its rate; the mean is the rate of the problem. */
  readonly rateShape: number;
  /** Standard deviation of the logarithm of its minutes; the mean of the logarithm is that of the problem's minutes. */
  readonly minutesSpread: number;
  /** Kind of work: steps of one kind are as hard as each other on one dog. Each by itself when left out. */
  readonly work?: string;
}

/** What is drawn of a visit beside its steps. */
export interface DrawnWorld {
  /** Standard deviations of logarithms: what a day does to all rates, and a visit to all minutes. */
  readonly daySpread: number;
  readonly paceSpread: number;
  /** Half-life of the dog: the middle, and the standard deviation of its logarithm. */
  readonly halfLifeMinutes: number;
  readonly halfLifeSpread: number;
  /** Points per square root of a minute, frights a minute, spread of the start in points. */
  readonly noisePoints: number;
  readonly startlesPerMinute: number;
  readonly startSpread: number;
  readonly quietShare: number;
}

/** A dog's days differ: what all rates of one visit share; a groomer's, too. Our defaults. */
export const DAY_SPREAD = 0.4;
const PACE_SPREAD = 0.1;
/** Until breaks were seen: how far half-lives of dogs differ. Our default, as in the learning. */
const HALF_LIFE_SPREAD = 0.5;

/**
 * Rates are learned as if the half-life were the likely one: what a longer one would add is in them already, so only this share of what is
 * not known of it is drawn beside them. Our default, held against simulated visits.
 */
const BESIDE_THE_RATES = 0.5;

/**
 * The world as the model has it.
 * @param halfLifeMinutes as likely longer as shorter
 * @param halfLifeSpread standard deviation of its logarithm
 */
export function worldAsModelled(halfLifeMinutes: number, halfLifeSpread = HALF_LIFE_SPREAD): DrawnWorld {
  return {
    daySpread: DAY_SPREAD,
    paceSpread: PACE_SPREAD,
    halfLifeMinutes,
    halfLifeSpread: halfLifeSpread * BESIDE_THE_RATES,
    noisePoints: NOISE_POINTS,
    startlesPerMinute: STARTLES_PER_MINUTE,
    startSpread: START_SPREAD,
    quietShare: QUIET_SHARE,
  };
}

/** Shares of the signs that a busy hand enters: hard ones, other ones of strain, good ones. Our defaults. */
const ENTERED: Readonly<Record<ModelTier, number>> = { hard: 1, early: 0.85, rising: 0.85, good: 0.5 };
/** A pause that the meter asks for, minutes. */
const PAUSE_MINUTES = 6;
/** A look says "relaxed" of a dog below this strain, so often. Our defaults, as in the simulated dogs. */
const RELAXED_BELOW = 18;
const RELAXED_SHARE = 0.45;

/** One visit, as it was drawn. */
export interface DrawnVisit {
  readonly minutes: number;
  /** All of it was done: the meter never said stop. */
  readonly finished: boolean;
  /** What the meter came to, and whether it asked for a pause, or for the end. */
  readonly peak: number;
  readonly paused: boolean;
  readonly stopped: boolean;
  /** The highest that the strain itself came to, which nobody sees. */
  readonly hiddenPeak: number;
  /** What the day made of all rates, and points that each chosen step adds on an ordinary day. */
  readonly day: number;
  readonly added: readonly number[];
}

interface ChosenPart {
  readonly minutes: number;
  readonly ratePerMinute: number;
  readonly spread: StepSpread;
  readonly gamma: () => number;
  readonly breaks: readonly number[];
  readonly count: number;
  readonly change: number;
}

/** Draws visits of one plan, its order and breaks kept, from the process of the model, with the signs that come and the meter that reads them. */
export class VisitDrawer {
  private readonly steps: readonly ChosenPart[];
  /** Kinds of work that several steps are of, each with the step that draws for it. */
  private readonly works: ReadonlyMap<string, ChosenPart>;

  /**
   * @param chance draws from 0 to 1
   * @throws RangeError when a spread is missing
   */
  constructor(
    private readonly problem: PlanProblem,
    chosen: readonly ChosenStep[],
    spreads: readonly StepSpread[],
    private readonly world: DrawnWorld,
    private readonly chance: () => number,
  ) {
    let station: Station = { post: problem.startPost, tool: undefined };
    this.steps = chosen.map((c) => {
      const step = problem.steps[c.step];
      const spread = spreads[c.step];
      if (!step || !spread) throw new RangeError(`VisitDrawer: no spread for step ${c.step}`);
      const to: Station = { post: step.post, tool: step.tool, muzzled: step.muzzled };
      const change = changeMinutes(station, to);
      station = to;
      const gamma = randomGamma.source(chance)(spread.rateShape, 1 / spread.rateShape);
      const { count } = partsOf(step, problem.continuousStandingMinutes);
      return { minutes: step.minutes, ratePerMinute: step.ratePerMinute, spread, gamma, breaks: c.breaks, count, change };
    });
    this.works = new Map(this.steps.flatMap((s) => (s.spread.work === undefined ? [] : [[s.spread.work, s] as const])));
    this.normal = randomNormal.source(chance)(0, 1);
  }
  private readonly normal: () => number;

  draw(): DrawnVisit {
    const { problem, world, chance, normal } = this;
    const day = Math.exp(world.daySpread * normal());
    const pace = Math.exp(world.paceSpread * normal());
    const halfLife = randomLogNormal.source(chance)(Math.log(world.halfLifeMinutes), world.halfLifeSpread)();
    const own = new Map([...this.works].map(([work, step]) => [work, step.gamma()]));
    const visit = new RunningVisit(
      problem.startStrain,
      Math.max(0, problem.startStrain + world.startSpread * normal()),
      Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], halfLife)),
      recoveryPerMinute(problem.halfLifeMinutes),
      chance() < world.quietShare ? 'goes_quiet' : 'shows',
      world,
      chance,
      normal,
    );
    const added: number[] = [];
    let worked = 0;
    for (const step of this.steps) {
      const rate = step.ratePerMinute * ((step.spread.work === undefined ? undefined : own.get(step.spread.work)) ?? step.gamma());
      const minutes = step.minutes * pace * Math.exp(step.spread.minutesSpread * normal());
      added.push(rate * minutes);
      visit.goOn(step.change, undefined);
      for (let part = 0; part < step.count && !visit.stopped; part++) {
        const pause = step.breaks[part] ?? 0;
        if (pause > 0) visit.rest(pause);
        visit.goOn(minutes / step.count, rate * day * (1 + problem.fatiguePerMinute * worked));
        worked += minutes / step.count;
      }
      if (visit.stopped) break;
    }
    const { minute, stopped, paused, peak, hiddenPeak } = visit;
    return { minutes: minute, finished: !stopped, peak, paused, stopped, hiddenPeak, day, added };
  }
}

/** Strain that nobody sees, and the meter that reads the signs of it. */
class RunningVisit {
  minute = 0;
  paused = false;
  stopped = false;
  peak: number;
  hiddenPeak: number;
  private hardSigns = 0;
  private entered = 0;
  private readonly signs: SignTable;

  constructor(
    private meter: number,
    private strain: number,
    halfLifeMinutes: number,
    private readonly meterDecay: number,
    manner: Manner,
    private readonly world: DrawnWorld,
    private readonly chance: () => number,
    private readonly normal: () => number,
  ) {
    this.peak = meter;
    this.hiddenPeak = strain;
    this.signs = SIGNS[manner];
    this.k = recoveryPerMinute(halfLifeMinutes);
    this.decay = Math.exp(-this.k * STEP_MINUTES);
  }
  private readonly k: number;
  private readonly decay: number;

  /** Minutes of work at a rate, or of a change of place (`undefined`), in which signs are seen too. */
  goOn(minutes: number, rate: number | undefined): void {
    for (let left = minutes; left > 1e-9 && !this.stopped; left -= STEP_MINUTES) {
      const step = Math.min(STEP_MINUTES, left);
      this.over(step, rate);
      const { every, tiers } = this.signs;
      const cell = Math.round(this.strain);
      const sign = this.chance();
      if (sign < (every[cell] ?? 0) * step) this.see(pick(tiers, cell, sign / step));
      // The meter asks when nothing was entered for so long, and somebody looks.
      if (this.minute - this.entered > NOT_OBSERVED_AFTER_MINUTES) this.look();
    }
  }

  rest(minutes: number): void {
    for (let left = minutes; left > 1e-9; left -= STEP_MINUTES) {
      const step = Math.min(STEP_MINUTES, left);
      this.over(step, undefined);
      this.meter *= Math.exp(-this.meterDecay * step);
      const { good } = this.signs;
      if (this.chance() < (good[Math.round(this.strain)] ?? 0) * step) this.see('good');
    }
    this.look();
  }

  private look(): void {
    this.entered = this.minute;
    if (this.strain < RELAXED_BELOW && this.chance() < RELAXED_SHARE) this.read(SIGNALS.soft_body.points);
  }

  private over(minutes: number, rate: number | undefined): void {
    const { k, world } = this;
    const decay = minutes === STEP_MINUTES ? this.decay : Math.exp(-k * minutes);
    let strain = this.strain * decay + ((rate ?? 0) / k) * (1 - decay);
    if (world.noisePoints > 0) strain += world.noisePoints * Math.sqrt((1 - decay * decay) / (2 * k)) * this.normal();
    if (rate !== undefined && world.startlesPerMinute > 0 && this.chance() < world.startlesPerMinute * minutes)
      strain += STARTLE_POINTS[Math.floor(this.chance() * STARTLE_POINTS.length)] ?? 0;
    this.strain = Math.min(STRAIN_MAX, Math.max(0, strain));
    this.minute += minutes;
    if (this.strain > this.hiddenPeak) this.hiddenPeak = this.strain;
  }

  private see(tier: ModelTier): void {
    if (this.chance() >= ENTERED[tier]) return;
    this.entered = this.minute;
    const all = POINTS[tier];
    this.read(all[Math.floor(this.chance() * all.length)] ?? 0);
    if (tier === 'hard') {
      this.hardSigns++;
      this.read(0, this.hardSigns > 1 ? STOP_AT : PAUSE_AT);
    }
    if (this.meter >= STOP_AT) this.stopped = this.paused = true;
    else if (this.meter >= PAUSE_AT) {
      this.paused = true;
      this.rest(PAUSE_MINUTES);
    }
  }

  private read(points: number, atLeast = 0): void {
    this.meter = Math.min(STRAIN_MAX, Math.max(0, atLeast, this.meter + points));
    if (this.meter > this.peak) this.peak = this.meter;
  }
}

/** Points of the signs of each tier, each as likely. A first snap is drawn as a first hard sign: that it ends a visit by itself is not drawn yet. */
const pointsOf = (tier: ModelTier): number[] => SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier).map((s) => SIGNALS[s].points);
const POINTS: Readonly<Record<ModelTier, readonly number[]>> = {
  early: pointsOf('early'),
  rising: pointsOf('rising'),
  hard: pointsOf('hard'),
  good: pointsOf('good'),
};

/** Signs a minute at each whole point of strain: of every tier, and up to and with each tier. */
interface SignTable {
  readonly every: Float64Array;
  readonly good: Float64Array;
  readonly tiers: readonly { readonly tier: ModelTier; readonly upTo: Float64Array }[];
}
function signTable(manner: Manner): SignTable {
  const sum = new Float64Array(STRAIN_MAX + 1);
  const tiers = MODEL_TIERS.map((tier) => {
    sum.forEach((before, s) => (sum[s] = before + intensityAt(tier, s, manner)));
    return { tier, upTo: Float64Array.from(sum) };
  });
  return { every: sum, good: sum.map((_, s) => intensityAt('good', s, manner)), tiers };
}
const SIGNS: Readonly<Record<Manner, SignTable>> = { shows: signTable('shows'), goes_quiet: signTable('goes_quiet') };

function pick(tiers: SignTable['tiers'], cell: number, at: number): ModelTier {
  for (const { tier, upTo } of tiers) if (at < (upTo[cell] ?? 0)) return tier;
  return 'good';
}
