import { LOOKED_FINDINGS, LOOKED_PARTS, JOINTS, MAT_GRADES, type MatGrade, reason, type SkinState } from '../words/index.js';
import type { VisitState } from '../visit/index.js';
import { type AccountLine, line } from './account-line.js';
import { type MarksKnown, marksTold } from './marks-told.js';

/** Skin that is told of, the gravest first; what a vet sees. */
const SKIN_TOLD: readonly SkinState[] = ['sore', 'red'];
/** Seen by a vet, whatever else was done: open or foul, grown in, inside the ear, unexplained. Handbook 13 and 14; common practice, no source. */
const FOR_VET: readonly string[] = ['sore', 'foul', 'grown_in', 'sore_teeth', 'dry_eye', 'swollen', 'cut', 'grass_seed', 'bad_head_up'];

/** What hands and eyes found, each thing in a sentence; nothing of a part that nobody looked at. */
export function foundTold(state: VisitState, file: MarksKnown): AccountLine[] {
  const { zones, looked, foundAt, joints, favours } = state.feelOver;
  const out: AccountLine[] = [...marksTold(state, file)];
  for (const skin of SKIN_TOLD) {
    const there = zones.filter((z) => z.skin === skin).map((z) => z.zone);
    if (there.length > 0)
      out.push(
        line(
          'found',
          `skin.${skin}`,
          reason(skin === 'sore' ? 'told.skin_sore' : 'told.skin_red', { zones: there }, 0.8),
          skin === 'sore' ? 'vet' : undefined,
        ),
      );
  }
  const strangling = zones.filter((z) => z.strangles).map((z) => z.zone);
  if (strangling.length > 0) out.push(line('found', 'mats.strangle', reason('told.mats_strangle', { zones: strangling }, 1), 'vet'));
  for (const grade of [...MAT_GRADES].reverse()) {
    const rule = MATS_TOLD[grade];
    const there = zones.filter((z) => z.matGrade === grade && !z.strangles).map((z) => z.zone);
    if (rule && there.length > 0) out.push(line('found', `mats.${grade}`, reason(rule, { zones: there }, 0.6)));
  }
  const crusts = zones.filter((z) => z.crust).map((z) => z.zone);
  if (crusts.length > 0) out.push(line('found', 'crust', reason('told.crust', { zones: crusts }, 0.5)));
  for (const part of LOOKED_PARTS) {
    const finding = looked?.[part];
    // The first of each is the healthy one.
    if (finding === undefined || finding === LOOKED_FINDINGS[part][0]) continue;
    if (part === 'ticks' || part === 'rear_touch') continue;
    const at = part === 'seeds' ? (foundAt?.seeds ?? []) : [];
    const says = reason('told.looked', { part, finding, zones: at.length > 0 ? at : undefined }, 0.6);
    out.push(
      line(
        'found',
        `looked.${part}`,
        FOR_VET.includes(finding) ? [says, reason('told.vet_looks', {}, 0.9)] : says,
        FOR_VET.includes(finding) ? 'vet' : undefined,
      ),
    );
  }
  const stiff = JOINTS.filter((j) => (joints[j] ?? 'free') !== 'free');
  if (stiff.length > 0) out.push(line('found', 'joints', reason('told.joints', { joints: stiff }, 0.6)));
  if (favours && favours !== 'none') out.push(line('found', 'leg', reason('told.leg', { weak: favours }, 0.7)));
  return out;
}

const MATS_TOLD: Readonly<Record<MatGrade, 'told.mats_tight' | 'told.mats_pelted' | 'told.mats_firm' | 'told.tangles' | undefined>> = {
  0: undefined,
  1: 'told.tangles',
  2: 'told.mats_firm',
  3: 'told.mats_tight',
  4: 'told.mats_pelted',
};
