import { type FragileFeature, MID_ZONES, PAIRED_ZONES, type Side, ZONE_IDS, type ZoneGroup, type ZoneId, type ZonePart } from '../../words/index.js';

export interface ZoneFacts {
  readonly label: string;
  readonly group: ZoneGroup;
  readonly fragile: readonly FragileFeature[];
  /** What the hands do there. Common practice, no source. */
  readonly care: readonly string[];
  /** Skin so thin or loose that only close-toothed blades are allowed: #10 or #15. Common practice, no source. */
  readonly closeToothOnly: boolean;
  /** Shears are never used there. Common practice, no source. */
  readonly noShears: boolean;
  /** Strain of work here against work on the back, as a factor. Our default. */
  readonly strainFactor: number;
  /** Share of the coat's work, percent of the whole dog. Our default; the left and right of a pair are counted each. */
  readonly workShare: number;
}

const NAIL_CARE = 'Small bites, edges off with a grinder made for dogs; old nails crumble.';

const ZONE_FACTS: Readonly<Record<ZonePart, ZoneFacts>> = {
  stop: zone('between the eyes (stop)', 'face', ['eye', 'thin_skin'], 1.6, 1, [
    'Soak crust and comb it out with a fine comb; never cut or pull it dry.',
    'Back of the blade towards the eye; work away from the eye.',
  ]),
  bridge: zone('bridge of the nose', 'face', ['thin_skin', 'bone'], 1.4, 1, ['Away from the eyes, never across the nostril flaps.']),
  nose: zone('nose leather', 'face', ['flap'], 1.5, 0.5, ['Do not shave hair that belongs at its edge.'], { noShears: true }),
  wrinkles: zone(
    'wrinkles of a short nose',
    'face',
    ['fold', 'thin_skin'],
    1.5,
    0.5,
    [
      'Wash with a trace of mild shampoo, rinse from the top of the head, dry each fold completely.',
      'Look into the folds with dry hands only.',
    ],
    { closeToothOnly: true, noShears: true },
  ),
  lips: zone('lips and lip folds (flews)', 'face', ['fold', 'tongue'], 1.6, 1.5, [
    'Stretch the lip with a thumb; the corner of the blade level with the lip line, never across it.',
    'Feel the tongue move under the jaw before it licks.',
  ]),
  chin: zone('chin', 'face', ['tongue'], 1.4, 1, ['The hair is your handle: it is clipped last.']),
  topknot: zone('skull and topknot', 'face', ['bone'], 1.1, 2, ['Slowly over bone.']),
  throat: zone('throat', 'neck', ['airway', 'thin_skin'], 1.3, 2, [
    'No pressure on the throat, ever.',
    'Head up stretches the skin, for seconds only.',
  ]),
  neck: zone('neck and collar line', 'neck', ['thin_skin'], 1.0, 5, [
    'The loop comes off while the neck is clipped and goes straight back.',
  ]),
  chest: zone('chest', 'body', ['bone'], 1.0, 5, ['Breastbone: slowly.']),
  back: zone('back', 'body', ['bone'], 0.9, 10, ['With the grain; feel the spine on thin dogs.']),
  rump: zone('rump', 'body', [], 1.0, 4, ['With the grain.']),
  belly: zone('belly', 'underside', ['teat', 'thin_skin', 'fold'], 1.3, 4, ['Blade flat; feel for each teat first.'], {
    closeToothOnly: true,
  }),
  sanitary: zone(
    'vulva, sheath or scrotum',
    'underside',
    ['fold', 'thin_skin'],
    1.5,
    1,
    ['A finger shields it; sheath skin is drawn forward.', 'Matted round the testicles: this is for a vet.'],
    { closeToothOnly: true, noShears: true },
  ),
  anus: zone(
    'under the tail',
    'rear',
    ['thin_skin', 'gland'],
    1.6,
    1,
    [
      'Side to side and down, never upwards: a dog that sits meets the blade.',
      'Never shears here. Hold the tail at its root.',
      'Caked dirt is soaked until it lets go, never pulled.',
    ],
    { closeToothOnly: true, noShears: true },
  ),
  tail_root: zone('root of the tail', 'rear', ['joint'], 1.2, 1.5, ['Hold at the root; never carry weight by the tail.']),
  tail: zone('tail', 'rear', ['edge', 'bone'], 1.2, 3, ['Keep some length if it can be worked out; find the tip first.']),
  eye: zone(
    'corner of the eye',
    'face',
    ['eye', 'thin_skin'],
    1.8,
    0.5,
    [
      'Skin stretched, back of the blade towards the eye, strokes away from it.',
      'Blunt-tip shears at about 45°, their back resting on the dog.',
    ],
    { closeToothOnly: true },
  ),
  cheek: zone('cheek', 'face', ['bone'], 1.2, 1.5, ['Slowly over the cheekbone.']),
  ear_leather: zone(
    'ear flap (leather)',
    'ears',
    ['edge', 'thin_skin', 'fold'],
    1.4,
    2,
    ['Thumb along the edge, cut outside the thumb.', 'An ear freed of heavy mats can fill with blood when shaken: watch it.'],
    { closeToothOnly: true, noShears: true },
  ),
  ear_base: zone('behind the ear', 'ears', ['thin_skin'], 1.3, 1, ['Skin lifts with the mat: a #10, not shears.'], {
    closeToothOnly: true,
    noShears: true,
  }),
  ear_canal: zone(
    'ear canal',
    'ears',
    ['canal', 'thin_skin'],
    1.7,
    0.5,
    ['Only what shows, never deep. Black, foul or sore: this is for a vet.'],
    { closeToothOnly: true, noShears: true },
  ),
  shoulder: zone('shoulder', 'body', [], 0.9, 4, ['With the grain.']),
  armpit: zone(
    'armpit',
    'underside',
    ['web', 'thin_skin', 'fold'],
    1.6,
    1,
    ['From the inside out.', 'The foreleg goes forward and up, never out to the side.'],
    { closeToothOnly: true, noShears: true },
  ),
  foreleg: zone('foreleg', 'legs', ['joint'], 1.1, 4, ['With the grain; feel for the dewclaw before you come to it.']),
  dewclaw: zone('dewclaw', 'legs', ['quick', 'web'], 1.4, 0.5, ['Feel for it first; blade and shears go round its base.']),
  carpal: zone('wrist and carpal pad', 'legs', ['pad', 'joint'], 1.2, 0.5, ['Feel the pad behind the wrist before you cut.']),
  fore_paw: zone('fore paw, pads and web', 'feet', ['pad', 'web'], 1.5, 1.5, [
    'Spread the toes from below, scoop with the corner of the blade; never lay shears flat across a pad.',
  ]),
  fore_nails: zone('fore nails', 'feet', ['quick'], 1.5, 0, [NAIL_CARE], { noShears: true }),
  side: zone('side (ribs)', 'body', ['bone'], 0.9, 6, ['With the grain; feel for growths first.']),
  tuck_up: zone(
    'tuck-up (flank fold)',
    'underside',
    ['flap', 'thin_skin', 'fold'],
    1.6,
    1,
    ['Always from the inside out, never up into the fold.', 'Matted and unsure: leave it.'],
    { closeToothOnly: true, noShears: true },
  ),
  groin: zone('groin and inner thigh', 'underside', ['thin_skin', 'fold'], 1.6, 1, ['Scoop outwards, blade flat.'], {
    closeToothOnly: true,
    noShears: true,
  }),
  thigh: zone('thigh', 'legs', ['joint'], 1.0, 4, ['With the grain.']),
  hock: zone('hock', 'legs', ['tendon', 'thin_skin', 'joint'], 1.3, 1, ['Tendon and thin skin: light hand.']),
  hind_paw: zone('hind paw, pads and web', 'feet', ['pad', 'web'], 1.6, 1.5, [
    'Leg folded close under the body.',
    'Spread the toes from below; never lay shears flat across a pad.',
  ]),
  hind_nails: zone('hind nails', 'feet', ['quick'], 1.6, 0, [NAIL_CARE], { noShears: true }),
};

function zone(
  label: string,
  group: ZoneGroup,
  fragile: readonly FragileFeature[],
  strainFactor: number,
  workShare: number,
  care: readonly string[],
  bans: { closeToothOnly?: boolean; noShears?: boolean } = {},
): ZoneFacts {
  return {
    label,
    group,
    fragile,
    strainFactor,
    workShare,
    care,
    closeToothOnly: bans.closeToothOnly ?? false,
    noShears: bans.noShears ?? false,
  };
}

/** Asked for in every rule, so it is looked up, not cut out of the name. */
const PART_OF: ReadonlyMap<string, ZonePart> = new Map<string, ZonePart>([
  ...MID_ZONES.map((part) => [part, part] as const),
  ...PAIRED_ZONES.flatMap((part) => [[`${part}_left`, part] as const, [`${part}_right`, part] as const]),
]);

/** The part of a zone without its side: `partOf('armpit_left') // => 'armpit'`. @throws RangeError for another word */
export function partOf(zoneId: ZoneId): ZonePart {
  const part = PART_OF.get(zoneId);
  if (part === undefined) throw new RangeError(`partOf: "${zoneId}" is not a zone`);
  return part;
}

/** The side of a paired zone, `undefined` on the midline. */
export function sideOf(zoneId: ZoneId): Side | undefined {
  if (zoneId.endsWith('_left')) return 'left';
  if (zoneId.endsWith('_right')) return 'right';
  return undefined;
}

/** Facts of a zone. `zoneFacts('armpit_left').fragile // => ['web', 'thin_skin', 'fold']` */
export function zoneFacts(zoneId: ZoneId): ZoneFacts {
  return ZONE_FACTS[partOf(zoneId)];
}

/** The zone's name with its side, for a sentence: `zoneLabel('armpit_left') // => 'left armpit'`. */
export function zoneLabel(zoneId: ZoneId): string {
  const side = sideOf(zoneId);
  const label = zoneFacts(zoneId).label;
  return side ? `${side} ${label}` : label;
}

/** The same place on the other side, `undefined` on the midline. What is matted on one side usually is on the other. */
export function mirrorOf(zoneId: ZoneId): ZoneId | undefined {
  const side = sideOf(zoneId);
  if (!side) return undefined;
  const other = zoneId.replace(/_(left|right)$/, side === 'left' ? '_right' : '_left');
  return ZONE_IDS.find((z) => z === other);
}

/** Zones of a group, in the order of the table. */
export function zonesOfGroup(group: ZoneGroup): ZoneId[] {
  return ZONE_IDS.filter((z) => zoneFacts(z).group === group);
}
