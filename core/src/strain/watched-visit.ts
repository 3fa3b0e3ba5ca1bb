import type { Mood, SignalId } from '../words/index.js';

/** What was entered of a dog, in order of time. Minutes count from the start of the work. */
export type StrainEntry =
  | {
      readonly kind: 'signal';
      readonly minute: number;
      readonly signal: SignalId;
      /** Not surely of strain: the meter counts it, nothing is learned of it. */
      readonly teachesNothing?: boolean;
    }
  | { readonly kind: 'break_started'; readonly minute: number }
  | { readonly kind: 'break_ended'; readonly minute: number }
  /** Somebody looked and said how the dog is. */
  | { readonly kind: 'state_seen'; readonly minute: number; readonly mood: Mood };

/** What was done in a stretch of the visit, at the rate that the plan expects of it. Minutes from the start of the work. */
export interface WorkStretch<A extends string = string> {
  readonly fromMinute: number;
  /** `undefined` while it goes on. */
  readonly toMinute: number | undefined;
  /** Points a minute on an ordinary day. */
  readonly ratePerMinute: number;
  /** The same without what ails it this day: sore skin, a stiff joint, its mood. */
  readonly lastingPerMinute?: number | undefined;
  /** What dogs of its kind have, without what ails it and before anything of this dog was learned. */
  readonly kindPerMinute?: number | undefined;
  /** What kind of work it is, when something is to be learned of it. */
  readonly work?: A;
}

/** A visit as far as it is known. */
export interface WatchedVisit<A extends string = string> {
  /** In order of time. */
  readonly entries: readonly StrainEntry[];
  readonly stretches: readonly WorkStretch<A>[];
  /** Points that the dog brought to the table. */
  readonly start: number;
  readonly halfLifeMinutes: number;
  /** Signs that mean nothing on this dog. */
  readonly uncounted?: readonly SignalId[];
}
