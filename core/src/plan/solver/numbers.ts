import { doseOfLine, HARDLY_DECAYS, recoveryPerMinute, WATCH_AT } from '../../strain/index.js';
import {
  changeMinutes,
  partsOf,
  type PlanProblem,
  POINT_MINUTES_PER_MINUTE,
  restsBetween,
  type SolverStep,
  type Station,
  stationOf,
  STRAIN_CEILING,
} from '../model.js';

const EPS = 1e-9;

/** A step as the search reads it: everything that can be computed once is. */
export interface StepNumbers {
  readonly minutes: number;
  readonly parts: number;
  readonly partMinutes: number;
  /** What is left of strain after one part. */
  readonly decay: number;
  /** Strain that one part adds to a dog that has not worked yet. */
  readonly gain: number;
  readonly ratePerMinute: number;
  /** Strain must stay at or below this. */
  readonly ceiling: number;
  /** Places in {@link Numbers.stations}, one for each posture. */
  readonly stations: readonly number[];
  readonly standing: boolean;
  readonly helper: boolean;
  readonly noBreakBefore: boolean;
  /** Each part but the first begins with a rest. */
  readonly restsBetween: boolean;
  /** Lags that end, and begin, at this step: places in {@link Numbers.lags}. */
  readonly lagsIn: readonly number[];
  readonly lagsOut: readonly number[];
}

/** A problem as the search reads it. */
export interface Numbers {
  readonly problem: PlanProblem;
  readonly steps: readonly StepNumbers[];
  readonly k: number;
  /** Places and tools; the first is where the dog is when it begins. */
  readonly stations: readonly Station[];
  /** Minutes between stations, `change[from][to]`. */
  readonly change: readonly (readonly number[])[];
  /** `first` is {@link RUNS_ALREADY} for a wait that has begun. */
  readonly lags: readonly { readonly first: number; readonly then: number; readonly minutes: number }[];
  /** Bit mask of the steps that need a helper who is not always there. */
  readonly helperMask: number;
  /** Bit mask of the steps before which there is no break. */
  readonly noBreakMask: number;
  /** One of those has to wait for a helper or a lag: the wait lies before an earlier step. */
  readonly waitsEarlier: boolean;
  readonly minutePrice: number;
  readonly continuousStanding: number;
  readonly session: number;
  readonly fatigue: number;
}

/** In place of the first step of a lag that was done before the plan begins. */
export const RUNS_ALREADY = -1;

/** @throws RangeError when a lag names a step that is not there */
export function numbersOf(problem: PlanProblem): Numbers {
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  const index = new Map(problem.steps.map((s, i) => [s.id, i]));
  const lags = (problem.lags ?? []).map(({ first, then, minutes, rule }) => {
    const [a, b] = [first === undefined ? RUNS_ALREADY : index.get(first), index.get(then)];
    if (a === undefined || b === undefined) throw new RangeError(`numbersOf: lag ${rule} names a step that is not there`);
    return { first: a, then: b, minutes };
  });
  const stations: Station[] = [{ post: problem.startPost, tool: undefined, posture: problem.startPosture }];
  const placeOf = (s: Station): number =>
    stations.findIndex((x, at) => at > 0 && x.post === s.post && x.tool === s.tool && x.posture === s.posture && x.muzzled === s.muzzled);
  const stationsOf = (s: SolverStep): Station[] => (s.postures?.length ? s.postures : [undefined]).map((p) => stationOf(s, p));
  for (const s of problem.steps.flatMap(stationsOf)) if (placeOf(s) < 0) stations.push(s);
  const steps = problem.steps.map((s, i): StepNumbers => {
    const { count, minutes } = partsOf(s, problem.continuousStandingMinutes);
    return {
      minutes: s.minutes,
      parts: count,
      partMinutes: minutes,
      decay: Math.exp(-k * minutes),
      gain: (s.ratePerMinute / k) * -Math.expm1(-k * minutes),
      ratePerMinute: s.ratePerMinute,
      // A hair tighter than what `simulate` allows, so that rounding never makes a found plan break a limit.
      ceiling: Math.min(STRAIN_CEILING[s.tier] + (s.tier === 'looks' ? EPS / 2 : -2 * EPS), (problem.peakAtMost ?? Infinity) + EPS / 2),
      stations: stationsOf(s).map(placeOf),
      standing: s.standing,
      helper: s.helper === true && problem.helperWindows !== undefined,
      noBreakBefore: s.noBreakBefore === true,
      restsBetween: restsBetween(s),
      lagsIn: lags.flatMap((l, at) => (l.then === i ? [at] : [])),
      lagsOut: lags.flatMap((l, at) => (l.first === i ? [at] : [])),
    };
  });
  return {
    problem,
    steps,
    k,
    stations,
    change: stations.map((from) => stations.map((to) => changeMinutes(from, to))),
    lags,
    helperMask: steps.reduce((mask, s, i) => (s.helper ? mask | (1 << i) : mask), 0),
    noBreakMask: steps.reduce((mask, s, i) => (s.noBreakBefore ? mask | (1 << i) : mask), 0),
    waitsEarlier: steps.some((s) => s.noBreakBefore && (s.helper || s.lagsIn.length > 0)),
    minutePrice: problem.minutePrice ?? POINT_MINUTES_PER_MINUTE,
    continuousStanding: problem.continuousStandingMinutes,
    session: problem.sessionMinutes,
    fatigue: problem.fatiguePerMinute,
  };
}

/**
 * Dose of a stretch in point-minutes, from both its ends: `strainDoseAbove` without an exponential. The area under a stretch follows
 * from the balance `rate·t − (to − from) = k·∫S dt`, so a logarithm is needed only where the curve crosses the line.
 */
export function doseOf(from: number, to: number, rate: number, minutes: number, k: number): number {
  if (from <= WATCH_AT && to <= WATCH_AT) return 0;
  if (k * minutes < HARDLY_DECAYS) return doseOfLine(from, to, minutes, WATCH_AT);
  if (from >= WATCH_AT && to >= WATCH_AT) return (rate * minutes - (to - from)) / k - WATCH_AT * minutes;
  const settles = rate / k;
  const crossing = Math.log((from - settles) / (WATCH_AT - settles)) / k;
  return from < WATCH_AT
    ? (rate * (minutes - crossing) - (to - WATCH_AT)) / k - WATCH_AT * (minutes - crossing)
    : (rate * crossing - (WATCH_AT - from)) / k - WATCH_AT * crossing;
}

/**
 * How much a stretch's dose grows with each point of strain before it: the minutes above the line, each weighed by what is left then of a
 * point at the start.
 */
export function doseSlopeOf(from: number, to: number, rate: number, minutes: number, k: number): number {
  if (from < WATCH_AT && to <= WATCH_AT) return 0;
  if (k * minutes < HARDLY_DECAYS) {
    if (from >= WATCH_AT && to >= WATCH_AT) return minutes;
    return (minutes * (Math.max(from, to) - WATCH_AT)) / Math.abs(to - from);
  }
  const settles = rate / k;
  const atCrossing = (WATCH_AT - settles) / (from - settles);
  const first = from < WATCH_AT ? atCrossing : 1;
  const last = to < WATCH_AT ? atCrossing : Math.exp(-k * minutes);
  return Math.max(0, (first - last) / k);
}

/** Dose of a rest of some minutes, point-minutes. */
export function restDose(strain: number, minutes: number, k: number): number {
  return strain <= WATCH_AT ? 0 : doseOf(strain, strain * Math.exp(-k * minutes), 0, minutes, k);
}
