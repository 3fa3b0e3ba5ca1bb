import type { Beside, HandlingPlan, Odds, PlanInput, WhatIf } from '@mansuet/core/plan';
import type { PlanWay, StepName } from '@mansuet/core/words';
import type { OrderRule } from '@mansuet/core/work';

/** What the page asks the worker. A question about a plan names its input; the worker keeps the latest plans. */
export type PlanQuestion =
  | { readonly kind: 'plan'; readonly input: PlanInput }
  | { readonly kind: 'check'; readonly input: PlanInput }
  | { readonly kind: 'beside'; readonly input: PlanInput }
  | { readonly kind: 'what_if'; readonly input: PlanInput; readonly step: number }
  | { readonly kind: 'ways'; readonly input: PlanInput; readonly atMost: number };

export interface Planned {
  readonly plan: HandlingPlan;
  /** The order rules of the plan, for a drop that is checked at once. */
  readonly order: readonly OrderRule[];
  /** Milliseconds in the worker. */
  readonly ms: number;
  /** The search goes on: a better plan may follow. */
  readonly searching: boolean;
}
/** Odds with what drives them: a step by its name, or the day. */
export interface NamedOdds {
  readonly odds: Odds;
  readonly drivers: readonly { readonly step: StepName | undefined; readonly share: number }[];
  readonly ms: number;
}
/** A plan whose chances were drawn: another than was found first, where that one did not keep the house's limits. */
export interface Checked {
  readonly planned: Planned;
  /** None for a plan without steps. */
  readonly odds: NamedOdds | undefined;
}
/** Another way to do the visit, planned and drawn like the one in hand. */
export interface PlannedWay {
  readonly way: PlanWay;
  readonly plan: HandlingPlan;
  readonly odds: Odds;
}

export interface PlanAnswers {
  readonly plan: Planned;
  readonly check: Checked;
  readonly beside: readonly Beside[];
  readonly what_if: readonly WhatIf[];
  readonly ways: readonly PlannedWay[];
}

export interface AskedOfWorker {
  readonly id: number;
  readonly question: PlanQuestion;
}
export type ToldByWorker =
  | { readonly id: number; readonly kind: 'found'; readonly planned: Planned }
  | { readonly id: number; readonly kind: 'done'; readonly answer: PlanAnswers[PlanQuestion['kind']] }
  | { readonly id: number; readonly kind: 'failed'; readonly message: string };
