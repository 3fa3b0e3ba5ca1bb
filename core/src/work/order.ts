import type { RuleId } from '../words/index.js';
export type OrderKind = 'before' | 'requires' | 'finishes';

/**
 * How two steps depend on each other. `before`: if both are done, first comes first. `requires`: then cannot be done unless
 * first was. `finishes`: as `requires`, and first must not be left without then (a wet dog is dried).
 */
export interface OrderRule {
  readonly first: string;
  readonly then: string;
  readonly kind: OrderKind;
  readonly rule: RuleId;
}

/** What has to lie between the end of one step and the start of another: crust soaks before it is combed. */
export interface TimeLag {
  /** `undefined`: it was done before, and the minutes are what is left of the wait. */
  readonly first: string | undefined;
  readonly then: string;
  /** Minutes, > 0. Other work or a break may fill them. */
  readonly minutes: number;
  readonly rule: RuleId;
}

/** Whether both ends of a lag are among some steps; of one that runs already, the step that waits. */
export const isLagAmong = (lag: TimeLag, has: (id: string) => boolean): boolean =>
  (lag.first === undefined || has(lag.first)) && has(lag.then);
