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
  'breath_head_up',
] as const;

export type Condition = (typeof CONDITIONS)[number];

/** What sets a dog off: a kind of work, in a place when that is known. */
export const TRIGGER_CAUSES = ['clipper', 'shears', 'brush', 'nails', 'dryer', 'water', 'held', 'strangers'] as const;

export type TriggerCause = (typeof TRIGGER_CAUSES)[number];

export const DOG_KINDS = [
  'puppy',
  'senior',
  'sore_joints',
  'reactive',
  'matted',
  'short_nose',
  'thin_skin',
  'lumps',
  'bite_history',
  'first_visit',
  'needs_two',
] as const;

/** What kind of dog this is today; each changes the plan. */
export type DogKind = (typeof DOG_KINDS)[number];

export const LIFE_STAGES = ['puppy', 'young_adult', 'mature_adult', 'senior'] as const;

/** Stages of the 2019 AAHA Canine Life Stage Guidelines (Creevy et al., JAAHA 55:267–290), from memory. */
export type LifeStage = (typeof LIFE_STAGES)[number];

export const RESENTED_PLACES = ['mouth', 'eyes', 'ears', 'neck', 'forefeet', 'hindfeet', 'belly', 'groin', 'rear', 'tail'] as const;

/** Where a dog minds a hand, as people say it. */
export type ResentedPlace = (typeof RESENTED_PLACES)[number];

export const WARNINGS = ['growled', 'snapped', 'bit'] as const;

/** How far a dog went to be let be, from least to most. */
export type Warning = (typeof WARNINGS)[number];

export const INJURY_KINDS = ['burn', 'cut', 'fall', 'other'] as const;

/** How a dog was hurt before, here or elsewhere. */
export type InjuryKind = (typeof INJURY_KINDS)[number];

export const GROOMED_BY = ['here', 'elsewhere', 'owner', 'never'] as const;

/** Who had its coat the last time. */
export type GroomedBy = (typeof GROOMED_BY)[number];

export const LIES_ON = ['left', 'right', 'either'] as const;

/** The side that a dog lies on willingly. */
export type LiesOn = (typeof LIES_ON)[number];

export const GUARDED = ['food', 'people'] as const;

/** What a dog guards. */
export type Guarded = (typeof GUARDED)[number];
