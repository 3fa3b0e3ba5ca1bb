import type { ZoneGroup } from '../anatomy/index.js';
import type { TriggerCause } from '../dogs/index.js';
import type { LearnedTool } from '../learning/index.js';
import type { Reach } from '../holds/index.js';
import type { Post, Tier } from './model.js';

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

/** What the owner can ask for. Mats and crust are not asked for: they are found. */
export const SERVICE_ITEMS = ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'] as const;
export type ServiceItem = (typeof SERVICE_ITEMS)[number];
export const SERVICE_ITEM_LABELS: Readonly<Record<ServiceItem, string>> = {
  bath: 'bath and dry',
  body_clip: 'body clip',
  face: 'face',
  feet: 'feet and pads',
  sanitary: 'sanitary trim',
  nails: 'nails',
  ears: 'ears',
  tidy: 'legs and tail scissored',
};

/** A bath and what belongs to it: once the dog is wet, all of it is done. */
export const BATHING = ['bath', 'bath_head', 'rinse_folds', 'towel', 'dry'] as const satisfies readonly Activity[];
/** Work that depends on what is found that day: mats and crust. */
const FOUND_WORK: readonly Activity[] = ['soak', 'crust', 'brush_mats', 'clip_tight_fragile', 'clip_tight_head', 'clip_tight_body'];
export const isFoundWork = (a: Activity): boolean => FOUND_WORK.includes(a);
/** Minutes that crust soaks before it is combed; other work may fill them. Our default. */
export const SOAK_MINUTES = 4;

export interface ActivityFacts {
  readonly label: string;
  readonly post: Post;
  readonly standing: boolean;
  readonly tier: Tier;
  readonly worth: number;
  /** Minutes on a dog of 15 to 30 kg. Our default, until the groomer's own times are known. */
  readonly minutes: number;
  /** Strain points per minute on a calm grown dog. Our default. */
  readonly ratePerMinute: number;
  /** What the dog feels and hears; rates are learned by it. */
  readonly tool: LearnedTool;
  readonly causes: readonly TriggerCause[];
  readonly reaches: readonly Reach[];
  readonly groups: readonly ZoneGroup[];
}

export const ACTIVITY_FACTS: Readonly<Record<Activity, ActivityFacts>> = {
  soak: {
    label: 'Soak the crust',
    post: 'table',
    standing: false,
    tier: 'welfare',
    worth: 1,
    minutes: 1.5,
    ratePerMinute: 1.2,
    tool: 'hands',
    causes: ['held'],
    reaches: ['head'],
    groups: ['face'],
  },
  crust: {
    label: 'Comb out the soaked crust',
    post: 'table',
    standing: false,
    tier: 'welfare',
    worth: 4,
    minutes: 3,
    ratePerMinute: 2,
    tool: 'hands',
    causes: ['held'],
    reaches: ['head'],
    groups: ['face'],
  },
  brush_mats: {
    label: 'Brush and split mats',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 3,
    minutes: 5,
    ratePerMinute: 2.2,
    tool: 'brush',
    causes: ['brush'],
    reaches: ['body'],
    groups: ['body', 'legs'],
  },
  clip_tight_fragile: {
    label: 'Clip out tight mats where skin is thin',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 5,
    minutes: 4,
    ratePerMinute: 3.2,
    tool: 'clipper',
    causes: ['clipper', 'held'],
    reaches: ['armpits', 'underside'],
    groups: ['underside', 'rear', 'feet'],
  },
  clip_tight_head: {
    label: 'Clip out tight mats at ears and face',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 5,
    minutes: 4,
    ratePerMinute: 3.2,
    tool: 'clipper',
    causes: ['clipper', 'held'],
    reaches: ['head'],
    groups: ['ears', 'face'],
  },
  clip_tight_body: {
    label: 'Clip tight coat off the body',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 5,
    minutes: 10,
    ratePerMinute: 2,
    tool: 'clipper',
    causes: ['clipper'],
    reaches: ['body'],
    groups: ['body', 'legs', 'neck'],
  },
  prep_clip: {
    label: 'Rough clip before the bath',
    post: 'table',
    standing: true,
    tier: 'asked',
    worth: 2,
    minutes: 9,
    ratePerMinute: 1.6,
    tool: 'clipper',
    causes: ['clipper'],
    reaches: ['body'],
    groups: ['body', 'neck'],
  },
  nails: {
    label: 'Nails',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 3,
    minutes: 7,
    ratePerMinute: 4,
    tool: 'nail_tool',
    causes: ['nails', 'held'],
    reaches: ['nails'],
    groups: ['feet'],
  },
  sanitary: {
    label: 'Sanitary trim',
    post: 'table',
    standing: true,
    tier: 'welfare',
    worth: 3,
    minutes: 4,
    ratePerMinute: 2.6,
    tool: 'clipper',
    causes: ['clipper', 'held'],
    reaches: ['rear', 'underside'],
    groups: ['underside', 'rear'],
  },
  ears: {
    label: 'Look at and clean the ears',
    post: 'table',
    standing: false,
    tier: 'welfare',
    worth: 2,
    minutes: 4,
    ratePerMinute: 2.8,
    tool: 'hands',
    causes: ['held'],
    reaches: ['head'],
    groups: ['ears'],
  },
  bath: {
    label: 'Bath: the body',
    post: 'tub',
    standing: true,
    tier: 'asked',
    worth: 3,
    minutes: 9,
    ratePerMinute: 1.6,
    tool: 'water',
    causes: ['water'],
    reaches: ['washing'],
    groups: ['body', 'legs'],
  },
  bath_head: {
    label: 'Bath: the head, wetted last',
    post: 'tub',
    standing: false,
    tier: 'asked',
    worth: 1,
    minutes: 4,
    ratePerMinute: 2.2,
    tool: 'water',
    causes: ['water'],
    reaches: ['washing'],
    groups: ['face'],
  },
  rinse_folds: {
    label: 'Wash the folds, and dry each',
    post: 'tub',
    standing: false,
    tier: 'welfare',
    worth: 2,
    minutes: 3,
    ratePerMinute: 2.2,
    tool: 'water',
    causes: ['water', 'held'],
    reaches: ['washing'],
    groups: ['face'],
  },
  towel: {
    label: 'Towel',
    post: 'tub',
    standing: false,
    tier: 'asked',
    worth: 1,
    minutes: 3,
    ratePerMinute: 1,
    tool: 'hands',
    causes: [],
    reaches: ['washing'],
    groups: ['body', 'legs'],
  },
  dry: {
    label: 'Dry',
    post: 'dryer',
    standing: true,
    tier: 'asked',
    worth: 1,
    minutes: 12,
    ratePerMinute: 2,
    tool: 'dryer',
    causes: ['dryer'],
    reaches: ['washing'],
    groups: ['body', 'legs', 'face'],
  },
  body_clip: {
    label: 'Body clip',
    post: 'table',
    standing: true,
    tier: 'asked',
    worth: 3,
    minutes: 18,
    ratePerMinute: 1.5,
    tool: 'clipper',
    causes: ['clipper'],
    reaches: ['body'],
    groups: ['body', 'neck'],
  },
  feet: {
    label: 'Feet and pads',
    post: 'table',
    standing: true,
    tier: 'asked',
    worth: 2,
    minutes: 8,
    ratePerMinute: 2.6,
    tool: 'clipper',
    causes: ['clipper', 'shears', 'held'],
    reaches: ['fore_feet', 'hind_feet'],
    groups: ['feet'],
  },
  tidy: {
    label: 'Scissor legs and tail',
    post: 'table',
    standing: true,
    tier: 'looks',
    worth: 1,
    minutes: 12,
    ratePerMinute: 1.2,
    tool: 'shears',
    causes: ['shears'],
    reaches: ['body'],
    groups: ['legs', 'rear'],
  },
  face: {
    label: 'Face',
    post: 'table',
    standing: false,
    tier: 'asked',
    worth: 2,
    minutes: 10,
    ratePerMinute: 2.9,
    tool: 'clipper',
    causes: ['clipper', 'shears', 'held'],
    reaches: ['head'],
    groups: ['face'],
  },
};

/** Minutes against a dog of 15 to 30 kg. Our default. */
export function sizeFactor(weightKg: number): number {
  if (weightKg < 7) return 0.7;
  if (weightKg < 15) return 0.85;
  return weightKg < 30 ? 1 : 1.35;
}
