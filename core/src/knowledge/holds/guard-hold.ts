import { type HoldId, type Reason, reason } from '../../words/index.js';
import { hasKind, isIll } from '../dogs/index.js';
import type { HoldQuestion, RejectedHold } from './choose-hold.js';
import { HOLDS } from './holds.js';

export interface GuardedHold {
  readonly also: readonly HoldId[];
  readonly forVet: boolean;
  readonly reasons: readonly Reason[];
  readonly rejected: readonly RejectedHold[];
}

/**
 * Teeth: whether this step needs a muzzle or a helper, or is for a vet. Decided before the first tool, by the school of the house;
 * what never wears a muzzle, and that a fighting dog gets none, is the same in every school.
 */
export function guardHold(q: HoldQuestion): GuardedHold {
  if (!mayBite(q)) return { also: [], forVet: false, reasons: [], rejected: [] };
  const ban = q.house.muzzle === 'never' ? reason('hold.house_never_muzzle', {}, 0.9) : muzzleBan(q);
  if (ban) {
    const rejected = [{ hold: 'muzzle' as const, because: ban }];
    // Worn through the visit only where it can be worn: a calm step is no vet's because a muzzle is not for this dog.
    if (!needsGuard(q)) return { also: [], forVet: false, rejected, reasons: [] };
    if (q.fighting) return { also: [], forVet: true, rejected, reasons: [reason('hold.fighting_stop', { name: q.dog.name }, 1)] };
    // Where the house knows no muzzle, those steps are a vet's: a helper's hands are not a muzzle.
    // What hurts is not done without one: a helper does not stand in for it.
    if (q.helperThere && q.house.muzzle !== 'never' && !q.painful)
      return { also: ['helper'], forVet: false, rejected, reasons: [reason('hold.helper_instead_of_muzzle', {}, 0.9)] };
    return { also: [], forVet: true, rejected, reasons: [reason('hold.for_vet', { name: q.dog.name }, 1)] };
  }
  const minutes = HOLDS.muzzle.capMinutes;
  const reasons = [
    reason(
      q.house.rewards === 'food' && q.dog.treatsAllowed ? 'hold.muzzle_before_first_tool' : 'hold.muzzle_without_food',
      { minutes, name: q.dog.name },
      0.95,
    ),
  ];
  if (q.dog.muzzleUsed !== true)
    reasons.push(reason(q.dog.muzzleUsed === false ? 'hold.muzzle_not_used' : 'hold.muzzle_not_asked', { name: q.dog.name }, 0.7));
  if (q.house.muzzle === 'whole_visit') reasons.push(reason('hold.house_muzzle_whole_visit', { minutes }, 0.6));
  if (!q.helperThere) return { also: ['muzzle'], forVet: false, rejected: [], reasons };
  return { also: ['muzzle', 'helper'], forVet: false, rejected: [], reasons: [...reasons, reason('hold.helper_with_bite', {}, 0.6)] };
}

/** Whether teeth are to be reckoned with in this very step. */
function needsGuard(q: HoldQuestion): boolean {
  if (q.fighting) return true;
  if (hasKind(q.kinds, 'bite_history') && (q.painful || q.triggered)) return true;
  return q.painful && q.triggered && hasKind(q.kinds, 'reactive');
}

/** The same, or the house keeps the muzzle on from the start to the end. */
function mayBite(q: HoldQuestion): boolean {
  return needsGuard(q) || (hasKind(q.kinds, 'bite_history') && q.house.muzzle === 'whole_visit');
}

/** Who never wears a muzzle. Common practice, no source; a floor. */
export function muzzleBan(
  q: Pick<HoldQuestion, 'reaches' | 'fighting' | 'mayBeSick'> & { readonly dog: Pick<HoldQuestion['dog'], 'nose' | 'conditions'> },
): Reason | undefined {
  if (q.fighting) return reason('hold.no_muzzle_fighting', {}, 1);
  if (q.dog.nose === 'short') return reason('hold.no_muzzle_short_nose', {}, 1);
  if ((['airway', 'heart', 'breath_head_up'] as const).some((c) => q.dog.conditions.includes(c)))
    return reason('hold.no_muzzle_breath', {}, 1);
  if (q.dog.conditions.includes('cough')) return reason('hold.no_muzzle_breath', {}, 1);
  if (isIll(q.dog)) return reason('hold.no_muzzle_ill', {}, 1);
  if (q.mayBeSick) return reason('hold.no_muzzle_sick', {}, 1);
  if (q.reaches.includes('washing')) return reason('hold.no_muzzle_wet', {}, 1);
  return undefined;
}
