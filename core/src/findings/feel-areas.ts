import { FEEL_AREAS, type FeelArea, type LookedPart, type ZoneId } from '../words/index.js';

export interface FeelAreaFacts {
  readonly zones: readonly ZoneId[];
  /** What is looked at there beside coat and skin. */
  readonly looks: readonly LookedPart[];
}

const both = <P extends string>(...parts: readonly P[]): (`${P}_left` | `${P}_right`)[] =>
  parts.flatMap((p) => [`${p}_left` as const, `${p}_right` as const]);

/** From nose to tail, in the order of the hands. Every zone is in one area. Common practice, no source. */
export const FEEL_AREA_FACTS: Readonly<Record<FeelArea, FeelAreaFacts>> = {
  head: {
    zones: ['nose', 'wrinkles', 'bridge', 'stop', ...both('eye'), 'lips', 'chin', ...both('cheek'), 'topknot'],
    looks: ['eyes', 'mouth', 'folds'],
  },
  ears: {
    zones: both('ear_base', 'ear_leather', 'ear_canal'),
    looks: ['ears', 'seeds'],
  },
  neck_and_chest: {
    zones: ['throat', 'neck', 'chest'],
    looks: ['breath', 'ticks'],
  },
  forelegs: {
    zones: both('shoulder', 'armpit', 'foreleg', 'carpal', 'dewclaw', 'fore_paw', 'fore_nails'),
    looks: ['nails', 'dewclaws', 'pads'],
  },
  back_and_sides: {
    zones: ['back', ...both('side')],
    looks: ['ribs', 'grease'],
  },
  underside: {
    zones: ['belly', ...both('tuck_up', 'groin'), 'sanitary'],
    looks: [],
  },
  hindlegs: {
    zones: ['rump', ...both('thigh', 'hock', 'hind_paw', 'hind_nails')],
    looks: [],
  },
  rear: {
    zones: ['tail_root', 'tail', 'anus'],
    looks: ['rear_touch', 'anal'],
  },
  joints: {
    zones: [],
    looks: [],
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
