import { FEEL_AREAS, type FeelArea, type LookedPart, type ZoneId } from '../words/index.js';

export interface FeelAreaFacts {
  readonly label: string;
  readonly zones: readonly ZoneId[];
  /** What is looked at there beside coat and skin. */
  readonly looks: readonly LookedPart[];
  /** How the hands go. Common practice, no source. */
  readonly how: string;
}

const both = <P extends string>(...parts: readonly P[]): (`${P}_left` | `${P}_right`)[] =>
  parts.flatMap((p) => [`${p}_left` as const, `${p}_right` as const]);

/** From nose to tail, in the order of the hands. Every zone is in one area. Common practice, no source. */
export const FEEL_AREA_FACTS: Readonly<Record<FeelArea, FeelAreaFacts>> = {
  head: {
    label: 'Head',
    zones: ['nose', 'wrinkles', 'bridge', 'stop', ...both('eye'), 'lips', 'chin', ...both('cheek'), 'topknot'],
    looks: ['eyes', 'mouth', 'folds'],
    how: 'From the nose over the stop to the skull; lift the lips for a look, no further.',
  },
  ears: {
    label: 'Ears',
    zones: both('ear_base', 'ear_leather', 'ear_canal'),
    looks: ['ears'],
    how: 'Behind the ear first, then the leather between two fingers, then a look and a smell inside.',
  },
  neck_and_chest: {
    label: 'Neck and chest',
    zones: ['throat', 'neck', 'chest'],
    looks: [],
    how: 'Under the collar, loose skin lifted, no pressure on the throat.',
  },
  forelegs: {
    label: 'Forelegs and feet',
    zones: both('shoulder', 'armpit', 'foreleg', 'carpal', 'dewclaw', 'fore_paw', 'fore_nails'),
    looks: ['nails', 'pads'],
    how: 'Shoulder down to the toes; fingers into the armpit, the leg forward and up, never out.',
  },
  back_and_sides: {
    label: 'Back and sides',
    zones: ['back', ...both('side')],
    looks: ['ribs'],
    how: 'Flat hands along the spine and over the ribs: coat hides a thin dog.',
  },
  underside: {
    label: 'Underside',
    zones: ['belly', ...both('tuck_up', 'groin'), 'sanitary'],
    looks: [],
    how: 'From behind the elbow along the belly into the groin; folds with dry hands.',
  },
  hindlegs: {
    label: 'Hind legs and feet',
    zones: ['rump', ...both('thigh', 'hock', 'hind_paw', 'hind_nails')],
    looks: [],
    how: 'Rump over the thigh to the toes; which leg carries less?',
  },
  rear: {
    label: 'Tail and rear',
    zones: ['tail_root', 'tail', 'anus'],
    looks: ['anal'],
    how: 'Root of the tail, then lift it and look, then along it to the tip.',
  },
  joints: {
    label: 'Joints',
    zones: [],
    looks: [],
    how: 'Move each as far as it gives, never further; watch which leg carries less.',
  },
};

/** The area a zone is in. `areaOf('armpit_left') // => 'forelegs'` */
export function areaOf(zone: ZoneId): FeelArea {
  const found = FEEL_AREAS.find((a) => FEEL_AREA_FACTS[a].zones.includes(zone));
  if (!found) throw new RangeError(`areaOf: ${zone} is in no area`);
  return found;
}

/** The first area that no hand has been on yet; `undefined` when all are felt. */
export function nextArea(felt: ReadonlySet<FeelArea>): FeelArea | undefined {
  return FEEL_AREAS.find((a) => !felt.has(a));
}
