import { gradeAfterDryer } from '../../findings/index.js';
import {
  byWeight,
  type DryerTest,
  type HouseRules,
  type MatGrade,
  type MatWay,
  type Reason,
  reason,
  type SkinState,
  type ZoneId,
} from '../../words/index.js';
import { mirrorOf, partOf, permittedTools, zoneFacts } from '../anatomy/index.js';

export interface MatQuestion {
  readonly zone: ZoneId;
  readonly grade: MatGrade;
  readonly skin: SkinState;
  /** Puppies and seniors bear less brushing. */
  readonly puppyOrSenior: boolean;
  readonly intactMale: boolean;
  /** A mat that strangles the limb it lies on, or a swelling below it. */
  readonly strangles: boolean;
  readonly trained: boolean;
  /** What the dryer showed after the wash; `undefined` when it was no test. */
  readonly dryer: DryerTest | undefined;
  readonly house: HouseRules;
}

export interface MatAdvice {
  readonly zone: ZoneId;
  /** As felt, or as the dryer showed. */
  readonly grade: MatGrade;
  readonly way: MatWay;
  /** Estimated minutes, and their range. */
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  /** Strain points that it costs a calm grown dog. Our default. */
  readonly strainPoints: number;
  /** The owner must agree before this is done. */
  readonly needsConsent: boolean;
  /** The other side, to be checked. */
  readonly alsoCheck: ZoneId | undefined;
  readonly reasons: readonly Reason[];
}

/** Minutes for one percent of the coat. Our default; a whole matted dog then takes the one to two hours of common practice. */
const MAT_MINUTES_PER_PERCENT: Readonly<Record<MatWay, number>> = { brush: 0.7, split: 1.2, clip_under: 0.8, leave: 0, vet: 0 };
/** Strain points a minute of each way on a calm grown dog, before the zone's factor. Our default. */
const MAT_STRAIN_PER_MINUTE: Readonly<Record<MatWay, number>> = { brush: 1.6, split: 2.4, clip_under: 2.2, leave: 0, vet: 0 };
/** Brushing in one place ends here, minutes. House rule default: 10, and 5 for puppies and seniors. Common practice, no source. */
const BRUSH_OUT_ONE_PLACE_MINUTES = { adult: 10, puppyOrSenior: 5 } as const;
/** Pelted coat is clipped this much slower: the skin below is thin and red. Our default. */
const PELTED_SLOWER = 1.5;
/** An estimate of minutes lies within these shares of itself. Our default. */
const RANGE = [0.6, 1.6] as const;

/**
 * What to do with one mat.
 * @example adviseMat(aMatQuestion({ zone: 'armpit_left', grade: 2 })).way // => 'clip_under'
 */
export function adviseMat(q: MatQuestion): MatAdvice {
  const grade = q.dryer ? gradeAfterDryer(q.grade, q.dryer) : q.grade;
  const { way, reasons } = decide({ ...q, grade });
  if (q.dryer && grade !== q.grade) reasons.push(reason(grade < q.grade ? 'mat.dryer_parted' : 'mat.dryer_stayed', { zone: q.zone }, 0.7));
  const minutes = minutesOf(q.zone, grade, way);
  const mirror = mirrorOf(q.zone);
  if (mirror && q.grade >= 2) reasons.push(reason('mat.check_mirror', { zone: mirror }, 0.2));
  return {
    zone: q.zone,
    grade,
    way,
    minutes,
    minutesRange: [half(minutes * RANGE[0]), half(minutes * RANGE[1])],
    strainPoints: Math.round(minutes * MAT_STRAIN_PER_MINUTE[way] * zoneFacts(q.zone).strainFactor),
    needsConsent: way === 'clip_under',
    alsoCheck: q.grade >= 2 ? mirror : undefined,
    reasons: byWeight(reasons),
  };
}

/** To the half minute: an estimate is not better. */
export const half = (minutes: number): number => Math.round(minutes * 2) / 2;

/** Minutes a way takes in a zone, to the half minute. */
function minutesOf(zone: ZoneId, grade: MatGrade, way: MatWay): number {
  if (way === 'leave' || way === 'vet') return 0;
  const slower = way === 'clip_under' && grade === 4 ? PELTED_SLOWER : 1;
  return half(Math.max(1, zoneFacts(zone).workShare * MAT_MINUTES_PER_PERCENT[way] * slower));
}

function decide(q: MatQuestion): { way: MatWay; reasons: Reason[] } {
  const zone = q.zone;
  const part = partOf(q.zone);
  const as = (way: MatWay, ...reasons: Reason[]): { way: MatWay; reasons: Reason[] } => ({ way, reasons });
  if (q.strangles) return as('vet', reason('mat.strangles_vet', { zone }, 1));
  if (q.grade === 0) return as('brush', reason('mat.none', { zone }, 0.1));
  if (q.skin === 'sore') return as('vet', reason('mat.sore_skin_vet', { zone }, 1));
  if (q.grade >= 3 && part === 'sanitary' && q.intactMale) return as('vet', reason('mat.testicles_vet', {}, 1));
  if (q.grade >= 3 && part === 'tuck_up' && !q.trained) return as('leave', reason('mat.tuck_up_leave', { zone }, 1));
  if (q.grade >= 3 && (part === 'ear_canal' || part === 'wrinkles' || part === 'nose'))
    return as('vet', reason('mat.ear_canal_vet', { zone }, 1));
  if (q.grade === 4) return as('clip_under', reason('mat.pelted_clip', { zone }, 1), ...earWarning(q));
  if (q.grade === 3) return as('clip_under', reason('mat.tight_clip', { zone }, 1), ...earWarning(q));
  if (q.grade === 1 && q.skin === 'red') return as('leave', reason('mat.red_tangles_wait', { zone }, 0.9));
  if (q.grade === 1) return as('brush', reason('mat.brush', { zone }, 0.6));
  if (!permittedTools(q.zone).includes('mat_splitter'))
    return as('clip_under', reason('mat.no_splitter_here', { zone }, 1), ...earWarning(q));
  if (q.house.brushOut === 'always_clip') return as('clip_under', reason('mat.house_clips', { zone }, 0.8));
  if (q.skin === 'red') return as('clip_under', reason('mat.red_skin_clip', { zone }, 0.9));
  const limit = q.puppyOrSenior ? BRUSH_OUT_ONE_PLACE_MINUTES.puppyOrSenior : BRUSH_OUT_ONE_PLACE_MINUTES.adult;
  if (q.house.brushOut === 'limited' && minutesOf(q.zone, 2, 'split') > limit)
    return as('clip_under', reason('mat.brush_limit', { zone, minutes: limit }, 0.9));
  return as('split', reason('mat.split', { zone }, 0.7));
}

function earWarning(q: MatQuestion): Reason[] {
  return zoneFacts(q.zone).group === 'ears' ? [reason('mat.ear_may_swell', {}, 0.6)] : [];
}
