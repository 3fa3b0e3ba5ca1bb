import { MID_ZONES, PAIRED_ZONES, type Side, SIDES, type ZoneGroup, type ZoneId, type ZonePart } from '../../../words/index.js';
const PARTS: Readonly<Record<ZonePart, string>> = {
  stop: 'between the eyes (stop)',
  bridge: 'bridge of the nose',
  nose: 'nose leather',
  wrinkles: 'wrinkles of a short nose',
  lips: 'lips and lip folds (flews)',
  chin: 'chin',
  topknot: 'skull and topknot',
  throat: 'throat',
  neck: 'neck and collar line',
  chest: 'chest',
  back: 'back',
  rump: 'rump',
  belly: 'belly',
  sanitary: 'vulva, sheath or scrotum',
  anus: 'under the tail',
  tail_root: 'root of the tail',
  tail: 'tail',
  eye: 'corner of the eye',
  cheek: 'cheek',
  ear_leather: 'ear flap (leather)',
  ear_base: 'behind the ear',
  ear_canal: 'ear canal',
  shoulder: 'shoulder',
  armpit: 'armpit',
  foreleg: 'foreleg',
  dewclaw: 'dewclaw',
  carpal: 'wrist and carpal pad',
  fore_paw: 'fore paw, pads and web',
  fore_nails: 'fore nails',
  side: 'side (ribs)',
  tuck_up: 'tuck-up (flank fold)',
  groin: 'groin and inner thigh',
  thigh: 'thigh',
  hock: 'hock',
  hind_paw: 'hind paw, pads and web',
  hind_nails: 'hind nails',
};

const of = (text: (part: ZonePart, side: Side | undefined) => string): Readonly<Record<ZoneId, string>> => {
  const labels = [
    ...MID_ZONES.map((part) => [part, text(part, undefined)] as const),
    ...PAIRED_ZONES.flatMap((part) => SIDES.map((side) => [`${part}_${side}`, text(part, side)] as const)),
  ];
  // Every zone is a middle one or one of a pair; the spec holds it against the list of zones.
  return Object.fromEntries(labels) as Record<ZoneId, string>;
};

/** With its side, for a sentence: "left armpit". */
export const ZONE_LABELS = of((part, side) => (side ? `${side} ${PARTS[part]}` : PARTS[part]));

/** Without its side, where both are meant. */
export const ZONE_PART_LABELS = of((part) => PARTS[part]);

export const ZONE_GROUP_LABELS: Readonly<Record<ZoneGroup, string>> = {
  face: 'face',
  ears: 'ears',
  neck: 'neck',
  body: 'body',
  underside: 'underside',
  legs: 'legs',
  feet: 'feet',
  rear: 'rear',
};
