import type {
  BUILDS,
  COATS,
  Condition,
  DogKind,
  DogSize,
  EAR_SETS,
  GroomedBy,
  Guarded,
  InjuryKind,
  Joint,
  JointComfort,
  Leg,
  LiesOn,
  MARK_BORDERS,
  MarkFollow,
  MarkKind,
  MARK_SURFACES,
  Mood,
  NOSES,
  ResentedPlace,
  SEXES,
  SkinState,
  TAIL_SETS,
  TriggerCause,
  Warning,
} from '../../../words/index.js';
export const JOINT_LABELS: Readonly<Record<Joint, string>> = {
  neck: 'neck',
  shoulder_left: 'left shoulder',
  shoulder_right: 'right shoulder',
  elbow_left: 'left elbow',
  elbow_right: 'right elbow',
  back: 'back',
  hip_left: 'left hip',
  hip_right: 'right hip',
  knee_left: 'left knee',
  knee_right: 'right knee',
};

export const MOOD_LABELS: Readonly<Record<Mood, string>> = {
  relaxed: 'relaxed',
  still: 'still',
  tense: 'tense',
  tired_out: 'tired out',
  shut_down: 'shut down',
  frantic: 'frantic',
};

export const LEG_LABELS: Readonly<Record<Leg, string>> = {
  fore_left: 'left foreleg',
  fore_right: 'right foreleg',
  hind_left: 'left hind leg',
  hind_right: 'right hind leg',
};

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
  breath_head_up: 'bad breath when its head is lifted',
};

export const DOG_KIND_LABELS: Readonly<Record<DogKind, string>> = {
  puppy: 'Puppy',
  senior: 'Senior',
  sore_joints: 'Sore joints',
  reactive: 'Reactive',
  matted: 'Matted',
  short_nose: 'Short nose',
  thin_skin: 'Thin skin',
  lumps: 'Lumps',
  bite_history: 'Bite history',
  first_visit: 'First visit',
  needs_two: 'Needs two people',
};

export const JOINT_COMFORT_LABELS: Readonly<Record<JointComfort, string>> = { free: 'free', stiff: 'stiff', painful: 'painful' };

export const CAUSE_LABELS: Readonly<Record<TriggerCause, string>> = {
  clipper: 'clipper',
  shears: 'shears',
  brush: 'brush',
  nails: 'nails',
  dryer: 'dryer',
  water: 'water',
  held: 'held',
  strangers: 'strangers',
};

export const COAT_LABELS: Readonly<Record<(typeof COATS)[number], string>> = {
  smooth: 'smooth',
  double: 'double',
  curly: 'curly',
  silky: 'silky',
  wire: 'wire',
  wool: 'wool',
};

export const SEX_LABELS: Readonly<Record<(typeof SEXES)[number], string>> = { female: 'female', male: 'male' };

export const NOSE_LABELS: Readonly<Record<(typeof NOSES)[number], string>> = { short: 'short', medium: 'medium', long: 'long' };

export const EAR_SET_LABELS: Readonly<Record<(typeof EAR_SETS)[number], string>> = { prick: 'prick', drop: 'drop' };

export const TAIL_SET_LABELS: Readonly<Record<(typeof TAIL_SETS)[number], string>> = { long: 'long', docked: 'docked' };

export const BUILD_LABELS: Readonly<Record<(typeof BUILDS)[number], string>> = { light: 'light', heavy: 'heavy' };

export const BORDER_LABELS: Readonly<Record<(typeof MARK_BORDERS)[number], string>> = { regular: 'regular', irregular: 'irregular' };

export const SKIN_LABELS: Readonly<Record<SkinState, string>> = { sound: 'sound', red: 'red', sore: 'sore' };

export const SURFACE_LABELS: Readonly<Record<(typeof MARK_SURFACES)[number], string>> = {
  smooth: 'smooth',
  lumpy: 'lumpy',
  scabbed: 'scabbed',
  flaky: 'flaky',
  oozing: 'oozing',
  bleeding: 'bleeding',
};

export const DOG_SIZE_LABELS: Readonly<Record<DogSize, string>> = {
  toy: 'toy',
  small: 'small',
  medium: 'medium',
  large: 'large',
  giant: 'giant',
};

export const WARNING_LABELS: Readonly<Record<Warning, string>> = { growled: 'growled', snapped: 'snapped', bit: 'bit' };

export const INJURY_LABELS: Readonly<Record<InjuryKind, string>> = { burn: 'burn', cut: 'cut', fall: 'fall', other: 'injury' };

export const GROOMED_BY_LABELS: Readonly<Record<GroomedBy, string>> = {
  here: 'here',
  elsewhere: 'another salon',
  owner: 'the owner',
  never: 'nobody yet',
};

export const LIES_ON_LABELS: Readonly<Record<LiesOn, string>> = { left: 'its left side', right: 'its right side', either: 'either side' };

export const GUARDED_LABELS: Readonly<Record<Guarded, string>> = { food: 'food', people: 'its people' };

export const RESENTED_LABELS: Readonly<Record<ResentedPlace, string>> = {
  mouth: 'mouth',
  eyes: 'eyes',
  ears: 'ears',
  neck: 'neck',
  forefeet: 'forefeet',
  hindfeet: 'hind feet',
  belly: 'belly',
  groin: 'groin and armpits',
  rear: 'rear',
  tail: 'tail',
};

/** For the groomer’s eye: how a blade meets it. Never what it is. */
export const MARK_KIND_LABELS: Readonly<Record<MarkKind, string>> = {
  stands_out: 'stands out',
  hangs: 'hangs on a stalk',
  under_skin: 'under the skin',
  scar: 'scar',
  sore: 'sore',
};

/** What becomes of a mark, as its owner reads it. */
export const MARK_FOLLOW_LABELS: Readonly<Record<MarkFollow, string>> = {
  next_visit: 'we measure it again at the next visit',
  four_weeks: 'we look at it again in 4 weeks',
  check_up: 'ask a vet to look at it at the next check-up',
  within_days: 'a vet should see it within days',
};

/** Words that an owner may read. */
export const MARK_KIND_TOLD: Readonly<Record<MarkKind, string>> = {
  stands_out: 'a bump',
  hangs: 'a bump',
  under_skin: 'a bump under the skin',
  scar: 'a scar',
  sore: 'a sore',
};
