import type { PromisedLength } from '../coat/index.js';
import { dogKinds, hasKind, MOOD_START, standingLimits, type KindFound, type StandingLimits } from '../dogs/index.js';
import { reason, type Reason } from '../reasons/index.js';
import { painfulWork, type PainfulWork } from '../fit/index.js';
import type { RegisterRow } from '../hazards/index.js';
import { adviseLoop, adviseReward, adviseVoice, type LoopAdvice } from '../holds/index.js';
import { learnHalfLife } from '../learning/index.js';
import { uncountedSignals, type SignalId } from '../strain/index.js';
import { ACTIVITY_FACTS, type Activity } from './activities.js';
import { buildSteps, type BuiltStep, type NotPlanned } from './build-steps.js';
import { whyBreak, whyHere, whyLeftOut } from './explain.js';
import type { PlanProblem } from './model.js';
import { orderRules, timeLags } from './order-rules.js';
import type { PlanInput } from './plan-input.js';
import { fatiguePerMinute } from './rates.js';
import { planRegister } from './plan-register.js';
import { safeFinishOfPlan, type SafeFinishPoint } from './safe-finish-of-plan.js';
import { simulate, type Simulated } from './simulate.js';
import { solve, type Solution } from './solve.js';

export interface PlannedBreak {
  readonly from: number;
  readonly minutes: number;
  readonly because: Reason;
}

export interface PlannedStep extends BuiltStep {
  /** Minutes from the start of the work. */
  readonly from: number;
  readonly to: number;
  readonly strainFrom: number;
  readonly strainTo: number;
  readonly breaks: readonly PlannedBreak[];
  readonly whyHere: readonly Reason[];
}

export interface CurvePoint {
  readonly minute: number;
  readonly strain: number;
  /** If every rate were at the low, or the high, end of its 90 % interval. */
  readonly low: number;
  readonly high: number;
}

export interface SecondVisit {
  /** Weeks from now. */
  readonly inWeeks: number;
  readonly reasons: readonly Reason[];
}

export interface HandlingPlan {
  readonly steps: readonly PlannedStep[];
  readonly notToday: readonly NotPlanned[];
  readonly secondVisit: SecondVisit | undefined;
  readonly kinds: readonly KindFound[];
  readonly standing: StandingLimits;
  readonly curve: readonly CurvePoint[];
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  readonly peak: number;
  readonly dose: number;
  readonly startStrain: number;
  readonly halfLifeMinutes: number;
  /** Signals that mean nothing on this dog. */
  readonly uncounted: readonly SignalId[];
  readonly proof: Solution['proof'];
  /** What can happen in these steps, before and after controls. */
  readonly register: readonly RegisterRow[];
  /** Minutes until the dog could go home, at each minute. */
  readonly safeFinish: readonly SafeFinishPoint[];
  readonly painful: PainfulWork;
  /** The length that can be promised in each place that was felt. */
  readonly promised: readonly PromisedLength[];
  readonly loop: LoopAdvice;
  readonly reasons: readonly Reason[];
}

/**
 * The handling plan of a visit: what in which order, with which hold and blade, where the breaks lie, what is left for another
 * day, and why. A dog that is not fit to groom today gets a plan without steps.
 */
export function makePlan(input: PlanInput): HandlingPlan {
  const kinds = dogKinds(input.dog, input.feelOver, input.today);
  const standing = standingLimits(input.dog, kinds, input.feelOver, input.today);
  if (input.fit === 'not_today' || input.fit === 'ask_vet') return nothingToday(input, kinds, standing);
  const built = buildSteps(input, kinds);
  const problem = problemOf(input, built.steps, kinds, standing);
  const solution = solve(problem);
  const run = simulate(problem, solution.chosen);
  const done = new Set(solution.chosen.map((c) => c.step));
  const left: NotPlanned[] = built.steps.flatMap((s, i) =>
    done.has(i)
      ? []
      : [
          {
            what: s.label,
            activity: s.activity,
            zones: s.zones,
            to: 'another_visit' as const,
            reasons: whyLeftOut(problem, i, built.steps, solution.chosen),
          },
        ],
  );
  const notToday = [...built.notPlanned, ...left];
  const steps = placeSteps(problem, solution, run, built.steps);
  const loop = adviseLoop({ dog: input.dog, kinds, fighting: false, house: input.house });
  const painfulMinutes = steps.reduce((sum, s) => sum + (s.rate.painful ? s.minutes : 0), 0);
  const halfLife = learnHalfLife(input.breaks);
  const range = steps.reduce<[number, number]>(
    ([a, b], s) => [a + s.minutesRange[0] - s.minutes, b + s.minutesRange[1] - s.minutes],
    [run.minutes, run.minutes],
  );
  return {
    steps,
    notToday,
    secondVisit: secondVisitFor(notToday, kinds),
    kinds,
    standing,
    curve: curveOf(problem, solution, run, built.steps),
    minutes: run.minutes,
    minutesRange: range,
    peak: run.peak,
    dose: run.dose,
    startStrain: problem.startStrain,
    halfLifeMinutes: problem.halfLifeMinutes,
    uncounted: uncountedSignals(input.dog.conditions),
    proof: solution.proof,
    register: planRegister(steps, input, kinds, loop),
    safeFinish: safeFinishOfPlan(steps, loop.loop),
    painful: painfulWork(
      painfulMinutes,
      kinds.map((k) => k.kind),
    ),
    promised: built.mats.coat.promised,
    loop,
    reasons: [
      reason('plan.start_strain', { mood: input.feelOver.mood.replace('_', ' '), points: problem.startStrain }, 0.3),
      ...halfLife.reasons,
      ...loop.reasons,
      adviseVoice(input.house, undefined),
      adviseReward(input.house, input.dog),
      proofReason(solution, built.steps.length),
    ],
  };
}

function proofReason(solution: Solution, steps: number): Reason {
  if (solution.proof === 'within') return reason('plan.within', { steps, percent: Math.ceil(solution.gap * 100) }, 0.2);
  return reason(solution.proof === 'proven' ? 'plan.proven' : 'plan.best_found', { steps }, 0.2);
}

/** The solver's numbers for a visit. */
export function problemOf(
  input: PlanInput,
  steps: readonly BuiltStep[],
  kinds: readonly KindFound[],
  standing: StandingLimits,
): PlanProblem {
  return {
    steps: steps.map((s) => ({
      id: s.id,
      tier: s.tier,
      worth: s.worth,
      minutes: s.minutes,
      ratePerMinute: s.rate.mean,
      post: s.post,
      standing: s.standing,
      tool: toolOf(s),
      noBreakBefore: WET.includes(s.activity),
    })),
    order: orderRules(steps, kinds, input),
    lags: timeLags(steps),
    startStrain: MOOD_START[input.feelOver.mood],
    halfLifeMinutes: learnHalfLife(input.breaks).minutes,
    fatiguePerMinute: fatiguePerMinute(kinds),
    continuousStandingMinutes: standing.continuousMinutes,
    totalStandingMinutes: standing.totalMinutes,
    workMinutes: standing.workMinutes,
    sessionMinutes: input.asked.sessionMinutes,
    startPost: 'table',
    startStandingMinutes: 0,
  };
}

/** A wet dog is not left to wait. */
const WET: readonly Activity[] = ['bath_head', 'rinse_folds', 'towel', 'dry'];

/** What is in the hand: another blade is another tool. */
function toolOf(step: BuiltStep): string {
  const { tool } = ACTIVITY_FACTS[step.activity];
  return step.blade?.blade ? `${tool} ${step.blade.blade}${step.blade.guard ? ` guard ${step.blade.guard.id}` : ''}` : tool;
}

function placeSteps(problem: PlanProblem, solution: Solution, run: Simulated, built: readonly BuiltStep[]): PlannedStep[] {
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
        from: first.from,
        to: last.to,
        strainFrom: first.strainFrom,
        strainTo: last.strainTo,
        breaks: pauses.map((p, i) => ({
          from: p.from,
          minutes: c.breaks[parts[i] ?? 0] ?? p.to - p.from,
          because: whyBreak(problem, solution.chosen, at, parts[i] ?? 0, built),
        })),
        whyHere: whyHere(problem, solution, at, built),
      },
    ];
  });
}

/** Points of the curve, one for each end of a stretch and every minute between. */
function curveOf(problem: PlanProblem, solution: Solution, run: Simulated, built: readonly BuiltStep[]): CurvePoint[] {
  const share =
    (end: 0 | 1) =>
    (step: number): number => {
      const rate = built[step]?.rate;
      return rate && rate.mean > 0 ? rate.interval[end] / rate.mean : 1;
    };
  const low = simulate(problem, solution.chosen, share(0));
  const high = simulate(problem, solution.chosen, share(1));
  const points: CurvePoint[] = [{ minute: 0, strain: problem.startStrain, low: problem.startStrain, high: problem.startStrain }];
  const k = Math.LN2 / problem.halfLifeMinutes;
  run.stretches.forEach((s, i) => {
    const steps = Math.max(1, Math.ceil(s.to - s.from));
    for (let j = 1; j <= steps; j++) {
      const d = ((s.to - s.from) * j) / steps;
      const at = (r: Simulated): number => {
        const t = r.stretches[i];
        if (!t) return s.strainTo;
        const decay = Math.exp(-k * d);
        return Math.min(100, t.strainFrom * decay + (t.ratePerMinute / k) * (1 - decay));
      };
      points.push({ minute: s.from + d, strain: at(run), low: at(low), high: at(high) });
    }
  });
  return points;
}

/** When the rest is done. Our defaults: a week when it is welfare, two to three weeks otherwise, so that the dog comes back before it is forgotten. */
function secondVisitFor(notToday: readonly NotPlanned[], kinds: readonly KindFound[]): SecondVisit | undefined {
  const later = notToday.filter((n) => n.to === 'another_visit');
  if (later.length === 0) return undefined;
  const welfare = later.some((n) => n.activity && ACTIVITY_FACTS[n.activity].tier === 'welfare');
  if (welfare) return { inWeeks: 1, reasons: [reason('second.welfare', {}, 0.8)] };
  if (hasKind(kinds, 'puppy')) return { inWeeks: 2, reasons: [reason('second.puppy', {}, 0.7)] };
  return { inWeeks: 3, reasons: [reason('second.rest', {}, 0.5)] };
}

function nothingToday(input: PlanInput, kinds: readonly KindFound[], standing: StandingLimits): HandlingPlan {
  const start = MOOD_START[input.feelOver.mood];
  return {
    steps: [],
    notToday: [],
    secondVisit: undefined,
    kinds,
    standing,
    curve: [],
    minutes: 0,
    minutesRange: [0, 0],
    peak: start,
    dose: 0,
    startStrain: start,
    halfLifeMinutes: learnHalfLife(input.breaks).minutes,
    uncounted: uncountedSignals(input.dog.conditions),
    proof: 'proven',
    register: [],
    safeFinish: [],
    painful: painfulWork(0, []),
    promised: [],
    loop: { loop: 'none', reasons: [] },
    reasons: [reason(input.fit === 'ask_vet' ? 'plan.vet_first' : 'plan.not_today', { name: input.dog.name }, 1)],
  };
}
