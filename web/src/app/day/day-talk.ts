import type { DayOdds, DayPlan, DayProblem, DaySchedule, OtherDay, PlanForDay } from '@mansuet/core/day';
import type { PlanInput } from '@mansuet/core/plan';

/** What a page asks the worker of a day. */
export type DayQuestion =
  /** What is thought of a visit that is still to come. */
  | { readonly kind: 'expected'; readonly input: PlanInput }
  | {
      readonly kind: 'plan';
      readonly problem: DayProblem;
      readonly here: ReadonlySet<string>;
      readonly from: DaySchedule | undefined;
      readonly limitMs: number;
      /** Somebody has to wait longer than they should: the least of it is looked for. */
      readonly mustWait: boolean;
    }
  /** The day that was taken, as it goes from here. */
  | { readonly kind: 'follow'; readonly problem: DayProblem; readonly here: ReadonlySet<string>; readonly schedule: DaySchedule }
  | {
      readonly kind: 'others';
      readonly problem: DayProblem;
      readonly plan: DayPlan;
      readonly bookedWith: ReadonlyMap<string, string>;
      readonly limitMs: number;
    }
  /** Which of those that were put by hand stand against each other. */
  | { readonly kind: 'clashes'; readonly problem: DayProblem };

export interface PlannedDay {
  readonly plan: DayPlan;
  readonly odds: DayOdds;
  /** Dogs that are here and wait longer than they should. */
  readonly overWaits: readonly string[];
}
export interface FollowedDay {
  readonly schedule: DaySchedule;
  readonly odds: DayOdds;
  readonly overWaits: readonly string[];
}

export interface DayAnswers {
  readonly expected: PlanForDay | undefined;
  readonly plan: PlannedDay;
  readonly follow: FollowedDay;
  readonly others: readonly OtherDay[];
  readonly clashes: readonly string[];
}

export interface AskedOfDayWorker {
  readonly id: number;
  readonly question: DayQuestion;
}
export type ToldByDayWorker =
  | { readonly id: number; readonly ok: true; readonly answer: DayAnswers[DayQuestion['kind']] }
  | { readonly id: number; readonly ok: false; readonly message: string };
