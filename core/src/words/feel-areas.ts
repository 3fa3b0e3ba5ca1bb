export const FEEL_AREAS = [
  'head',
  'ears',
  'neck_and_chest',
  'forelegs',
  'back_and_sides',
  'underside',
  'hindlegs',
  'rear',
  'joints',
] as const;

/** A stretch of the dog that two hands go over in one move. */
export type FeelArea = (typeof FEEL_AREAS)[number];
