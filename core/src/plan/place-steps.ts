import { recoveryPerMinute, strainAfter } from '../strain/index.js';
import type { DogPosture, Reason } from '../words/index.js';
import type { BladeStop } from './blade-stops.js';
import { whenBreak, whyBreak, whyHere } from './explain.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import { simulate, type Simulated } from './simulate.js';
import type { Solution } from './solution.js';

export interface PlannedBreak {
  readonly from: number;
  readonly minutes: number;
  /** Minutes of the step's own work that come before it; 0 when the dog rests before the step begins. */
  readonly after: number;
  readonly because: Reason;
  /** By what is seen it begins: the clock is only the latest. */
  readonly when: Reason | undefined;
}

export interface PlannedStep extends BuiltStep {
  /** Minutes from the start of the plan. */
  /** How the dog is for it: the one of its postures that the order has chosen. */
  readonly posture: DogPosture;
  readonly from: number;
  readonly to: number;
  readonly strainFrom: number;
  readonly strainTo: number;
  readonly breaks: readonly PlannedBreak[];
  readonly bladeStops: readonly BladeStop[];
  readonly whyHere: readonly Reason[];
}

export interface CurvePoint {
  readonly minute: number;
  readonly strain: number;
  /** If every rate were at the low, or the high, end of its 90 % interval. */
  readonly low: number;
  readonly high: number;
}

/** The steps with their times, breaks and reasons. */
export function placeSteps(
  problem: PlanProblem,
  solution: Solution,
  run: Simulated,
  built: readonly BuiltStep[],
  stops: ReadonlyMap<string, readonly BladeStop[]>,
): PlannedStep[] {
  return solution.chosen.flatMap((c, at) => {
    const step = built[c.step];
    const work = run.stretches.filter((s) => s.step === c.step && s.kind === 'work');
    const pauses = run.stretches.filter((s) => s.step === c.step && s.kind === 'break');
    const first = work[0];
    const last = work[work.length - 1];
    if (!step || !first || !last) return [];
    const parts = c.breaks.flatMap((b, part) => (b > 0 ? [part] : []));
    return [
      {
        ...step,
        posture: c.posture ?? step.postures[0] ?? 'standing',
        from: first.from,
        to: last.to,
        strainFrom: first.strainFrom,
        strainTo: last.strainTo,
        breaks: pauses.map((p, i) => {
          const because = whyBreak(problem, solution.chosen, at, parts[i] ?? 0, built);
          return {
            from: p.from,
            minutes: c.breaks[parts[i] ?? 0] ?? p.to - p.from,
            after: work.reduce((sum, w) => sum + (w.to <= p.from ? w.to - w.from : 0), 0),
            because,
            // A dog that is let settle before anything begins is not waiting for a sign.
            when: p.from > 0 ? whenBreak(because, p, problem.continuousStandingMinutes) : undefined,
          };
        }),
        bladeStops: stops.get(step.id) ?? [],
        whyHere: whyHere(problem, solution, at, built),
      },
    ];
  });
}

/** Points of the curve, one for each end of a stretch and every minute between. */
export function curveOf(problem: PlanProblem, solution: Solution, run: Simulated, built: readonly BuiltStep[]): CurvePoint[] {
  const share =
    (end: 0 | 1) =>
    (step: number): number => {
      const rate = built[step]?.rate;
      return rate && rate.mean > 0 ? rate.interval[end] / rate.mean : 1;
    };
  const low = simulate(problem, solution.chosen, share(0));
  const high = simulate(problem, solution.chosen, share(1));
  const points: CurvePoint[] = [{ minute: 0, strain: problem.startStrain, low: problem.startStrain, high: problem.startStrain }];
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  run.stretches.forEach((s, i) => {
    const steps = Math.max(1, Math.ceil(s.to - s.from));
    for (let j = 1; j <= steps; j++) {
      const d = ((s.to - s.from) * j) / steps;
      const at = (r: Simulated): number => {
        const t = r.stretches[i];
        return t ? strainAfter(t.strainFrom, t.ratePerMinute, d, k) : s.strainTo;
      };
      points.push({ minute: s.from + d, strain: at(run), low: at(low), high: at(high) });
    }
  });
  return points;
}
