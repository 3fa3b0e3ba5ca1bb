import type { PromisedLength } from '../knowledge/coat/index.js';
import { dogKinds, type KindFound, type StandingLimits, standingLimits } from '../knowledge/dogs/index.js';
import { painfulLimit, type PainfulWork, painfulWork } from '../knowledge/fit/index.js';
import type { RegisterRow } from '../knowledge/hazards/index.js';
import { adviseLoop, type LoopAdvice } from '../knowledge/holds/index.js';
import { learnHalfLife, MOOD_START, uncountedSignals } from '../strain/index.js';
import { type Reason, reason, type SignalId, type StepName } from '../words/index.js';
import { type Account, accountsOf } from './accounts.js';
import { afterStopReasons, type Lighter, lighterAfterStop } from './after-stop.js';
import { bladeStopsOf } from './blade-stops.js';
import { buildSteps, type BuiltPlan, painfulQuestion } from './build-steps.js';
import { findClash, findOrderClash, type WishClash } from './clash.js';
import { whyLeftOut } from './explain.js';
import { stepsFromHere } from './from-here.js';
import { type BuiltStep, groupSteps, putOff, roundHalf } from './group-steps.js';
import { fatiguePerMinute } from './rates.js';
import { withinPain } from './painful-budget.js';
import type { PlanProblem } from './model.js';
import { notWorseThanPresent } from './present-plan.js';
import { curveOf, type CurvePoint, placeSteps, type PlannedStep } from './place-steps.js';
import type { NotPlanned } from './piece.js';
import type { PlanInput } from './plan-input.js';
import { planRegister } from './plan-register.js';
import { problemOf } from './problem-of.js';
import { safeFinishOfPlan, type SafeFinishPoint } from './safe-finish-of-plan.js';
import { ofWholeVisit } from './of-whole-visit.js';
import { type SecondVisit, secondVisitFor } from './second-visit.js';
import { simulate } from './simulate.js';
import type { Solution } from './solution.js';
import { solve, SOLVE_LIMIT_MS, type SolveOptions } from './solve.js';
import {
  type ChanceOfPlan,
  chanceOfPlan,
  chanceReasons,
  leftForChance,
  type Limited,
  limitsFor,
  limitsOf,
  solveLimited,
} from './chance-of-plan.js';
import { isMeant, type PlanWish, rulesBeside, withWishes } from './wishes.js';

/** What the wishes of a groomer cost against the plan without them. */
export interface WishCost {
  readonly peak: number;
  readonly dose: number;
  readonly minutes: number;
  /** Work that is done without the wishes and not with them, and the other way round. */
  readonly less: readonly StepName[];
  readonly more: readonly StepName[];
}

export interface HandlingPlan {
  readonly steps: readonly PlannedStep[];
  readonly notToday: readonly NotPlanned[];
  readonly secondVisit: SecondVisit | undefined;
  /** What becomes of everything that was found and asked for. */
  readonly accounts: readonly Account[];
  readonly kinds: readonly KindFound[];
  readonly standing: StandingLimits;
  readonly curve: readonly CurvePoint[];
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  readonly peak: number;
  readonly dose: number;
  readonly startStrain: number;
  readonly halfLifeMinutes: number;
  /** Minutes in which strain halves at rest, as likely longer as shorter; the plan counts with the careful one above. */
  readonly halfLifeLikely: number;
  /** Growth of all rates with each minute of work that is done. */
  readonly fatiguePerMinute: number;
  /** In which it lies with 90 % probability. */
  readonly halfLifeRange: readonly [number, number];
  /** Signals that mean nothing on this dog. */
  readonly uncounted: readonly SignalId[];
  readonly proof: Solution['proof'];
  /** How much better the best plan of the same work could be at most, as a share of this one's burden. */
  readonly gap: number | undefined;
  /** The house's limits of chance, and what they made of the plan. */
  readonly chance: ChanceOfPlan;
  /** What the groomer's wishes cost; `undefined` without wishes. */
  readonly wishCost: WishCost | undefined;
  /** Wishes that could not be met, and what stands against them. They are not in the plan. */
  readonly clashes: readonly WishClash[];
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

/** How a plan is looked for. `tighter`: a share of the house's limits of chance to plan by. */
export type PlanOptions = SolveOptions & { readonly tighter?: number };

/** A plan with what it was found from: odds and "what if" ask the problem again. */
export interface VisitPlan {
  readonly plan: HandlingPlan;
  readonly built: readonly BuiltStep[];
  readonly problem: PlanProblem;
  readonly solution: Solution;
}

/**
 * The handling plan of a visit: what in which order, with which hold and blade, where the breaks lie, what is left for another
 * day, and why. A dog that is not fit to groom today gets a plan without steps.
 */
export function makePlan(input: PlanInput, options: PlanOptions = {}): HandlingPlan {
  return planVisit(input, options)?.plan ?? nothingToday(input);
}

/**
 * The plan with its problem; `undefined` for a dog that is not groomed today.
 * @param onPlan told of a good plan while the search for a better one, or the proof, goes on
 */
export function planVisit(input: PlanInput, options: PlanOptions = {}, onPlan?: (plan: HandlingPlan) => void): VisitPlan | undefined {
  const asked = ready(input);
  if (!asked) return undefined;
  const left = timeLeft(options);
  const { wishes, clashes, problem } = wishesThatHold(asked, atMost(options, WISHES_MS));
  let told = onPlan === undefined;
  const best = solveLimited(input, { steps: asked.built.steps, kinds: asked.kinds }, problem, {
    ...left(),
    lighter: asked.lighter,
    onProgress: (found) => {
      options.onProgress?.(found);
      // The first good plan is worth describing at once; those after it come with the last.
      if (told || found.gap === undefined || found.gap >= GOOD_ENOUGH) return;
      told = true;
      onPlan?.(describe(input, asked, problem, { ...NOT_LIMITED, solution: found }, clashes, [], options));
    },
  });
  const limited = notWorseThanPresent(best, problem, asked.built.steps, input.now);
  const { solution } = limited;
  return { built: asked.built.steps, problem, solution, plan: describe(input, asked, problem, limited, clashes, wishes, options) };
}

/** The same search within what is left of its time, asked when it begins. */
function timeLeft(options: PlanOptions): () => PlanOptions {
  const { clock, limitMs = SOLVE_LIMIT_MS } = options;
  if (!clock) return () => options;
  const until = clock() + limitMs;
  return () => ({ ...options, limitMs: Math.max(1, until - clock()) });
}
/** A search beside the plan itself takes no more than this of its time, milliseconds. Our defaults. */
const atMost = (options: PlanOptions, ms: number): PlanOptions => ({
  ...options,
  limitMs: Math.min(ms, options.limitMs ?? SOLVE_LIMIT_MS),
});
const WISHES_MS = 300;
const COST_MS = 150;

/** A plan on the way, before its chances are reckoned. */
const NOT_LIMITED = { without: undefined, kept: true } as const;

/** A plan this near to its bound is shown while the proof goes on. */
const GOOD_ENOUGH = 0.25;

interface Ready {
  readonly kinds: readonly KindFound[];
  readonly standing: StandingLimits;
  readonly built: BuiltPlan;
  readonly problem: PlanProblem;
  readonly wishes: readonly PlanWish[];
  /** After a visit that was stopped. */
  readonly lighter: Lighter | undefined;
}

function ready(input: PlanInput): Ready | undefined {
  if (input.fit === 'not_today' || input.fit === 'ask_vet') return undefined;
  const kinds = dogKinds(input.dog, input.feelOver, input.today);
  const standing = standingLimits(input.dog, kinds, input.feelOver, input.today);
  const whole = buildSteps(input, kinds);
  const left = input.now ? stepsFromHere(whole.steps, input.now, { kinds, input }) : { steps: whole.steps, notPlanned: [] };
  const built = { ...whole, steps: left.steps, notPlanned: [...whole.notPlanned, ...left.notPlanned] };
  const asked = problemOf(input, built.steps, kinds, standing);
  const lighter = lighterAfterStop(input, built.steps, asked);
  const problem = { ...asked, workMinutes: Math.min(asked.workMinutes, lighter?.workAtMost ?? Infinity) };
  return { kinds, standing, built, problem, lighter, wishes: input.wishes ?? [] };
}

/** The problem with all wishes that can be met together; of those that cannot, the latest gives way, and it is said why. */
function wishesThatHold(asked: Ready, options: SolveOptions): { wishes: readonly PlanWish[]; clashes: WishClash[]; problem: PlanProblem } {
  const { steps } = asked.built;
  let wishes = asked.wishes.filter((w) => w.kind === 'forbid' || steps.some((s) => isMeant(w.step, s.id)));
  const clashes: WishClash[] = [];
  if (!wishes.some((w) => w.kind === 'place' || w.kind === 'require')) return { wishes, clashes, problem: asked.problem };
  const planned = new Set(solve(asked.problem, options).chosen.flatMap((c) => steps[c.step]?.id ?? []));
  for (;;) {
    const problem = withWishes(asked.problem, wishes, steps, planned);
    const beside = { ...asked.problem, order: rulesBeside(asked.problem.order, wishes) };
    const clash = findOrderClash(beside, wishes, steps, planned) ?? findClash(beside, wishes, steps, planned);
    if (!clash) return { wishes, clashes, problem };
    clashes.push(clash);
    const last = [...wishes].reverse().find((w) => clash.wishes.includes(w));
    // Nothing of the groomer's is in the way: what the work itself requires cannot be met, and the search will say so.
    if (!last) return { wishes, clashes, problem };
    wishes = wishes.filter((w) => w !== last);
  }
}

function describe(
  input: PlanInput,
  { kinds, standing, built, lighter }: Ready,
  problem: PlanProblem,
  limited: Limited,
  clashes: readonly WishClash[],
  wishes: readonly PlanWish[],
  options: SolveOptions,
): HandlingPlan {
  const { solution } = limited;
  const limits = limitsFor(input, lighter);
  const run = simulate(problem, solution.chosen);
  const done = new Set(solution.chosen.map((c) => c.step));
  const leftOut = built.steps.flatMap((_, i) => (done.has(i) ? [] : [i]));
  const left = leftOut.flatMap((i): NotPlanned[] => {
    const s = built.steps[i];
    if (!s) return [];
    const reasons = leftForChance(limited, i, limits) ?? whyLeftOut(problem, i, built.steps, solution.chosen);
    return [putOff(s, built.steps, reasons)];
  });
  const notToday = [...built.notPlanned, ...left];
  const stops = bladeStopsOf(built.steps, run.stretches, input.house, input.now?.blades);
  const steps = placeSteps(problem, solution, run, built.steps, stops);
  const loop = adviseLoop({ dog: input.dog, kinds, fighting: false, house: input.house });
  const painfulMinutes = steps.reduce((sum, s) => sum + s.pieces.reduce((all, p) => all + p.painfulMinutes, 0), 0);
  const another = [...leftOut.flatMap((i) => built.steps[i] ?? []), ...withinOneVisit(built.later, input, kinds)];
  const halfLife = learnHalfLife(input.breaks, input.wholeVisits);
  const range = steps.reduce<[number, number]>(
    ([a, b], s) => [a + s.minutesRange[0] - s.minutes, b + s.minutesRange[1] - s.minutes],
    [run.minutes, run.minutes],
  );
  return {
    steps,
    notToday,
    accounts: accountsOf(input, { steps, notToday }),
    secondVisit: secondVisitFor(notToday, kinds, problemOf({ ...input, now: undefined }, another, kinds, standing), another, options.clock),
    kinds,
    standing,
    curve: curveOf(problem, solution, run, built.steps),
    minutes: run.minutes,
    minutesRange: range,
    peak: run.peak,
    dose: run.dose,
    startStrain: problem.startStrain,
    halfLifeMinutes: problem.halfLifeMinutes,
    halfLifeLikely: halfLife.middle,
    halfLifeRange: halfLife.range,
    fatiguePerMinute: fatiguePerMinute(kinds),
    uncounted: uncountedSignals(input.dog.conditions),
    proof: solution.proof,
    gap: solution.gap,
    chance: chanceOfPlan(input, limited, built.steps, limits),
    wishCost: wishes.length > 0 ? costOf(input, solution, run.peak, built.steps, options) : undefined,
    clashes,
    register: planRegister(steps, input, kinds, loop),
    safeFinish: safeFinishOfPlan(steps, loop.loop),
    painful: painfulWork(roundHalf(painfulMinutes), painfulQuestion(input, kinds)),
    promised: built.mats.coat.promised,
    loop,
    reasons: [
      input.now
        ? reason(
            'now.from',
            {
              minute: Math.round(input.now.minute),
              strain: Math.round(input.now.strain),
              left: Math.max(0, Math.round(problem.sessionMinutes)),
            },
            0.5,
          )
        : reason('plan.start_strain', { mood: input.feelOver.mood, points: problem.startStrain }, 0.3),
      ...halfLife.reasons,
      ...ofWholeVisit(input, kinds),
      ...afterStopReasons(input, lighter, painfulLimit(painfulQuestion(input, kinds))),
      ...chanceReasons(input, limited, limits),
      ...(limited.without ? [] : [proofReason(solution, built.steps.length)]),
    ],
  };
}

/** Of what hurts and waits, what a second visit may hold. */
function withinOneVisit(later: readonly BuiltStep[], input: PlanInput, kinds: readonly KindFound[]): BuiltStep[] {
  const pieces = later.flatMap((s) => s.pieces);
  return groupSteps(withinPain(pieces, painfulLimit(painfulQuestion(input, kinds))).today);
}

/** Wishes against the plan of the same day without them. */
function costOf(
  input: PlanInput,
  solution: Solution,
  peak: number,
  built: readonly BuiltStep[],
  options: SolveOptions,
): WishCost | undefined {
  const without = ready({ ...input, wishes: [] });
  if (!without) return undefined;
  const free = solveLimited({ ...input, wishes: [] }, { steps: without.built.steps, kinds: without.kinds }, without.problem, {
    ...atMost(options, COST_MS),
    lighter: without.lighter,
  }).solution;
  const names = (found: Solution, steps: readonly BuiltStep[]): StepName[] => [
    ...new Set(found.chosen.flatMap((c) => steps[c.step]?.name ?? [])),
  ];
  const [mine, theirs] = [names(solution, built), names(free, without.built.steps)];
  return {
    peak: peak - simulate(without.problem, free.chosen).peak,
    dose: solution.value.dose - free.value.dose,
    minutes: solution.value.minutes - free.value.minutes,
    less: theirs.filter((l) => !mine.includes(l)),
    more: mine.filter((l) => !theirs.includes(l)),
  };
}

function proofReason(solution: Solution, steps: number): Reason {
  if (solution.proof === 'within') return reason('plan.within', { steps, percent: Math.ceil((solution.gap ?? 0) * 100) }, 0.2);
  if (solution.proof === 'impossible') return reason('plan.impossible', {}, 1);
  return reason(solution.proof === 'proven' ? 'plan.proven' : 'plan.best_found', { steps }, 0.2);
}

function nothingToday(input: PlanInput): HandlingPlan {
  const halfLife = learnHalfLife(input.breaks, input.wholeVisits);
  const kinds = dogKinds(input.dog, input.feelOver, input.today);
  const start = MOOD_START[input.feelOver.mood];
  return {
    steps: [],
    notToday: [],
    secondVisit: undefined,
    accounts: accountsOf(input, { steps: [], notToday: [] }),
    kinds,
    standing: standingLimits(input.dog, kinds, input.feelOver, input.today),
    curve: [],
    minutes: 0,
    minutesRange: [0, 0],
    peak: start,
    dose: 0,
    startStrain: start,
    halfLifeMinutes: halfLife.minutes,
    halfLifeLikely: halfLife.middle,
    halfLifeRange: halfLife.range,
    fatiguePerMinute: fatiguePerMinute(kinds),
    uncounted: uncountedSignals(input.dog.conditions),
    proof: 'proven',
    gap: 0,
    chance: { ...limitsOf(input.house), state: 'kept', leftOut: [] },
    wishCost: undefined,
    clashes: [],
    register: [],
    safeFinish: [],
    painful: painfulWork(0, painfulQuestion(input, kinds)),
    promised: [],
    loop: { loop: 'none', reasons: [] },
    reasons: [reason(input.fit === 'ask_vet' ? 'plan.vet_first' : 'plan.not_today', { name: input.dog.name }, 1)],
  };
}
