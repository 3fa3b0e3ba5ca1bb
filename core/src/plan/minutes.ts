import { type Activity, type Reason, reason } from '../words/index.js';
import { isFoundWork } from '../work/index.js';

/** Minutes that a step took in one visit, from the first touch to the last, breaks not counted. */
export interface TimeSeen {
  readonly activity: Activity;
  readonly minutes: number;
}
/** How fast a groomer is at some work: minutes taken over minutes planned, as a geometric mean over visits. */
export interface Pace {
  readonly activity: Activity;
  readonly ratio: number;
  readonly visits: number;
}

export interface LearnedMinutes {
  readonly minutes: number;
  /** 90 % of visits are expected between these. */
  readonly range: readonly [number, number];
  /** Standard deviation of the logarithm of the minutes of one visit. */
  readonly spread: number;
  readonly reasons: readonly Reason[];
}

/** Standard deviations of log minutes. Our defaults: between dogs of a kind, between groomers, and between visits of one dog. */
const MINUTES_SPREAD = { betweenDogs: 0.18, betweenGroomers: 0.15, betweenVisits: 0.16 } as const;
/** Visits that are looked back at: a puppy grows, a coat changes. Our default. */
const VISITS_BACK = 6;
/** 95 % point of the normal distribution. */
const Z95 = 1.6448536269514722;

/**
 * Minutes of a step: the usual ones for a dog like this, then the groomer's own pace, then this dog's own times. Times are taken to vary
 * by a factor (log-normal), so each source is weighed by how well it is known (normal mean with known spread, Gelman et al., Bayesian
 * Data Analysis, 3rd ed., section 2.5; from memory). Work on mats and crust differs from day to day and is not learned.
 * @example learnMinutes('nails', 7, [], undefined).minutes // => 7
 */
export function learnMinutes(activity: Activity, usual: number, seen: readonly TimeSeen[], pace: Pace | undefined): LearnedMinutes {
  const { betweenDogs, betweenGroomers, betweenVisits } = MINUTES_SPREAD;
  const reasons: Reason[] = [];
  let mean = Math.log(usual);
  const learns = !isFoundWork(activity);
  if (learns && pace && pace.visits > 0) {
    const weight = pace.visits / (pace.visits + betweenVisits ** 2 / betweenGroomers ** 2);
    mean += weight * Math.log(pace.ratio);
    reasons.push(reason('minutes.pace', { visits: pace.visits, from: round(usual), to: round(Math.exp(mean)) }, 0.4));
  }
  const own = learns ? seen.filter((s) => s.activity === activity && s.minutes >= SHORTEST_MINUTES).slice(0, VISITS_BACK) : [];
  const known = 1 / betweenDogs ** 2;
  const data = own.length / betweenVisits ** 2;
  if (own.length > 0) {
    const logs = own.reduce((sum, s) => sum + Math.log(s.minutes), 0) / own.length;
    const before = mean;
    mean = (known * mean + data * logs) / (known + data);
    reasons.push(reason('minutes.own', { visits: own.length, from: round(Math.exp(before)), to: round(Math.exp(mean)) }, 0.6));
  }
  const spread = Math.sqrt(1 / (known + data) + betweenVisits ** 2);
  const minutes = Math.exp(mean);
  return { minutes, range: [minutes * Math.exp(-Z95 * spread), minutes * Math.exp(Z95 * spread)], spread, reasons };
}

/** A step that was ended sooner was not really done, minutes. Our default. */
const SHORTEST_MINUTES = 0.5;
const round = (x: number): number => Math.round(x * 2) / 2;
