export const HOLD_IDS = [
  'hand_resting',
  'muzzle_steady',
  'chin_hair',
  'behind_jaw',
  'cupped_chin',
  'tail_root',
  'leg_folded',
  'foreleg_forward',
  'belly_support',
  'under_arm',
  'lap_or_side',
  'helper',
  'loop',
  'muzzle',
] as const;

/** From least to most force, in the order of this list. */
export type HoldId = (typeof HOLD_IDS)[number];

export const HOLD_NEEDS = ['nothing', 'second_person', 'span_of_hand', 'front_teeth', 'chin_hair', 'small_dog', 'training'] as const;

/** What a hold needs to be safe. */
export type HoldNeed = (typeof HOLD_NEEDS)[number];

export const HOLD_NOT_FOR = [
  'short_nose',
  'breath',
  'cough',
  'sore_hind',
  'sore_fore',
  'sore_neck',
  'sore_back',
  'no_front_teeth',
  'wet',
  'may_be_sick',
  'fighting',
  'heavy',
  'fits',
  'sore_tail',
] as const;

/** Whom a hold is not for. */
export type HoldNotFor = (typeof HOLD_NOT_FOR)[number];

/** What the hands must reach; decides the first hold asked. */
export const REACHES = ['body', 'head', 'throat', 'armpits', 'fore_feet', 'hind_feet', 'nails', 'rear', 'underside', 'washing'] as const;

export type Reach = (typeof REACHES)[number];

export const VOICES = ['soft_voice', 'no_voice'] as const;

/** What settles this dog, as its file says. */
export type Voice = (typeof VOICES)[number];
