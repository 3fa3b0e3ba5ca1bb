/** Parts that are looked at beside coat and skin, and what is found there; the first of each is the healthy one. */
export const LOOKED_FINDINGS = {
  eyes: ['clear', 'crusted', 'dry_eye', 'sore'],
  mouth: ['fine', 'no_front_teeth', 'sore_teeth'],
  folds: ['dry', 'damp', 'sore'],
  ears: ['clean', 'waxy', 'foul'],
  seeds: ['none_found', 'grass_seed'],
  breath: ['quiet', 'bad_head_up'],
  ticks: ['none_found', 'tick'],
  nails: ['short', 'long', 'brittle', 'grown_in'],
  dewclaws: ['fine', 'curled', 'grown_in'],
  pads: ['sound', 'hair_balls', 'cracked', 'cut'],
  ribs: ['covered', 'thin', 'heavy'],
  grease: ['not_greasy', 'greasy'],
  rear_touch: ['stands', 'sits'],
  anal: ['clean', 'dirty', 'swollen'],
} as const;

/** What can be in any place of the coat or skin, and is shown there: the part that is looked at, and what is found. */
export const FOUND_IN_PLACES = { seeds: 'grass_seed', ticks: 'tick' } as const;
export type FoundInPlace = keyof typeof FOUND_IN_PLACES;

export type LookedPart = keyof typeof LOOKED_FINDINGS;

export type LookedFinding = (typeof LOOKED_FINDINGS)[LookedPart][number];

export const LOOKED_PARTS = Object.keys(LOOKED_FINDINGS) as readonly LookedPart[];
