import { dogKinds, type KindFound, type StandingLimits, standingLimits } from '../knowledge/dogs/index.js';
import { type Lighter, lighterAfterStop } from './after-stop.js';
import { buildSteps, type BuiltPlan } from './build-steps.js';
import { stepsFromHere } from './from-here.js';
import type { PlanProblem } from './model.js';
import type { PlanInput } from './plan-input.js';
import { problemOf } from './problem-of.js';
import type { PlanWish } from './wishes.js';

/** What a plan has to choose from: the steps of the visit, and the limits that they have to keep. */
export interface AskedOfPlan {
  readonly kinds: readonly KindFound[];
  readonly standing: StandingLimits;
  readonly built: BuiltPlan;
  readonly problem: PlanProblem;
  readonly wishes: readonly PlanWish[];
  /** After a visit that was stopped. */
  readonly lighter: Lighter | undefined;
}

/** Of a visit; `undefined` for a dog that is not groomed today. */
export function askedOfPlan(input: PlanInput): AskedOfPlan | undefined {
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
