/** Zones on the midline. */
export const MID_ZONES = [
  'stop',
  'bridge',
  'nose',
  'wrinkles',
  'lips',
  'chin',
  'topknot',
  'throat',
  'neck',
  'chest',
  'back',
  'rump',
  'belly',
  'sanitary',
  'anus',
  'tail_root',
  'tail',
] as const;

/** Zones that every dog has twice; left and right are told apart. */
export const PAIRED_ZONES = [
  'eye',
  'cheek',
  'ear_leather',
  'ear_base',
  'ear_canal',
  'shoulder',
  'armpit',
  'foreleg',
  'carpal',
  'dewclaw',
  'fore_paw',
  'fore_nails',
  'side',
  'tuck_up',
  'groin',
  'thigh',
  'hock',
  'hind_paw',
  'hind_nails',
] as const;

export type MidZone = (typeof MID_ZONES)[number];
export type PairedZone = (typeof PAIRED_ZONES)[number];
export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

/** A place on the dog: 17 on the midline and 19 pairs, 55 in all. */
export type ZoneId = MidZone | `${PairedZone}_${Side}`;
/** The part without its side. */
export type ZonePart = MidZone | PairedZone;

export const ZONE_IDS: readonly ZoneId[] = [
  ...MID_ZONES,
  ...PAIRED_ZONES.flatMap((part) => [`${part}_left` as const, `${part}_right` as const]),
];
