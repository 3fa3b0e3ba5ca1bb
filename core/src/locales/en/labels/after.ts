import type { AccountSection, HealingLook, ToldHow } from '../../../words/index.js';

/** Of a wound only what is seen: words that an owner may read. */
export const HEALING_LABELS: Readonly<Record<HealingLook, string>> = {
  closed_dry: 'closed and dry',
  red: 'red',
  wet_or_swollen: 'wet or swollen',
  not_found: 'no longer to be found',
  not_looked_at: 'not looked at',
};

export const TOLD_HOW_LABELS: Readonly<Record<ToldHow, string>> = {
  face_to_face: 'face to face',
  by_phone: 'by phone',
  in_writing: 'in writing',
};

export const ACCOUNT_SECTION_LABELS: Readonly<Record<AccountSection, string>> = {
  happened: 'what happened',
  how: 'how the dog took it',
  done: 'what was done',
  left: 'what was left, and why',
  found: 'what we found',
  home: 'at home',
  watch: 'watch tonight',
  next: 'the next visit',
  price: 'price',
};
