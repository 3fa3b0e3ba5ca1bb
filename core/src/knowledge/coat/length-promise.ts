import { type LengthPromise, type MatGrade, type MatWay, type Reason, reason, type SkinState, type ZoneId } from '../../words/index.js';

export interface PromisedLength {
  readonly zone: ZoneId;
  readonly promise: LengthPromise;
  /** The most that can be promised, mm: `Infinity` where coat can stay as it is. */
  readonly atMostMm: number;
  readonly reasons: readonly Reason[];
}

/** What a #10 leaves, mm: nominal. Common practice, no source. */
const UNDER_A_MAT_MM = 1.5;

/**
 * The length that can be promised in one place. A guard or a length only where a comb passes, shears only where the fine teeth pass.
 * @example promiseLength('back', 3, 'clip_under', 'sound').atMostMm // => 1.5
 */
export function promiseLength(zone: ZoneId, grade: MatGrade, way: MatWay, skin: SkinState): PromisedLength {
  const make = (promise: LengthPromise, atMostMm: number, because: Reason): PromisedLength => ({
    zone,
    promise,
    atMostMm,
    reasons: [because],
  });
  if (way === 'vet' || way === 'leave' || skin === 'sore') return make('none', 0, reason('length.none', { zone }, 0.6));
  if (way === 'clip_under') return make('blade_only', UNDER_A_MAT_MM, reason('length.blade_only', { zone, mm: UNDER_A_MAT_MM }, 0.6));
  if (grade === 0) return make('shears', Infinity, reason('length.shears', { zone }, 0.6));
  if (grade === 1) return make('guard', Infinity, reason('length.guard', { zone }, 0.6));
  return make('after_brushing', Infinity, reason('length.after_brushing', { zone }, 0.6));
}
