export const COMB_TESTS = ['fine_passes', 'wide_snags', 'wide_stops', 'nothing_passes'] as const;
/** What the comb does: fine teeth pass to the skin, wide teeth pass with snags, wide teeth stop, nothing passes. */
export type CombTest = (typeof COMB_TESTS)[number];

export const LIFT_TESTS = ['lifts_freely', 'finger_fits', 'skin_comes', 'no_gap'] as const;
/** What the mat does when lifted: it is free, a finger fits below, the skin comes with it, there is no gap. */
export type LiftTest = (typeof LIFT_TESTS)[number];

export const MAT_GRADES = [0, 1, 2, 3, 4] as const;
/** 0 none, 1 tangles, 2 mats, 3 tight, 4 pelted. Common practice, no source. */
export type MatGrade = (typeof MAT_GRADES)[number];

export const MAT_GRADE_NAMES: Readonly<Record<MatGrade, string>> = { 0: 'none', 1: 'tangles', 2: 'mats', 3: 'tight', 4: 'pelted' };

/**
 * Grade of a mat from the comb test and the lift test; the worse of the two counts.
 * @example gradeMat('nothing_passes', 'skin_comes') // => 3
 * @example gradeMat('wide_stops', 'no_gap') // => 4
 */
export function gradeMat(comb: CombTest, lift: LiftTest): MatGrade {
  const byComb: Record<CombTest, MatGrade> = { fine_passes: 0, wide_snags: 1, wide_stops: 2, nothing_passes: 3 };
  const byLift: Record<LiftTest, MatGrade> = { lifts_freely: 0, finger_fits: 2, skin_comes: 3, no_gap: 4 };
  // Coat the fine teeth pass through is not matted, so the lift test is not asked.
  if (comb === 'fine_passes') return 0;
  return byComb[comb] >= byLift[lift] ? byComb[comb] : byLift[lift];
}
