import type { FeelArea, LookedFinding, LookedPart, MatGrade } from '../../../words/index.js';
export const LOOKED_PART_LABELS: Readonly<Record<LookedPart, string>> = {
  eyes: 'eyes',
  mouth: 'mouth',
  folds: 'folds',
  ears: 'ears',
  nails: 'nails',
  pads: 'pads',
  ribs: 'ribs',
  anal: 'round the anus',
};

export const LOOKED_LABELS: Readonly<Record<LookedFinding, string>> = {
  clear: 'clear',
  crusted: 'crusted',
  sore: 'sore',
  fine: 'fine',
  no_front_teeth: 'front teeth missing',
  sore_teeth: 'sore teeth',
  dry: 'dry',
  damp: 'damp',
  clean: 'clean',
  waxy: 'waxy',
  foul: 'black or foul',
  short: 'short',
  long: 'long',
  grown_in: 'grown in',
  sound: 'sound',
  hair_balls: 'hair balls',
  cracked: 'cracked',
  cut: 'cut',
  covered: 'well covered',
  thin: 'felt like a rake',
  heavy: 'hard to find',
  dirty: 'dirty',
  swollen: 'swollen',
};

export const MAT_GRADE_NAMES: Readonly<Record<MatGrade, string>> = { 0: 'none', 1: 'tangles', 2: 'mats', 3: 'tight', 4: 'pelted' };

export const FEEL_AREA_LABELS: Readonly<Record<FeelArea, string>> = {
  head: 'Head',
  ears: 'Ears',
  neck_and_chest: 'Neck and chest',
  forelegs: 'Forelegs and feet',
  back_and_sides: 'Back and sides',
  underside: 'Underside',
  hindlegs: 'Hind legs and feet',
  rear: 'Tail and rear',
  joints: 'Joints',
};

/** How the hands go. Common practice, no source. */
export const FEEL_AREA_HOW: Readonly<Record<FeelArea, string>> = {
  head: 'From the nose over the stop to the skull; lift the lips for a look, no further.',
  ears: 'Behind the ear first, then the leather between two fingers, then a look and a smell inside.',
  neck_and_chest: 'Under the collar, loose skin lifted, no pressure on the throat.',
  forelegs: 'Shoulder down to the toes; fingers into the armpit, the leg forward and up, never out.',
  back_and_sides: 'Flat hands along the spine and over the ribs: coat hides a thin dog.',
  underside: 'From behind the elbow along the belly into the groin; folds with dry hands.',
  hindlegs: 'Rump over the thigh to the toes; which leg carries less?',
  rear: 'Root of the tail, then lift it and look, then along it to the tip.',
  joints: 'Move each as far as it gives, never further; watch which leg carries less.',
};
