import { reason, type Reason, type RuleId } from '../words/index.js';
import { type NotPlanned, type Piece, whatOf } from './piece.js';
import type { PlanInput } from './plan-input.js';

/** Days within which a vet sees it, by what was found. Common practice, no source; what hurts and is not named here: seven. */
const VET_WITHIN_DAYS: Readonly<Partial<Record<RuleId, number>>> = {
  'mat.strangles_vet': 0,
  'vet.strangled': 0,
  'vet.eye': 1,
  'looked.eyes_sore': 1,
  'looked.nails_grown_in': 1,
  'looked.dewclaw_grown_in': 1,
  'looked.grass_seed': 2,
  'mark.sore': 3,
  'vet.weeping_under_tail': 1,
  'vet.sore_skin': 3,
  'blade.sore_skin': 3,
  'mat.sore_skin_vet': 3,
  'looked.pads_cut': 3,
  'looked.folds_sore': 3,
};
const USUAL_VET_DAYS = 7;

/** Days until a vet should have seen what a reason is about. `vetWithinDays(reason('mat.strangles_vet', { zone: 'hock_left' }, 1)) // => 0` */
export const vetWithinDays = (because: Reason | undefined): number => (because && VET_WITHIN_DAYS[because.rule]) ?? USUAL_VET_DAYS;

/** Why a piece cannot be done here today, and what becomes of it: refused, for a vet, or no blade for it. */
export function whyNotHere(piece: Piece, input: Pick<PlanInput, 'refused' | 'dog'>): NotPlanned | undefined {
  const left = (to: NotPlanned['to'], reasons: readonly Reason[], withinDays?: number): NotPlanned => ({
    what: whatOf(piece),
    activity: piece.activity,
    zones: piece.zones,
    to,
    withinDays,
    reasons,
  });
  if (piece.needsConsent && (input.refused.includes('close_clip') || input.refused.includes('clip_off')))
    return left('left', [reason('step.consent_refused', {}, 1)]);
  if (piece.hold.also.includes('muzzle') && input.refused.includes('muzzle'))
    return left('vet', [reason('step.muzzle_refused', { name: input.dog.name }, 1)], USUAL_VET_DAYS);
  if (piece.hold.forVet) return left('vet', piece.hold.reasons, USUAL_VET_DAYS);
  if (piece.blade && piece.blade.blade === undefined) {
    const because = piece.blade.reasons[0];
    return because?.rule === 'blade.sore_skin'
      ? left('vet', piece.blade.reasons, vetWithinDays(because))
      : left('left', piece.blade.reasons);
  }
  return undefined;
}
