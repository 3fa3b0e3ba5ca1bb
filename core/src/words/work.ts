export const ACTIVITIES = [
  'soak',
  'crust',
  'brush_mats',
  'clip_tight_fragile',
  'clip_tight_head',
  'clip_tight_body',
  'prep_clip',
  'nails',
  'sanitary',
  'ears',
  'bath',
  'bath_head',
  'rinse_folds',
  'towel',
  'dry',
  'body_clip',
  'feet',
  'tidy',
  'face',
] as const;

export type Activity = (typeof ACTIVITIES)[number];

/** What a step is called: its activity, or what that becomes when it is more than the usual. */
export const STEP_NAMES = [...ACTIVITIES, 'clip_off_body'] as const;
export type StepName = (typeof STEP_NAMES)[number];

/** What the owner can ask for. Mats and crust are not asked for: they are found. */
export const SERVICE_ITEMS = ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'] as const;

export type ServiceItem = (typeof SERVICE_ITEMS)[number];

/** Where a step is done. Changing place takes minutes. */
export const POSTS = ['table', 'lap', 'tub', 'dryer'] as const;

export type Post = (typeof POSTS)[number];

export const TIERS = ['welfare', 'asked', 'looks'] as const;

/** Welfare comes first, then what was asked for, then looks. */
export type Tier = (typeof TIERS)[number];

export const PLAN_WAYS = ['as_asked', 'with_helper', 'split_in_two', 'welfare_only', 'calmest', 'quickest'] as const;

/** Ways to do one visit. */
export type PlanWay = (typeof PLAN_WAYS)[number];

/** What an owner can refuse so that work falls away. */
export type RefusableWork = 'close_clip' | 'clip_off' | 'muzzle';
