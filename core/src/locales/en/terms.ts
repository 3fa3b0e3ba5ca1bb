import type { Term } from '../index.js';
/** Words that differ between groomers, or that an owner may not know. Common practice, no source. */
export const TERMS: readonly Term[] = [
  {
    word: 'tuck-up',
    also: ['flank fold', 'flank skin', 'flank flap', 'stifle flap'],
    means: 'The thin fold of skin between the last ribs and the thigh. It tears, and gets worse when the leg moves.',
    part: 'tuck_up',
  },
  { word: 'stop', also: ['between the eyes', 'inner corners'], means: 'Where the forehead meets the bridge of the nose.', part: 'stop' },
  { word: 'flews', also: ['lip folds', 'jowls'], means: 'The hanging folds of the upper lip.', part: 'lips' },
  {
    word: 'leather',
    also: ['ear flap', 'pinna'],
    means: 'The flap of the ear, skin on both sides, an edge all round.',
    part: 'ear_leather',
  },
  { word: 'topknot', also: ['crown'], means: 'The long hair on the skull.', part: 'topknot' },
  { word: 'carpal pad', also: ['stop pad', 'wrist pad'], means: 'The single pad behind the wrist. Hair hides it.', part: 'carpal' },
  { word: 'dewclaw', also: ['thumb claw'], means: 'The claw on the inside of the leg that does not touch the ground.', part: 'dewclaw' },
  { word: 'hock', also: ['heel joint'], means: 'The ankle of the hind leg; the tendon behind it lies bare under thin skin.', part: 'hock' },
  {
    word: 'web',
    also: ['skin between the toes'],
    means: 'The skin that spreads between toes, and lies in front of the pads.',
    part: 'fore_paw',
  },
  { word: 'sheath', also: ['prepuce'], means: 'The fold of skin round the penis.', part: 'sanitary' },
  {
    word: 'sanitary trim',
    also: ['hygiene trim', 'sani'],
    means: 'Hair clipped from belly to navel, groin, and under the tail.',
    part: 'sanitary',
  },
  { word: 'withers', also: ['top of the shoulders'], means: 'The highest point of the back, between the shoulder blades.', part: 'back' },
  { word: 'quick', also: ['nail bed'], means: 'The live core of a nail. It bleeds and hurts.', part: 'fore_nails' },
  {
    word: 'with the grain',
    also: ['with the lie of the coat'],
    means: 'The way the hair lies. Against it about half the length is left.',
    part: undefined,
  },
  { word: 'loop', also: ['noose', 'grooming loop'], means: 'The tether on the arm of the table.', part: undefined },
  { word: 'pelted', also: ['felted', 'one sheet'], means: 'A coat matted into one sheet without a gap to the skin.', part: undefined },
];
