import type { DogPosture, LearnedTool, ServiceItem, StepName, Tier } from '../../../words/index.js';
export const SERVICE_ITEM_LABELS: Readonly<Record<ServiceItem, string>> = {
  bath: 'bath and dry',
  deshed: 'de-shedding',
  body_clip: 'body clip',
  face: 'face',
  feet: 'feet and pads',
  sanitary: 'sanitary trim',
  nails: 'nails',
  ears: 'ears',
  tidy: 'legs and tail scissored',
};

/** As a step is called within a sentence. */
export const STEP_LABELS: Readonly<Record<StepName, string>> = {
  meet_tool: 'meet the tool',
  soak: 'soak the crust',
  crust: 'comb out the soaked crust',
  brush_mats: 'brush and split mats',
  clip_tight_fragile: 'clip out tight mats where skin is thin',
  clip_tight_head: 'clip out tight mats at ears and face',
  clip_tight_body: 'clip tight coat off the body',
  prep_clip: 'rough clip before the bath',
  brush_through: 'brush through',
  nails: 'nails',
  sanitary: 'sanitary trim',
  ears: 'look at and clean the ears',
  bath: 'bath: the body',
  bath_head: 'bath: the head, wetted last',
  rinse_folds: 'wash the folds, and dry each',
  towel: 'towel',
  dry: 'dry',
  deshed: 'rake out the loose coat',
  body_clip: 'body clip',
  feet: 'feet and pads',
  tidy: 'scissor legs and tail',
  face: 'face',
  easy_end: 'two easy minutes',
  clip_off_body: 'clip the matted coat off the body',
  soak_dirt: 'soak the dirt under the tail',
  loosen_dirt: 'loosen the soaked dirt',
};

export const LEARNED_TOOL_LABELS: Readonly<Record<LearnedTool, string>> = {
  clipper: 'clipper',
  shears: 'shears',
  brush: 'brush',
  nail_tool: 'nail tool',
  water: 'water',
  dryer: 'dryer',
  hands: 'hands',
};

export const TIER_LABELS: Readonly<Record<Tier, string>> = { welfare: 'for welfare', asked: 'asked for', looks: 'for looks' };

export const POSTURE_LABELS: Readonly<Record<DogPosture, string>> = {
  standing: 'standing',
  sitting: 'sitting or standing as it likes',
  lying_left: 'lying on its left side',
  lying_right: 'lying on its right side',
  lap: 'on the lap',
  in_tub: 'in the tub',
};
