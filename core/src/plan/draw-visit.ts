import { randomGamma, randomLogNormal, randomNormal } from 'd3-random';
import { HALF_LIFE_RANGE, NOISE_POINTS, QUIET_SHARE, START_SPREAD, STARTLES_PER_MINUTE, type WatchedVisit } from '../strain/index.js';
import { DrawnTable } from './drawn-table.js';
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
  /** How many times as often as other dogs it snaps. */
  readonly snapTimes: number;
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
    snapTimes: 1,
  };
}

/** One visit, as it was drawn. */
export interface DrawnVisit {
  readonly minutes: number;
  /** All of it was done: the meter never said stop, and pauses helped. */
  readonly finished: boolean;
  /** What the meter came to, and whether it asked for a pause, or for the end. */
  readonly peak: number;
  readonly paused: boolean;
  readonly stopped: boolean;
  readonly snapped: boolean;
  /** The highest that the strain itself came to, which nobody sees. */
  readonly hiddenPeak: number;
  /** What the day made of all rates, and points that each chosen step adds on an ordinary day. */
  readonly day: number;
  readonly added: readonly number[];
  /** What the table would have on record of it, where that was asked for. */
  readonly seen: WatchedVisit | undefined;
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

  /** @param record whether what the table would have on record is kept */
  draw(record = false): DrawnVisit {
    const { problem, world, chance, normal } = this;
    const day = Math.exp(world.daySpread * normal());
    const pace = Math.exp(world.paceSpread * normal());
    const halfLife = randomLogNormal.source(chance)(Math.log(world.halfLifeMinutes), world.halfLifeSpread)();
    const own = new Map([...this.works].map(([work, step]) => [work, step.gamma()]));
    const table = new DrawnTable(
      problem.startStrain,
      {
        startsAt: Math.max(0, problem.startStrain + world.startSpread * normal()),
        halfLifeMinutes: Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], halfLife)),
        manner: chance() < world.quietShare ? 'goes_quiet' : 'shows',
      },
      world,
      { chance, normal },
      record,
    );
    const added: number[] = [];
    let worked = 0;
    let planned = 0;
    for (const step of this.steps) {
      const rate = step.ratePerMinute * ((step.spread.work === undefined ? undefined : own.get(step.spread.work)) ?? step.gamma());
      const minutes = step.minutes * pace * Math.exp(step.spread.minutesSpread * normal());
      added.push(rate * minutes);
      table.change(step.change);
      for (let part = 0; part < step.count && !table.over; part++) {
        const pause = step.breaks[part] ?? 0;
        if (pause > 0) table.rest(pause);
        const tired = (after: number): number => 1 + problem.fatiguePerMinute * after;
        // What the plan believes goes by its own minutes: the same in all drawn visits.
        table.work(minutes / step.count, { believed: step.ratePerMinute * tired(planned), truly: rate * day * tired(worked) });
        worked += minutes / step.count;
        planned += step.minutes / step.count;
      }
      if (table.over) break;
    }
    const { minute, stopped, snapped, paused, peak, hiddenPeak, over } = table;
    return { minutes: minute, finished: !over, peak, paused, stopped, snapped, hiddenPeak, day, added, seen: table.seen };
  }
}
