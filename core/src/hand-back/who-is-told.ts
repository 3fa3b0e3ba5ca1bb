import type { VisitState } from '../visit/index.js';
import { type HouseRules, type Reason, reason } from '../words/index.js';

/**
 * Who is told of what was found or hurt, and how, by the school of the house. A doctor or vet who is needed now is rung in every house.
 * @returns nothing where nothing was found
 */
export function whoIsTold(state: VisitState, house: HouseRules): Reason[] {
  const found = state.feelOver.marks.length > 0 || state.incidents.length > 0 || state.feelOver.zones.some((z) => z.skin === 'sore');
  if (!found) return [];
  return [reason(house.whoIsTold === 'owner_and_vet_writing' ? 'told.in_writing' : 'told.by_word', {}, 0.8)];
}
