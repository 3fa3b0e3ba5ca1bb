import { type MatGrade, type Reason, reason, type SkinState } from '../../words/index.js';

/** More tight zones than this and the dryer is no test. Common practice says "few"; the number is our default. */
const DRYER_TEST_UP_TO_TIGHT_ZONES = 2;

export interface DryerTestQuestion {
  readonly zones: readonly { readonly matGrade: MatGrade; readonly skin: SkinState }[];
  /** The dog may have a high-velocity dryer at all: ask the tool rules. */
  readonly highVelocityAllowed: boolean;
}

export interface DryerTestAnswer {
  readonly may: boolean;
  readonly reasons: readonly Reason[];
}

/** May the dryer be used as a test? Only where skin is sound and few mats are tight. */
export function mayTestByDryer(q: DryerTestQuestion): DryerTestAnswer {
  const tight = q.zones.filter((z) => z.matGrade >= 3).length;
  if (!q.highVelocityAllowed) return { may: false, reasons: [reason('mat.dryer_not_for_this_dog', {}, 0.9)] };
  if (q.zones.some((z) => z.skin !== 'sound')) return { may: false, reasons: [reason('mat.dryer_skin', {}, 1)] };
  if (tight > DRYER_TEST_UP_TO_TIGHT_ZONES)
    return { may: false, reasons: [reason('mat.dryer_too_many', { tight, limit: DRYER_TEST_UP_TO_TIGHT_ZONES }, 0.9)] };
  return { may: true, reasons: [reason('mat.dryer_may', {}, 0.4)] };
}
