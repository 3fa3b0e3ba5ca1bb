import { type HoldId, type HouseRules, type Reason, reason, type SignalId, type Voice } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';

/**
 * How the hands and the voice are with this dog: by its file, or by the school of the house.
 * @example adviseVoice(house, 'no_voice').rule // => 'settle.no_voice'
 */
export function adviseVoice(house: HouseRules, file: Voice | undefined): Reason {
  if (house.voice === 'soothing') return reason('settle.house_soothing', {}, 0.4);
  if (house.voice === 'quiet') return reason('settle.house_quiet', {}, 0.4);
  if (file === undefined) return reason('settle.find_out', {}, 0.4);
  return reason(file === 'soft_voice' ? 'settle.soft_voice' : 'settle.no_voice', {}, 0.5);
}

/** What a break offers: food where house and owner allow it, voice and touch, or quiet. */
export function adviseReward(house: HouseRules, dog: Pick<DogFacts, 'name' | 'treatsAllowed' | 'conditions' | 'guards'>): Reason {
  if (house.rewards === 'none') return reason('reward.none', {}, 0.3);
  if (house.rewards === 'food' && dog.treatsAllowed && dog.guards.includes('food'))
    return reason('reward.guards_food', { name: dog.name }, 0.7);
  if (house.rewards === 'voice_touch' || !dog.treatsAllowed) return reason('reward.voice_touch', {}, 0.4);
  return reason(dog.conditions.includes('skin_allergy') ? 'reward.food_named' : 'reward.food', {}, 0.5);
}

/** Good signs that can be seen at all: a house without food does not ask whether a treat is taken. */
export function goodSigns(house: HouseRules, treatsAllowed: boolean): SignalId[] {
  const food: readonly SignalId[] = house.rewards === 'food' && treatsAllowed ? ['takes_treat'] : [];
  return ['soft_body', ...food, 'leans_in', 'comes_back'];
}

/**
 * Protection after a friendly sign: the same. A wag does not take a muzzle off a dog in pain; only its cap or the end of the step does.
 * @example protectionAfter(['muzzle'], 'wag').protection // => ['muzzle']
 */
export function protectionAfter(
  protection: readonly HoldId[],
  sign: SignalId,
): { readonly protection: readonly HoldId[]; readonly sign: SignalId; readonly reasons: readonly Reason[] } {
  return { protection, sign, reasons: [reason('sign.unlocks_nothing', { holds: protection }, 0.8)] };
}
