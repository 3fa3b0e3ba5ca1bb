import {
  type GuardFinger,
  POINTED_SHEARS,
  SHEARS,
  type Stroke,
  type Tension,
  TOOL_KINDS,
  type ToolKind,
  type ZoneId,
  type ZonePart,
} from '../../words/index.js';
import { partOf, zoneFacts } from './zones.js';

/** Angle of the tool to the skin, degrees. Common practice, no source: blade flat, shears at about 45°. */
const BLADE_FLAT_DEGREES = 0;
const SHEARS_ANGLE_DEGREES = 45;

/** How a zone is worked. Common practice, no source. */
export interface ZoneHandling {
  readonly stroke: Stroke;
  readonly tension: Tension;
  readonly guardFinger: GuardFinger;
  /** Angle of the blade to the skin, and of shears where they are used at all, degrees. */
  readonly bladeDegrees: number;
  readonly shearsDegrees: number | undefined;
  /** Never used here, whatever the salon's rules. */
  readonly forbids: readonly ToolKind[];
}

const NAIL_TOOLS: readonly ToolKind[] = ['nail_clipper', 'grinder'];
const EAR_TOOLS: readonly ToolKind[] = ['cotton', 'forceps'];
/** Where skin is a fold, a flap or a leather a splitter cuts what it cannot see. */
const NO_SPLITTER: readonly ZonePart[] = [
  'ear_leather',
  'ear_base',
  'ear_canal',
  'armpit',
  'groin',
  'tuck_up',
  'eye',
  'stop',
  'lips',
  'wrinkles',
  'sanitary',
  'anus',
];
/** No air stream: eyes, nostrils, ears and folds. */
const NO_BLOWING: readonly ZonePart[] = [
  'eye',
  'stop',
  'bridge',
  'nose',
  'wrinkles',
  'lips',
  'chin',
  'cheek',
  'topknot',
  'ear_canal',
  'ear_leather',
  'ear_base',
];
const NOT_RAKED: readonly ZonePart[] = [...NO_SPLITTER, 'nose', 'bridge', 'cheek', 'chin', 'topknot', 'throat', 'belly'];

const STROKES_BY_PART: Readonly<Partial<Record<ZonePart, Stroke>>> = {
  eye: 'away_from_eye',
  stop: 'away_from_eye',
  bridge: 'away_from_eye',
  wrinkles: 'none',
  nose: 'none',
  ear_leather: 'along_the_edge',
  armpit: 'inside_out',
  tuck_up: 'inside_out',
  groin: 'outwards',
  anus: 'sideways_and_down',
  fore_paw: 'scoop',
  hind_paw: 'scoop',
  dewclaw: 'round_it',
  carpal: 'round_it',
  fore_nails: 'none',
  hind_nails: 'none',
};

const TENSION_BY_PART: Readonly<Partial<Record<ZonePart, Tension>>> = {
  eye: 'stretch',
  stop: 'stretch',
  lips: 'stretch',
  throat: 'stretch',
  sanitary: 'draw_forward',
  fore_paw: 'spread',
  hind_paw: 'spread',
  nose: 'let_hang',
  fore_nails: 'let_hang',
  hind_nails: 'let_hang',
};

const GUARD_BY_PART: Readonly<Partial<Record<ZonePart, GuardFinger>>> = {
  ear_leather: 'thumb_on_edge',
  tail: 'finger_behind_it',
  eye: 'finger_over_it',
  sanitary: 'finger_over_it',
  belly: 'finger_over_it',
  lips: 'thumb_before_tongue',
  chin: 'thumb_before_tongue',
  dewclaw: 'finger_behind_it',
  carpal: 'finger_behind_it',
  foreleg: 'finger_behind_it',
};

/**
 * How a zone is worked: which way, with what tension, what shields it, and what never comes here.
 * @example zoneHandling('anus').stroke // => 'sideways_and_down'
 */
export function zoneHandling(zoneId: ZoneId): ZoneHandling {
  const part = partOf(zoneId);
  const forbids = forbiddenOn(part, zoneFacts(zoneId).noShears);
  return {
    stroke: STROKES_BY_PART[part] ?? 'with_grain',
    tension: TENSION_BY_PART[part] ?? 'steady',
    guardFinger: GUARD_BY_PART[part] ?? 'none',
    bladeDegrees: BLADE_FLAT_DEGREES,
    shearsDegrees: SHEARS.every((t) => forbids.includes(t)) ? undefined : SHEARS_ANGLE_DEGREES,
    forbids,
  };
}

function forbiddenOn(part: ZonePart, noShears: boolean): ToolKind[] {
  const nails = part === 'fore_nails' || part === 'hind_nails';
  if (nails) return TOOL_KINDS.filter((t) => !NAIL_TOOLS.includes(t) && t !== 'towel');
  const out = new Set<ToolKind>(part === 'dewclaw' ? [] : NAIL_TOOLS);
  if (part !== 'ear_canal') EAR_TOOLS.forEach((t) => out.add(t));
  // At an eye the points are blunt or there are teeth; pads meet points only from the side, never flat: see the tool rules.
  if (part === 'eye' || part === 'stop') POINTED_SHEARS.forEach((t) => out.add(t));
  if (noShears) SHEARS.forEach((t) => out.add(t));
  if (NO_SPLITTER.includes(part)) out.add('mat_splitter');
  if (NOT_RAKED.includes(part)) out.add('rake');
  if (NO_BLOWING.includes(part)) out.add('high_velocity_dryer');
  if (part === 'nose' || part === 'wrinkles') (['clipper', 'slicker'] as const).forEach((t) => out.add(t));
  if (part === 'ear_canal') (['slicker', 'wide_comb', 'fine_comb'] as const).forEach((t) => out.add(t));
  if (part === 'eye') out.add('slicker');
  return TOOL_KINDS.filter((t) => out.has(t));
}

/** Tools that may come to a zone at all; what the dog, the coat and the hands allow today is asked of the tool rules. */
export function permittedTools(zoneId: ZoneId): ToolKind[] {
  const { forbids } = zoneHandling(zoneId);
  return TOOL_KINDS.filter((t) => !forbids.includes(t));
}
