import { recoveryPerMinute, strainAfter, strainDoseAbove, WATCH_AT } from '../strain/index.js';
import {
  changeMinutes,
  type ChosenStep,
  partsOf,
  type PlanProblem,
  restsBetween,
  type Station,
  stationOf,
  STRAIN_CEILING,
} from './model.js';

/** A stretch of the visit at one rate. */
export interface Stretch {
  readonly kind: 'work' | 'break' | 'change';
  /** Index of the step; for a break or a change, of the step that follows. */
  readonly step: number;
  readonly from: number;
  readonly to: number;
  readonly strainFrom: number;
  readonly strainTo: number;
  readonly ratePerMinute: number;
}

export type LimitBroken = 'strain' | 'standing' | 'total_standing' | 'work' | 'session' | 'order' | 'lag' | 'helper' | 'wait' | 'rest';

export interface Simulated {
  readonly stretches: readonly Stretch[];
  readonly minutes: number;
  readonly peak: number;
  /** Point-minutes above the line of `watch`. */
  readonly dose: number;
  readonly standingMinutes: number;
  /** The first limit that this order and these breaks would break; `undefined` when it is sound. */
  readonly broken: { readonly limit: LimitBroken; readonly step: number; readonly value: number } | undefined;
}

const EPS = 1e-9;

/** Whether a helper is there over a whole stretch, minutes from the first step. */
export function helperThere(problem: Pick<PlanProblem, 'helperWindows'>, from: number, to: number): boolean {
  return problem.helperWindows?.some(([open, close]) => from >= open - EPS && to <= close + EPS) ?? true;
}

/**
 * Runs an order with its breaks through the strain and standing model, minute by closed form. This is the meaning of a plan:
 * the solver must agree with it, and the reasons compare against it.
 */
export function simulate(problem: PlanProblem, chosen: readonly ChosenStep[], rateFactor: (step: number) => number = () => 1): Simulated {
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  let strain = problem.startStrain;
  let minute = 0;
  let standing = problem.startStandingMinutes;
  let standingTotal = 0;
  let worked = 0;
  let peak = strain;
  let dose = 0;
  let station: Station = { post: problem.startPost, tool: undefined, posture: problem.startPosture };
  const stretches: Stretch[] = [];
  let broken: Simulated['broken'];
  const breaks = (limit: LimitBroken, step: number, value: number): void => {
    broken ??= { limit, step, value };
  };
  const done = new Set<string>();
  const endedAt = new Map<string, number>();
  const stretch = (kind: Stretch['kind'], step: number, length: number, rate: number): void => {
    const to = strainAfter(strain, rate, length, k);
    dose += strainDoseAbove(strain, rate, length, k, WATCH_AT);
    stretches.push({ kind, step, from: minute, to: minute + length, strainFrom: strain, strainTo: to, ratePerMinute: rate });
    strain = to;
    minute += length;
    peak = Math.max(peak, strain);
  };
  for (const { step: index, breaks: pauses, posture } of chosen) {
    const step = problem.steps[index];
    if (!step) throw new RangeError(`simulate: no step ${index}`);
    for (const rule of problem.order) {
      const firstMissing = rule.then === step.id && rule.kind !== 'before' && !done.has(rule.first);
      const tooLate = rule.first === step.id && done.has(rule.then);
      if (firstMissing || tooLate) breaks('order', index, 0);
    }
    const here = stationOf(step, posture);
    const change = changeMinutes(station, here);
    if (change > 0) stretch('change', index, change, 0);
    station = here;
    if (step.noBreakBefore && (pauses[0] ?? 0) > 0 && done.size > 0) breaks('wait', index, pauses[0] ?? 0);
    const parts = partsOf(step, problem.continuousStandingMinutes);
    for (let part = 0; part < parts.count; part++) {
      const pause = pauses[part] ?? 0;
      if (pause > 0) {
        stretch('break', index, pause, 0);
        standing = 0;
      } else if (part > 0 && restsBetween(step)) breaks('rest', index, 0);
      if (part === 0)
        for (const lag of problem.lags ?? []) {
          const from = lag.then !== step.id ? undefined : lag.first === undefined ? 0 : endedAt.get(lag.first);
          if (from !== undefined && minute - from < lag.minutes - EPS) breaks('lag', index, minute - from);
        }
      if (step.helper && !helperThere(problem, minute, minute + parts.minutes)) breaks('helper', index, minute);
      const rate = step.ratePerMinute * (1 + problem.fatiguePerMinute * worked) * rateFactor(index);
      const before = strain;
      stretch('work', index, parts.minutes, rate);
      standing = step.standing ? standing + parts.minutes : 0;
      if (step.standing) standingTotal += parts.minutes;
      worked += parts.minutes;
      const top = Math.max(before, strain);
      const ceiling = STRAIN_CEILING[step.tier];
      if (step.tier === 'looks' ? top > ceiling + EPS : top >= ceiling - EPS) breaks('strain', index, top);
      if (top > (problem.peakAtMost ?? Infinity) + EPS) breaks('strain', index, top);
      if (standing > problem.continuousStandingMinutes + EPS) breaks('standing', index, standing);
    }
    if (standingTotal > problem.totalStandingMinutes + EPS) breaks('total_standing', index, standingTotal);
    if (worked > problem.workMinutes + EPS) breaks('work', index, worked);
    if (minute > problem.sessionMinutes + EPS) breaks('session', index, minute);
    done.add(step.id);
    endedAt.set(step.id, minute);
  }
  for (const rule of problem.order) {
    if (rule.kind === 'finishes' && done.has(rule.first) && !done.has(rule.then)) breaks('order', -1, 0);
  }
  return { stretches, minutes: minute, peak, dose, standingMinutes: standingTotal, broken };
}
