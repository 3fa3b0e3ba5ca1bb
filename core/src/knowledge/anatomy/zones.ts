import {
  type Care,
  type FragileFeature,
  MID_ZONES,
  PAIRED_ZONES,
  type Side,
  ZONE_IDS,
  type ZoneGroup,
  type ZoneId,
  type ZonePart,
} from '../../words/index.js';

export interface ZoneFacts {
  readonly group: ZoneGroup;
  readonly fragile: readonly FragileFeature[];
  /** What the hands do there. Common practice, no source. */
  readonly care: readonly Care[];
  /** Skin so thin or loose that only close-toothed blades are allowed: #10 or #15. Common practice, no source. */
  readonly closeToothOnly: boolean;
  /** Shears are never used there. Common practice, no source. */
  readonly noShears: boolean;
  /** Strain of work here against work on the back, as a factor. Our default. */
  readonly strainFactor: number;
  /** Share of the coat's work, percent of the whole dog. Our default; the left and right of a pair are counted each. */
  readonly workShare: number;
}

const ZONE_FACTS: Readonly<Record<ZonePart, ZoneFacts>> = {
  stop: zone('face', ['eye', 'thin_skin'], 1.6, 1, ['soak_crust_comb_out', 'back_blade_towards_eye']),
  bridge: zone('face', ['thin_skin', 'bone'], 1.4, 1, ['away_eyes_never_across']),
  nose: zone('face', ['flap'], 1.5, 0.5, ['do_not_shave_hair'], { noShears: true }),
  wrinkles: zone('face', ['fold', 'thin_skin'], 1.5, 0.5, ['wash_trace_mild_shampoo', 'look_into_folds_dry'], {
    closeToothOnly: true,
    noShears: true,
  }),
  lips: zone('face', ['fold', 'tongue'], 1.6, 1.5, ['stretch_lip_thumb_corner', 'feel_tongue_move_under']),
  chin: zone('face', ['tongue'], 1.4, 1, ['hair_your_handle_clipped']),
  topknot: zone('face', ['bone'], 1.1, 2, ['slowly_over_bone']),
  throat: zone('neck', ['airway', 'thin_skin'], 1.3, 2, ['no_pressure_on_throat', 'head_up_stretches_skin']),
  neck: zone('neck', ['thin_skin'], 1.0, 5, ['loop_comes_off_while']),
  chest: zone('body', ['bone'], 1.0, 5, ['breastbone_slowly']),
  back: zone('body', ['bone'], 0.9, 10, ['grain_feel_spine_on']),
  rump: zone('body', [], 1.0, 4, ['with_grain']),
  belly: zone('underside', ['teat', 'thin_skin', 'fold'], 1.3, 4, ['blade_flat_feel_for'], {
    closeToothOnly: true,
  }),
  sanitary: zone('underside', ['fold', 'thin_skin'], 1.5, 1, ['finger_shields_sheath_skin', 'matted_round_testicles_this'], {
    closeToothOnly: true,
    noShears: true,
  }),
  anus: zone('rear', ['thin_skin', 'gland'], 1.6, 1, ['side_side_down_never', 'never_shears_here_hold', 'caked_dirt_soaked_until'], {
    closeToothOnly: true,
    noShears: true,
  }),
  tail_root: zone('rear', ['joint'], 1.2, 1.5, ['hold_at_root_never']),
  tail: zone('rear', ['edge', 'bone'], 1.2, 3, ['keep_some_length_if']),
  eye: zone('face', ['eye', 'thin_skin'], 1.8, 0.5, ['skin_stretched_back_blade', 'blunttip_shears_at_about'], { closeToothOnly: true }),
  cheek: zone('face', ['bone'], 1.2, 1.5, ['slowly_over_cheekbone']),
  ear_leather: zone('ears', ['edge', 'thin_skin', 'fold'], 1.4, 2, ['thumb_along_edge_cut', 'ear_freed_heavy_mats'], {
    closeToothOnly: true,
    noShears: true,
  }),
  ear_base: zone('ears', ['thin_skin'], 1.3, 1, ['skin_lifts_mat_10'], {
    closeToothOnly: true,
    noShears: true,
  }),
  ear_canal: zone('ears', ['canal', 'thin_skin'], 1.7, 0.5, ['only_what_shows_never'], { closeToothOnly: true, noShears: true }),
  shoulder: zone('body', [], 0.9, 4, ['with_grain']),
  armpit: zone('underside', ['web', 'thin_skin', 'fold'], 1.6, 1, ['inside_out', 'foreleg_goes_forward_up'], {
    closeToothOnly: true,
    noShears: true,
  }),
  foreleg: zone('legs', ['joint'], 1.1, 4, ['grain_feel_for_dewclaw']),
  dewclaw: zone('legs', ['quick', 'web'], 1.4, 0.5, ['feel_for_first_blade']),
  carpal: zone('legs', ['pad', 'joint'], 1.2, 0.5, ['feel_pad_behind_wrist']),
  fore_paw: zone('feet', ['pad', 'web'], 1.5, 1.5, ['spread_toes_below_scoop']),
  fore_nails: zone('feet', ['quick'], 1.5, 0, ['small_bites_edges_off'], { noShears: true }),
  side: zone('body', ['bone'], 0.9, 6, ['grain_feel_for_growths']),
  tuck_up: zone('underside', ['flap', 'thin_skin', 'fold'], 1.6, 1, ['always_inside_out_never', 'matted_unsure_leave'], {
    closeToothOnly: true,
    noShears: true,
  }),
  groin: zone('underside', ['thin_skin', 'fold'], 1.6, 1, ['scoop_outwards_blade_flat'], {
    closeToothOnly: true,
    noShears: true,
  }),
  thigh: zone('legs', ['joint'], 1.0, 4, ['with_grain']),
  hock: zone('legs', ['tendon', 'thin_skin', 'joint'], 1.3, 1, ['tendon_thin_skin_light']),
  hind_paw: zone('feet', ['pad', 'web'], 1.6, 1.5, ['leg_folded_close_under', 'spread_toes_below_never']),
  hind_nails: zone('feet', ['quick'], 1.6, 0, ['small_bites_edges_off'], { noShears: true }),
};

function zone(
  group: ZoneGroup,
  fragile: readonly FragileFeature[],
  strainFactor: number,
  workShare: number,
  care: readonly Care[],
  bans: { closeToothOnly?: boolean; noShears?: boolean } = {},
): ZoneFacts {
  return {
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

const WITHOUT_COAT: readonly ZonePart[] = ['nose', 'ear_canal', 'fore_nails', 'hind_nails'];
/** Whether coat grows there, so that a comb test says something. `hasCoat('nose') // => false` */
export function hasCoat(zoneId: ZoneId): boolean {
  return !WITHOUT_COAT.includes(partOf(zoneId));
}
