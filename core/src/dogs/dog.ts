import type { ZoneGroup } from '../anatomy/index.js';

/** Grown size as people say it. Bounds are our default; see `weight-question.ts`. */
export const SIZES = ['toy', 'small', 'medium', 'large', 'giant'] as const;
export type DogSize = (typeof SIZES)[number];
export const SEXES = ['female', 'male'] as const;
export const COATS = ['smooth', 'double', 'curly', 'silky', 'wire', 'wool'] as const;
export const NOSES = ['short', 'medium', 'long'] as const;
export const EAR_SETS = ['prick', 'drop'] as const;
export const TAIL_SETS = ['long', 'docked'] as const;
export const BUILDS = ['light', 'heavy'] as const;

/** Health facts as told by the owner. Never a diagnosis of ours. */
export const CONDITIONS = [
  'heart',
  'airway',
  'fits',
  'diabetes',
  'addisons',
  'cushings',
  'blood_thinner',
  'steroids',
  'pregnant',
  'arthritis',
  'blind',
  'deaf',
  'incontinent',
  'sore_back',
  'skin_allergy',
  'bad_teeth',
  'ear_trouble',
  'no_front_teeth',
  'cough',
] as const;
export type Condition = (typeof CONDITIONS)[number];

export const CONDITION_LABELS: Readonly<Record<Condition, string>> = {
  heart: 'heart disease',
  airway: 'airway disease',
  fits: 'fits',
  diabetes: 'diabetes',
  addisons: 'Addison’s',
  cushings: 'Cushing’s',
  blood_thinner: 'blood thinners',
  steroids: 'steroids',
  pregnant: 'pregnant or nursing',
  arthritis: 'sore joints',
  blind: 'blind',
  deaf: 'deaf',
  incontinent: 'incontinent',
  sore_back: 'sore back',
  skin_allergy: 'skin allergy',
  bad_teeth: 'bad teeth',
  ear_trouble: 'ear trouble',
  no_front_teeth: 'no front teeth',
  cough: 'an old cough, known to the vet',
};

/** What sets a dog off: a kind of work, in a place when that is known. */
export const TRIGGER_CAUSES = ['clipper', 'shears', 'brush', 'nails', 'dryer', 'water', 'held', 'strangers'] as const;
export type TriggerCause = (typeof TRIGGER_CAUSES)[number];
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
