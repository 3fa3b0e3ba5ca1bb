import type { CombTest, DryerTest, LiftTest, MatGrade } from '../words/index.js';
/**
 * Grade of a mat from the comb test and the lift test; the worse of the two counts. Without a lift test the comb decides.
 * @example gradeMat('nothing_passes', 'skin_comes') // => 3
 * @example gradeMat('wide_stops', 'no_gap') // => 4
 */
export function gradeMat(comb: CombTest, lift: LiftTest | null): MatGrade {
  const byComb: Record<CombTest, MatGrade> = { fine_passes: 0, wide_snags: 1, wide_stops: 2, nothing_passes: 3 };
  const byLift: Record<LiftTest, MatGrade> = { lifts_freely: 0, finger_fits: 2, skin_comes: 3, no_gap: 4 };
  // Coat the fine teeth pass through is not matted, so the lift test is not asked.
  if (comb === 'fine_passes') return 0;
  const lifted = lift === null ? 0 : byLift[lift];
  return byComb[comb] >= lifted ? byComb[comb] : lifted;
}

/**
 * The grade after the dryer. An open mat that parts can be brushed; one that stays shut is clipped like a tight one. A tight mat
 * stays tight whatever the air does: the floor (never brushed out) stands.
 * @example gradeAfterDryer(2, 'parts') // => 1
 * @example gradeAfterDryer(3, 'parts') // => 3
 */
export function gradeAfterDryer(grade: MatGrade, test: DryerTest): MatGrade {
  if (grade !== 2) return grade;
  return test === 'parts' ? 1 : 3;
}
