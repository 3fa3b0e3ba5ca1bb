import { partOf, sideOf, zoneFacts } from '../knowledge/anatomy/index.js';
import { type Activity, type Joint, type Reach, ZONE_IDS, type ZoneId, type ZonePart } from '../words/index.js';
import { ACTIVITY_FACTS } from './activities.js';

/** Where one piece of work is done: the place that names it, and every zone that it covers. */
export interface Place {
  readonly place: ZoneId;
  readonly zones: readonly ZoneId[];
}

/** Nose to tail, as hands go over a dog. Common practice, no source. */
const NATURAL_ORDER: readonly ZonePart[] = [
  ...(['topknot', 'cheek', 'eye', 'stop', 'bridge', 'nose', 'wrinkles', 'lips', 'chin'] as const),
  ...(['ear_base', 'ear_leather', 'ear_canal', 'throat', 'neck', 'chest', 'back', 'shoulder', 'armpit', 'side'] as const),
  ...([
    'foreleg',
    'dewclaw',
    'carpal',
    'fore_paw',
    'fore_nails',
    'belly',
    'tuck_up',
    'groin',
    'sanitary',
    'rump',
    'thigh',
    'hock',
  ] as const),
  ...(['hind_paw', 'hind_nails', 'tail_root', 'tail', 'anus'] as const),
];
const RANK: ReadonlyMap<ZoneId, number> = new Map(
  ZONE_IDS.map((z) => [z, NATURAL_ORDER.indexOf(partOf(z)) * 2 + Number(sideOf(z) === 'right')]),
);

/** Zones in the order in which hands come to them: nose to tail, left before right. */
export function inNaturalOrder(zones: readonly ZoneId[]): ZoneId[] {
  return [...zones].sort((a, b) => (RANK.get(a) ?? 0) - (RANK.get(b) ?? 0));
}

/**
 * The places of a kind of work, each of which is done or left by itself. What water and air reach is one place; an ear is one place,
 * leather and canal; everything else is done zone by zone.
 * @example placesOf('ears', ['ear_leather_left', 'ear_canal_left']).length // => 1
 */
export function placesOf(activity: Activity, zones: readonly ZoneId[]): Place[] {
  const sorted = inNaturalOrder([...new Set(zones)]);
  const [first] = sorted;
  if (first === undefined) return [];
  if (ACTIVITY_FACTS[activity].bath !== undefined) return [{ place: first, zones: sorted }];
  if (activity !== 'ears') return sorted.map((place) => ({ place, zones: [place] }));
  const sides = [...new Set(sorted.map(sideOf))];
  return sides.flatMap((side) => {
    const ear = sorted.filter((z) => sideOf(z) === side);
    return ear[0] ? [{ place: ear[0], zones: ear }] : [];
  });
}

/** What the hands must reach for a piece of work: water reaches all, everything else what its place asks for. */
export function reachOf(activity: Activity, zone: ZoneId): Reach {
  if (ACTIVITY_FACTS[activity].post !== 'table') return 'washing';
  const part = partOf(zone);
  const { group } = zoneFacts(zone);
  if (part === 'fore_nails' || part === 'hind_nails') return 'nails';
  if (part === 'armpit') return 'armpits';
  if (part === 'fore_paw' || part === 'dewclaw' || part === 'carpal') return 'fore_feet';
  if (part === 'hind_paw') return 'hind_feet';
  if (part === 'throat' && ACTIVITY_FACTS[activity].bladed) return 'throat';
  if (group === 'face' || group === 'ears') return 'head';
  if (group === 'rear') return 'rear';
  return group === 'underside' ? 'underside' : 'body';
}

/** Joints that have to move, or to bear the dog, for a piece of work. Common practice, no source. */
export function jointsOf(activity: Activity, zone: ZoneId): readonly Joint[] {
  const reach = reachOf(activity, zone);
  if (reach === 'washing') return ACTIVITY_FACTS[activity].joints;
  const side = sideOf(zone);
  const fore = part(zone, ['fore_paw', 'fore_nails', 'dewclaw', 'carpal', 'armpit', 'foreleg']);
  const hind = part(zone, ['hind_paw', 'hind_nails', 'groin', 'tuck_up', 'thigh', 'hock']);
  if (side && fore && reach !== 'body') return [`shoulder_${side}`, `elbow_${side}`];
  if (side && hind && reach !== 'body') return [`hip_${side}`, `knee_${side}`];
  if (reach === 'head' || reach === 'throat') return ['neck'];
  if (reach === 'rear' || reach === 'underside') return ['back', 'hip_left', 'hip_right'];
  return ['back'];
}

const part = (zone: ZoneId, parts: readonly ZonePart[]): boolean => parts.includes(partOf(zone));
