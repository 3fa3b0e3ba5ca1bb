import { ZONE_IDS, type ZoneId, type ZonePart } from '../../words/index.js';
import { partOf, sideOf } from './zones.js';

/** Parts that touch. Each pair is written once; left meets left, and the midline meets both sides. */
const TOUCHING: readonly (readonly [ZonePart, ZonePart])[] = [
  ['nose', 'bridge'],
  ['bridge', 'wrinkles'],
  ['wrinkles', 'stop'],
  ['wrinkles', 'cheek'],
  ['bridge', 'stop'],
  ['stop', 'eye'],
  ['stop', 'topknot'],
  ['bridge', 'lips'],
  ['lips', 'chin'],
  ['lips', 'cheek'],
  ['eye', 'cheek'],
  ['cheek', 'ear_base'],
  ['topknot', 'ear_base'],
  ['ear_base', 'ear_leather'],
  ['ear_leather', 'ear_canal'],
  ['ear_base', 'neck'],
  ['chin', 'throat'],
  ['cheek', 'throat'],
  ['throat', 'neck'],
  ['throat', 'chest'],
  ['neck', 'shoulder'],
  ['neck', 'back'],
  ['chest', 'shoulder'],
  ['chest', 'armpit'],
  ['shoulder', 'foreleg'],
  ['shoulder', 'side'],
  ['armpit', 'foreleg'],
  ['foreleg', 'carpal'],
  ['carpal', 'fore_paw'],
  ['foreleg', 'dewclaw'],
  ['dewclaw', 'carpal'],
  ['fore_paw', 'fore_nails'],
  ['back', 'side'],
  ['back', 'rump'],
  ['side', 'belly'],
  ['side', 'tuck_up'],
  ['armpit', 'belly'],
  ['belly', 'sanitary'],
  ['belly', 'tuck_up'],
  ['tuck_up', 'groin'],
  ['tuck_up', 'thigh'],
  ['groin', 'sanitary'],
  ['groin', 'thigh'],
  ['sanitary', 'anus'],
  ['rump', 'thigh'],
  ['rump', 'tail_root'],
  ['tail_root', 'tail'],
  ['tail_root', 'anus'],
  ['thigh', 'hock'],
  ['hock', 'hind_paw'],
  ['hind_paw', 'hind_nails'],
];

/** Zones that touch this one, for arrow keys on the body map and for mats that creep. */
export function neighboursOf(zoneId: ZoneId): ZoneId[] {
  const part = partOf(zoneId);
  const side = sideOf(zoneId);
  const parts = TOUCHING.flatMap(([a, b]) => (a === part ? [b] : b === part ? [a] : []));
  return ZONE_IDS.filter((z) => parts.includes(partOf(z)) && (side === undefined || (sideOf(z) ?? side) === side));
}
