import { byWeight, type FitSign, type Reason, reason, type ToldItem } from '../../words/index.js';

/** Signs that can pass to other dogs or to people. */
const CONTAGIOUS_SIGNS: readonly FitSign[] = ['fleas', 'ringed_patches', 'itchy_scabs', 'cough', 'diarrhoea', 'fever_or_vomiting'];
/** Signs with which the dog can come, as the last of the day; with sores it cannot. Common practice, no source. */
const LAST_OF_DAY: readonly FitSign[] = ['fleas'];
/** Told facts for which other dogs could be a danger to this one. */
const UNPROTECTED: readonly ToldItem[] = ['vaccination_incomplete', 'vaccination_not_stated'];

/** Minutes to wipe blades, combs, table and tub before the product can act. Our default. */
const WIPE_MINUTES = 4;
/** More to do after a contagious dog: floor, dryer, drains, laundry. Our default. */
const WIPE_MORE_MINUTES = 8;
/** Contact time of a product whose label was not entered, minutes. Our default; the label decides. */
export const CONTACT_MINUTES = 10;

export interface Contagion {
  /** `own_room`: no contact with other dogs, first of the day. */
  readonly place: 'any' | 'own_room' | 'last_of_day' | 'not_today';
  readonly ownTowelsAndTools: boolean;
  readonly gloves: boolean;
  /** Pregnant or weak colleagues work elsewhere. */
  readonly keepVulnerableAway: boolean;
  /** Between this dog and the next, minutes: wiping and the product's contact time. */
  readonly disinfectMinutes: number;
  readonly reasons: readonly Reason[];
}

/**
 * What contagion asks of the day, and the time between this dog and the next.
 * @param contactMinutes contact time on the product's label, ≥ 0
 * @param beside sores that were felt, and what the owner told
 * @throws RangeError for a negative contact time
 * @example contagion([]).disinfectMinutes // => 14
 */
export function contagion(
  signs: readonly FitSign[],
  contactMinutes = CONTACT_MINUTES,
  beside: { readonly sores: boolean; readonly told: readonly ToldItem[] } = { sores: false, told: [] },
): Contagion {
  if (!(contactMinutes >= 0)) throw new RangeError(`contagion: contact time ${contactMinutes} min`);
  const found = signs.filter((s) => CONTAGIOUS_SIGNS.includes(s));
  const minutes = contactMinutes + WIPE_MINUTES;
  if (found.length === 0) {
    const apart = UNPROTECTED.some((t) => beside.told.includes(t));
    const marks = beside.told.includes('household_marks');
    return {
      place: apart ? 'own_room' : 'any',
      ownTowelsAndTools: apart || marks,
      gloves: marks,
      keepVulnerableAway: marks,
      disinfectMinutes: minutes + (marks ? WIPE_MORE_MINUTES : 0),
      reasons: [
        ...(apart ? [reason('fit.own_room', {}, 0.6)] : []),
        ...(marks ? [reason('fit.gloves', {}, 0.6)] : []),
        reason('fit.between_dogs', { minutes: minutes + (marks ? WIPE_MORE_MINUTES : 0), contact: contactMinutes }, 0.2),
      ],
    };
  }
  const place = found.every((s) => LAST_OF_DAY.includes(s)) && !beside.sores ? 'last_of_day' : 'not_today';
  return {
    place,
    ownTowelsAndTools: true,
    gloves: true,
    keepVulnerableAway: true,
    disinfectMinutes: minutes + WIPE_MORE_MINUTES,
    reasons: byWeight([
      place === 'last_of_day'
        ? reason('fit.last_of_day', { signs: found }, 0.7)
        : reason('fit.contagious_not_today', { signs: found }, 0.95),
      reason('fit.own_towels', {}, 0.6),
      reason('fit.between_dogs', { minutes: minutes + WIPE_MORE_MINUTES, contact: contactMinutes }, 0.4),
    ]),
  };
}
