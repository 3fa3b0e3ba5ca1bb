import type { BUILDS, COATS, Condition, EAR_SETS, NOSES, SEXES, TAIL_SETS, TriggerCause, ZoneGroup } from '../../words/index.js';
export interface Trigger {
  readonly cause: TriggerCause;
  readonly place?: ZoneGroup | undefined;
}

/** What the planner needs to know of a dog. */
export interface DogFacts {
  readonly name: string;
  readonly sex: (typeof SEXES)[number];
  readonly neutered: boolean;
  /** Birth date or estimate, ISO date. */
  readonly born: string;
  /** How far the birth date may be off, months either way; left out or 0 when it is known. */
  readonly bornWithinMonths?: number | undefined;
  readonly weightKg: number;
  readonly coat: (typeof COATS)[number];
  readonly nose: (typeof NOSES)[number];
  readonly ears: (typeof EAR_SETS)[number];
  readonly tail: (typeof TAIL_SETS)[number];
  readonly build: (typeof BUILDS)[number];
  readonly conditions: readonly Condition[];
  readonly biteHistory: boolean;
  readonly triggers: readonly Trigger[];
  /** The owner allows food as a reward. */
  readonly treatsAllowed: boolean;
  /** Longest stretch this dog was seen to stand well, minutes; `undefined` until it was seen. */
  readonly standingSeenMinutes: number | undefined;
  readonly visitsBefore: number;
}
