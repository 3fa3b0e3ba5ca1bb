/** Parts that are looked at beside coat and skin, and what is found there; the first of each is the healthy one. */
export const LOOKED_FINDINGS = {
  eyes: ['clear', 'crusted', 'sore'],
  mouth: ['fine', 'no_front_teeth', 'sore_teeth'],
  folds: ['dry', 'damp', 'sore'],
  ears: ['clean', 'waxy', 'foul'],
  nails: ['short', 'long', 'grown_in'],
  pads: ['sound', 'hair_balls', 'cracked', 'cut'],
  ribs: ['covered', 'thin', 'heavy'],
  anal: ['clean', 'dirty', 'swollen'],
} as const;

export type LookedPart = keyof typeof LOOKED_FINDINGS;

export type LookedFinding = (typeof LOOKED_FINDINGS)[LookedPart][number];

export const LOOKED_PARTS = Object.keys(LOOKED_FINDINGS) as readonly LookedPart[];
