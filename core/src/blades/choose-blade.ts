import { partOf, zoneFacts, zoneLabel, type ZoneId } from '../anatomy/index.js';
import type { MatGrade } from '../coat/mat-grade.js';
import { byWeight, reason, type Reason } from '../reasons/index.js';
import { BLADES, GUARDS, bladeName, type Blade, type BladeId, type Guard } from './blades.js';

export const SKIN_STATES = ['sound', 'red', 'sore'] as const;
/** Skin under the coat: sound, red, or sore (open, weeping, scabbed). */
export type SkinState = (typeof SKIN_STATES)[number];

export interface BladeQuestion {
  readonly zone: ZoneId;
  readonly matGrade: MatGrade;
  readonly skin: SkinState;
  /** Wanted length in mm, > 0. */
  readonly wantedMm: number;
  /** The groomer is trained with #30 and closer. */
  readonly trained: boolean;
  /** Skin like a senior's or a thin-coated dog's. */
  readonly thinSkin: boolean;
  /** A lump, wart or scar lies here. */
  readonly markHere: boolean;
}

export interface RejectedBlade {
  readonly blade: BladeId;
  readonly because: Reason;
}

export interface BladeChoice {
  /** `undefined`: no blade here; the reasons say what instead. */
  readonly blade: BladeId | undefined;
  /** Guard over a #30, when one is used. */
  readonly guard: Guard | undefined;
  readonly direction: 'with' | 'against';
  /** Millimetres left; 0 when nothing is cut. */
  readonly lengthMm: number;
  readonly reasons: readonly Reason[];
  readonly rejected: readonly RejectedBlade[];
}

/** Below this nominal length a bare blade nicks: #30, #40, #50. Common practice, no source. */
const NICKING_BELOW_MM = 1;
/** Skip-tooth and the 3.2 mm family cut skin first. Common practice, no source. */
const CUTTING_FAMILY: readonly BladeId[] = ['7', '7F'];

/**
 * The blade for one zone, with every other blade and the rule that rejects it.
 * Danger is not a function of length: a #10 is safer than a longer #7 where skin is loose, and than a shorter #30 bare.
 * @throws RangeError when the wanted length is not positive
 */
export function chooseBlade(q: BladeQuestion): BladeChoice {
  if (!(q.wantedMm > 0)) throw new RangeError(`chooseBlade: wanted length ${q.wantedMm} mm is not positive`);
  const none = noBladeHere(q);
  if (none) {
    return {
      blade: undefined,
      guard: undefined,
      direction: 'with',
      lengthMm: 0,
      reasons: [none],
      rejected: BLADES.map((b) => ({ blade: b.id, because: none })),
    };
  }
  const rejected: RejectedBlade[] = [];
  const allowed: Blade[] = [];
  for (const blade of BLADES) {
    const ban = banOn(blade, q);
    if (ban) rejected.push({ blade: blade.id, because: ban });
    else allowed.push(blade);
  }
  const best = closest(allowed, q.wantedMm);
  const guard = guardFor(q);
  if (guard && (!best || Math.abs(guard.lengthMm - q.wantedMm) < Math.abs(best.lengthMm - q.wantedMm))) {
    return {
      blade: '30',
      guard,
      direction: 'with',
      lengthMm: guard.lengthMm,
      reasons: [reason('blade.guard_comb_passes', { zone: zoneLabel(q.zone), guard: guard.id, mm: guard.lengthMm }, 0.6)],
      rejected: rejected.filter((r) => r.blade !== '30'),
    };
  }
  if (!best) {
    const because = reason('blade.none_left', { zone: zoneLabel(q.zone) }, 1);
    return { blade: undefined, guard: undefined, direction: 'with', lengthMm: 0, reasons: [because], rejected };
  }
  for (const blade of allowed) {
    if (blade !== best)
      rejected.push({
        blade: blade.id,
        because: reason('blade.further_from_wanted', { blade: bladeName(blade.id), mm: blade.lengthMm, wanted: q.wantedMm }, 0.1),
      });
  }
  return { blade: best.id, guard: undefined, direction: 'with', lengthMm: best.lengthMm, reasons: byWeight(reasonsFor(best, q)), rejected };
}

/** What keeps every blade away. */
function noBladeHere(q: BladeQuestion): Reason | undefined {
  const zone = zoneLabel(q.zone);
  if (q.skin === 'sore') return reason('blade.sore_skin', { zone }, 1);
  if (partOf(q.zone) === 'tuck_up' && q.matGrade >= 3 && !q.trained) return reason('blade.tuck_up_leave', { zone }, 1);
  if (partOf(q.zone) === 'nose') return reason('blade.nose_leather', { zone }, 1);
  return undefined;
}

/** The rule that forbids a bare blade here; `undefined` when it is allowed. */
export function banOn(blade: Blade, q: BladeQuestion): Reason | undefined {
  const zone = zoneLabel(q.zone);
  const name = bladeName(blade.id);
  const facts = zoneFacts(q.zone);
  const skip = blade.tooth !== 'full';
  const onPads = facts.group === 'feet';
  if (blade.lengthMm < NICKING_BELOW_MM && !onPads) return reason('blade.bare_close_nicks', { blade: name, zone }, 1);
  if (blade.lengthMm < NICKING_BELOW_MM && !q.trained) return reason('blade.untrained', { blade: name }, 1);
  if (blade.id === '50') return reason('blade.surgical', { blade: name }, 1);
  if (onPads && blade.lengthMm > 1.6) return reason('blade.too_long_between_pads', { blade: name, zone }, 0.7);
  if (onPads && q.matGrade < 3 && blade.lengthMm < NICKING_BELOW_MM) return reason('blade.pads_start_at_10', { blade: name }, 0.8);
  if (facts.closeToothOnly && blade.id !== '10' && blade.id !== '15')
    return reason('blade.loose_skin_close_teeth', { blade: name, zone }, 1);
  if (q.matGrade >= 3 && blade.lengthMm > 1.6) return reason('blade.not_under_tight_mat', { blade: name, zone }, 1);
  if (q.matGrade === 2 && (skip || blade.lengthMm > 3.3)) return reason('blade.not_under_mat', { blade: name, zone }, 0.9);
  if (skip && (q.skin !== 'sound' || q.thinSkin || q.markHere)) return reason('blade.skip_on_fragile_skin', { blade: name, zone }, 1);
  if (CUTTING_FAMILY.includes(blade.id) && q.thinSkin) return reason('blade.seven_on_thin_skin', { blade: name }, 0.9);
  if (q.skin === 'red' && blade.lengthMm < 1.5) return reason('blade.red_skin_longer', { blade: name, zone }, 0.9);
  if (partOf(q.zone) === 'eye' && q.thinSkin && blade.id === '15') return reason('blade.eye_longer_first', { blade: name }, 0.9);
  return undefined;
}

/** The allowed blade closest to the wanted length; between equals the one with full teeth, then the longer. */
function closest(allowed: readonly Blade[], wantedMm: number): Blade | undefined {
  return [...allowed].sort(
    (a, b) =>
      Math.abs(a.lengthMm - wantedMm) - Math.abs(b.lengthMm - wantedMm) ||
      Number(a.tooth !== 'full') - Number(b.tooth !== 'full') ||
      b.lengthMm - a.lengthMm,
  )[0];
}

/** A guard goes only through coat that a comb goes through, on sound skin; on the belly it is the barrier. */
function guardFor(q: BladeQuestion): Guard | undefined {
  const facts = zoneFacts(q.zone);
  if (q.matGrade > 0 || q.skin !== 'sound' || !q.trained) return undefined;
  if (facts.closeToothOnly && partOf(q.zone) !== 'belly') return undefined;
  if (facts.group === 'feet' || q.wantedMm < 2.9) return undefined;
  return [...GUARDS].sort((a, b) => Math.abs(a.lengthMm - q.wantedMm) - Math.abs(b.lengthMm - q.wantedMm))[0];
}

function reasonsFor(blade: Blade, q: BladeQuestion): Reason[] {
  const zone = zoneLabel(q.zone);
  const name = bladeName(blade.id);
  const reasons: Reason[] = [];
  if (q.matGrade >= 3) reasons.push(reason('blade.starts_under_tight_mat', { blade: name, zone }, 0.9));
  if (zoneFacts(q.zone).closeToothOnly) reasons.push(reason('blade.close_teeth_here', { blade: name, zone }, 0.8));
  if (q.thinSkin) reasons.push(reason('blade.thin_skin_light_hand', { zone }, 0.7));
  if (q.markHere) reasons.push(reason('blade.mark_here', { zone }, 0.8));
  if (Math.abs(blade.lengthMm - q.wantedMm) > 1)
    reasons.push(reason('blade.length_not_possible', { wanted: q.wantedMm, mm: blade.lengthMm, zone }, 0.6));
  if (reasons.length === 0) reasons.push(reason('blade.default', { blade: name, mm: blade.lengthMm }, 0.3));
  return reasons;
}
