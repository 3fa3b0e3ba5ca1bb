import { mirrorOf, partOf, zoneFacts, zoneLabel, type ZoneId } from '../anatomy/index.js';
import { byWeight, reason, type Reason } from '../reasons/index.js';
import type { SkinState } from '../blades/choose-blade.js';
import type { MatGrade } from './mat-grade.js';

export const MAT_WAYS = ['brush', 'split', 'clip_under', 'leave', 'vet'] as const;
/** What is done with a mat: brushed in lines, split and teased, clipped under, left alone, or shown to a vet. */
export type MatWay = (typeof MAT_WAYS)[number];

export interface MatQuestion {
  readonly zone: ZoneId;
  readonly grade: MatGrade;
  readonly skin: SkinState;
  /** Puppies and seniors bear less brushing. */
  readonly puppyOrSenior: boolean;
  readonly intactMale: boolean;
  readonly trained: boolean;
}

export interface MatAdvice {
  readonly zone: ZoneId;
  readonly grade: MatGrade;
  readonly way: MatWay;
  /** Estimated minutes, and their range. */
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  /** The owner must agree before this is done. */
  readonly needsConsent: boolean;
  /** The other side, to be checked. */
  readonly alsoCheck: ZoneId | undefined;
  readonly reasons: readonly Reason[];
}

/** Minutes for one percent of the coat. Our default; a whole matted dog then takes the one to two hours of common practice. */
export const MAT_MINUTES_PER_PERCENT: Readonly<Record<MatWay, number>> = { brush: 0.7, split: 1.2, clip_under: 0.8, leave: 0, vet: 0 };
/** Brushing in one place ends here, minutes. House rule default: 10, and 5 for puppies and seniors. Common practice, no source. */
export const BRUSH_OUT_ONE_PLACE_MINUTES = { adult: 10, puppyOrSenior: 5 } as const;

/** Zones where no splitter is used. Common practice, no source. */
const NO_SPLITTER = ['ear_leather', 'ear_base', 'ear_canal', 'armpit', 'groin', 'tuck_up'];

/**
 * What to do with one mat.
 * @example adviseMat({ zone: 'armpit_left', grade: 2, … }).way // => 'clip_under': no splitter in an armpit
 */
export function adviseMat(q: MatQuestion): MatAdvice {
  const { way, reasons } = decide(q);
  const estimate =
    way === 'leave' || way === 'vet'
      ? 0
      : Math.max(1, zoneFacts(q.zone).workShare * MAT_MINUTES_PER_PERCENT[way] * (way === 'clip_under' && q.grade === 4 ? 1.5 : 1));
  const minutes = Math.round(estimate * 2) / 2;
  const mirror = mirrorOf(q.zone);
  if (mirror && q.grade >= 2) reasons.push(reason('mat.check_mirror', { zone: zoneLabel(mirror) }, 0.2));
  return {
    zone: q.zone,
    grade: q.grade,
    way,
    minutes,
    minutesRange: [Math.round(minutes * 0.6 * 2) / 2, Math.round(minutes * 1.6 * 2) / 2],
    needsConsent: way === 'clip_under',
    alsoCheck: q.grade >= 2 ? mirror : undefined,
    reasons: byWeight(reasons),
  };
}

function decide(q: MatQuestion): { way: MatWay; reasons: Reason[] } {
  const zone = zoneLabel(q.zone);
  const part = partOf(q.zone);
  if (q.grade === 0) return { way: 'brush', reasons: [reason('mat.none', { zone }, 0.1)] };
  if (q.skin === 'sore') return { way: 'vet', reasons: [reason('mat.sore_skin_vet', { zone }, 1)] };
  if (q.grade >= 3 && part === 'sanitary' && q.intactMale) return { way: 'vet', reasons: [reason('mat.testicles_vet', {}, 1)] };
  if (q.grade >= 3 && part === 'tuck_up' && !q.trained) return { way: 'leave', reasons: [reason('mat.tuck_up_leave', { zone }, 1)] };
  if (q.grade >= 3 && part === 'ear_canal') return { way: 'vet', reasons: [reason('mat.ear_canal_vet', { zone }, 1)] };
  if (q.grade === 4) return { way: 'clip_under', reasons: [reason('mat.pelted_clip', { zone }, 1)] };
  if (q.grade === 3) return { way: 'clip_under', reasons: [reason('mat.tight_clip', { zone }, 1), ...earWarning(q)] };
  if (q.grade === 2 && NO_SPLITTER.includes(part))
    return { way: 'clip_under', reasons: [reason('mat.no_splitter_here', { zone }, 1), ...earWarning(q)] };
  if (q.grade === 2 && q.skin === 'red') return { way: 'clip_under', reasons: [reason('mat.red_skin_clip', { zone }, 0.9)] };
  const limit = q.puppyOrSenior ? BRUSH_OUT_ONE_PLACE_MINUTES.puppyOrSenior : BRUSH_OUT_ONE_PLACE_MINUTES.adult;
  if (q.grade === 2 && zoneFacts(q.zone).workShare * MAT_MINUTES_PER_PERCENT.split > limit) {
    return { way: 'clip_under', reasons: [reason('mat.brush_limit', { zone, minutes: limit }, 0.9)] };
  }
  if (q.grade === 2) return { way: 'split', reasons: [reason('mat.split', { zone }, 0.7)] };
  return { way: 'brush', reasons: [reason('mat.brush', { zone }, 0.6)] };
}

function earWarning(q: MatQuestion): Reason[] {
  return zoneFacts(q.zone).group === 'ears' ? [reason('mat.ear_may_swell', {}, 0.6)] : [];
}
