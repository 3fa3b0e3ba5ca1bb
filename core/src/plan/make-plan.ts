import { dogKinds, type KindFound, standingLimits } from '../knowledge/dogs/index.js';
import { painfulLimit, painfulWork } from '../knowledge/fit/index.js';
import { adviseLoop } from '../knowledge/holds/index.js';
import { learnHalfLife, MOOD_START, uncountedSignals } from '../strain/index.js';
import { type Reason, reason } from '../words/index.js';
import { accountsOf } from './accounts.js';
import { afterStopReasons } from './after-stop.js';
import { type AskedOfPlan, askedOfPlan } from './asked-of-plan.js';
import { bladeStopsOf } from './blade-stops.js';
import { painfulQuestion } from './build-steps.js';
import { chanceOfPlan, chanceReasons, leftForChance, type Limited, limitsFor, limitsOf, solveLimited } from './chance-of-plan.js';
import type { WishClash } from './clash.js';
import { whyLeftOut } from './explain.js';
import { type BuiltStep, groupSteps, putOff, roundHalf } from './group-steps.js';
import type { HandlingPlan, VisitPlan } from './handling-plan.js';
import type { PlanProblem } from './model.js';
import { ofWholeVisit } from './of-whole-visit.js';
import { withinPain } from './painful-budget.js';
import type { NotPlanned } from './piece.js';
import { curveOf, placeSteps } from './place-steps.js';
import type { PlanInput } from './plan-input.js';
import { planRegister } from './plan-register.js';
import { notWorseThanPresent } from './present-plan.js';
import { problemOf } from './problem-of.js';
import { fatiguePerMinute } from './rates.js';
import { safeFinishOfPlan } from './safe-finish-of-plan.js';
import { secondVisitFor } from './second-visit.js';
import { simulate } from './simulate.js';
import type { Solution } from './solution.js';
import { SOLVE_LIMIT_MS, type SolveOptions } from './solve.js';
import { costOfWishes, wishesThatHold } from './wish-cost.js';
import type { PlanWish } from './wishes.js';

/** How a plan is looked for. `tighter`: a share of the house's limits of chance to plan by. */
export type PlanOptions = SolveOptions & { readonly tighter?: number };

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
  const left = timeLeft(options);
  const asked = askedOfPlan(input);
  if (!asked) return undefined;
  const { wishes, clashes, problem } = wishesThatHold(asked, options);
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

/** The same search within what is left of its time: what comes after it needs some, too. */
function timeLeft(options: PlanOptions): () => PlanOptions {
  const { clock, limitMs = SOLVE_LIMIT_MS } = options;
  if (!clock) return () => options;
  const until = clock() + (1 - FOR_REASONS) * limitMs;
  return () => ({ ...options, limitMs: Math.max(1, until - clock()) });
}
/** Share of the time that the reasons of a plan and the visit after it may take. Our default. */
const FOR_REASONS = 0.1;

/** A plan on the way, before its chances are reckoned. */
const NOT_LIMITED = { without: undefined, kept: true } as const;

/** A plan this near to its bound is shown while the proof goes on. */
const GOOD_ENOUGH = 0.25;

function describe(
  input: PlanInput,
  { kinds, standing, built, lighter }: AskedOfPlan,
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
    wishCost: wishes.length > 0 ? costOfWishes(input, solution, run.peak, built.steps, options) : undefined,
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
