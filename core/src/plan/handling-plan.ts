import type { PromisedLength } from '../knowledge/coat/index.js';
import type { KindFound, StandingLimits } from '../knowledge/dogs/index.js';
import type { PainfulWork } from '../knowledge/fit/index.js';
import type { RegisterRow } from '../knowledge/hazards/index.js';
import type { LoopAdvice } from '../knowledge/holds/index.js';
import type { Reason, SignalId } from '../words/index.js';
import type { Account } from './accounts.js';
import type { ChanceOfPlan } from './chance-of-plan.js';
import type { WishClash } from './clash.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import type { NotPlanned } from './piece.js';
import type { CurvePoint, PlannedStep } from './place-steps.js';
import type { SafeFinishPoint } from './safe-finish-of-plan.js';
import type { SecondVisit } from './second-visit.js';
import type { Solution } from './solution.js';
import type { WishCost } from './wish-cost.js';

/** The handling plan of a visit as it is shown, signed and kept. */
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

/** A plan with what it was found from: odds and "what if" ask the problem again. */
export interface VisitPlan {
  readonly plan: HandlingPlan;
  readonly built: readonly BuiltStep[];
  readonly problem: PlanProblem;
  readonly solution: Solution;
}
