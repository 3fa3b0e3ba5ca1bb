import { ZONE_IDS, type ZoneId } from './zone-ids.js';

export const ACTIVITIES = [
  'meet_tool',
  'soak',
  'crust',
  'brush_mats',
  'clip_tight_fragile',
  'clip_tight_head',
  'clip_tight_body',
  'prep_clip',
  'brush_through',
  'nails',
  'sanitary',
  'ears',
  'bath',
  'bath_head',
  'rinse_folds',
  'towel',
  'dry',
  'deshed',
  'body_clip',
  'feet',
  'tidy',
  'face',
  'easy_end',
] as const;

export type Activity = (typeof ACTIVITIES)[number];

/** One kind of work in one place: what is done, done in part or left by itself. */
export type PieceId = `${Activity}:${ZoneId}`;
/** Pieces of one kind of work that share the hand, hold and tool; named by its first place where that kind makes several steps. */
export type StepId = Activity | `${Activity}@${ZoneId}`;

/** `pieceId('nails', 'fore_nails_left') // => 'nails:fore_nails_left'` */
export const pieceId = (activity: Activity, place: ZoneId): PieceId => `${activity}:${place}`;

/** The kind of work of a step. `activityOf('nails@hind_nails_left') // => 'nails'` */
export function activityOf(step: StepId): Activity {
  const name = step.split('@')[0];
  const activity = ACTIVITIES.find((a) => a === name);
  if (!activity) throw new RangeError(`activityOf: "${step}" is no step`);
  return activity;
}

/** Whether a text names a step. `isStepId('nails@back') // => true` */
export function isStepId(text: string): text is StepId {
  const [activity, place, more] = text.split('@');
  return more === undefined && ACTIVITIES.some((a) => a === activity) && (place === undefined || ZONE_IDS.some((z) => z === place));
}

/** What a step is called: its activity, or what that becomes when it is more than the usual. */
export const STEP_NAMES = [...ACTIVITIES, 'clip_off_body', 'soak_dirt', 'loosen_dirt'] as const;
export type StepName = (typeof STEP_NAMES)[number];

/** What the owner can ask for. Mats and crust are not asked for: they are found. */
export const SERVICE_ITEMS = ['bath', 'deshed', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'] as const;

export type ServiceItem = (typeof SERVICE_ITEMS)[number];

/** Where a step is done. Changing place takes minutes. */
export const POSTS = ['table', 'lap', 'tub', 'dryer'] as const;

export type Post = (typeof POSTS)[number];

/** How the dog is while a piece is done. */
export const DOG_POSTURES = ['standing', 'sitting', 'lying_left', 'lying_right', 'lap', 'in_tub'] as const;

/** `lying_left`: on its left side. */
export type DogPosture = (typeof DOG_POSTURES)[number];

export const TIERS = ['welfare', 'asked', 'looks'] as const;

/** Welfare comes first, then what was asked for, then looks. */
export type Tier = (typeof TIERS)[number];

export const PLAN_WAYS = ['as_asked', 'with_helper', 'split_in_two', 'welfare_only', 'calmest', 'quickest', 'with_risk'] as const;

/** Ways to do one visit. */
export type PlanWay = (typeof PLAN_WAYS)[number];

/** What an owner can refuse so that work falls away. */
export type RefusableWork = 'close_clip' | 'clip_off' | 'muzzle';
