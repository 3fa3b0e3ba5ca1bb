import type { HoldId, HoldNeed, HoldNotFor } from '../../words/index.js';
export interface HoldFacts {
  readonly label: string;
  readonly how: string;
  readonly prevents: string;
  readonly mustNotPress: string;
  readonly notFor: readonly HoldNotFor[];
  readonly needs: readonly HoldNeed[];
  /** Longest stretch, minutes. Our default where common practice names none. */
  readonly capMinutes: number;
}

/** Common practice, no source. */
export const HOLDS: Readonly<Record<HoldId, HoldFacts>> = {
  hand_resting: {
    label: 'hand resting on the dog',
    how: 'One hand always lies on the dog and feels it move before you see it.',
    prevents: 'a step into the blade',
    mustNotPress: 'a sore place',
    notFor: [],
    needs: ['nothing'],
    capMinutes: 60,
  },
  muzzle_steady: {
    label: 'muzzle steadied',
    how: 'A finger between the jaw bones from below, thumb over the bridge; firm, not tight.',
    prevents: 'a jerk of the head, a lick',
    mustNotPress: 'the throat, the nostrils',
    notFor: ['short_nose', 'breath', 'no_front_teeth', 'sore_neck'],
    needs: ['span_of_hand', 'front_teeth'],
    capMinutes: 1,
  },
  chin_hair: {
    label: 'hair under the chin as a handle',
    how: 'Hold the chin hair; it is clipped last.',
    prevents: 'a jerk of the head',
    mustNotPress: 'the throat',
    notFor: ['sore_neck'],
    needs: ['chin_hair'],
    capMinutes: 3,
  },
  behind_jaw: {
    label: 'hand behind the jaw under the ears',
    how: 'It may move, not leave.',
    prevents: 'backing off',
    mustNotPress: 'the throat',
    notFor: ['sore_neck'],
    needs: ['nothing'],
    capMinutes: 2,
  },
  cupped_chin: {
    label: 'chin cupped',
    how: 'Chin in the palm, head up for about 5 s, then 10 s of rest.',
    prevents: 'the head dropping into the blade',
    mustNotPress: 'the throat',
    notFor: ['sore_neck'],
    needs: ['nothing'],
    capMinutes: 5 / 60,
  },
  tail_root: {
    label: 'tail held at the root',
    how: 'Hold the root; never carry weight by the tail.',
    prevents: 'a clamped tail, sitting on the blade',
    mustNotPress: 'the tail towards the back',
    notFor: ['sore_tail'],
    needs: ['nothing'],
    capMinutes: 3,
  },
  leg_folded: {
    label: 'leg folded close under the body',
    how: 'Close under the body, never out sideways; let it go when it pulls, take it again.',
    prevents: 'a kick into the blade',
    mustNotPress: 'the joint past its ease',
    notFor: ['sore_hind'],
    needs: ['nothing'],
    capMinutes: 2,
  },
  foreleg_forward: {
    label: 'foreleg forward and up',
    how: 'Forward and up, never out to the side.',
    prevents: 'the armpit web rising into the teeth',
    mustNotPress: 'elbow and shoulder',
    notFor: ['sore_fore'],
    needs: ['nothing'],
    capMinutes: 1,
  },
  belly_support: {
    label: 'forearm or knee under the belly',
    how: 'Carry the body from below before a leg leaves the table.',
    prevents: 'a weak leg giving way',
    mustNotPress: 'a sore belly',
    notFor: [],
    needs: ['nothing'],
    capMinutes: 3,
  },
  under_arm: {
    label: 'under the arm like a parcel',
    how: 'Small dogs, for nails: body against yours, paw in the free hand.',
    prevents: 'a jump, a pulled paw',
    mustNotPress: 'ribs',
    notFor: ['heavy', 'breath', 'sore_back'],
    needs: ['small_dog'],
    capMinutes: 4,
  },
  lap_or_side: {
    label: 'on the lap, or lying on its side',
    how: 'Lying, someone’s hand on the shoulder; nothing bears weight.',
    prevents: 'standing on sore legs, a fall',
    mustNotPress: 'chest of a dog that breathes hard',
    notFor: ['breath'],
    needs: ['nothing'],
    capMinutes: 10,
  },
  helper: {
    label: 'a helper',
    how: 'A second pair of hands at the head; says when the dog tightens.',
    prevents: 'a turn or jump you cannot see',
    mustNotPress: 'neck',
    notFor: [],
    needs: ['second_person'],
    capMinutes: 15,
  },
  loop: {
    label: 'loop, attended',
    how: 'Loose, quick release, never left alone with it.',
    prevents: 'a jump from the table',
    mustNotPress: 'the throat',
    notFor: ['cough', 'fighting'],
    needs: ['training'],
    capMinutes: 20,
  },
  muzzle: {
    label: 'basket muzzle',
    how: 'On before the first tool, with treats, watched; off again within 5 min.',
    prevents: 'a bite',
    mustNotPress: 'nose and throat',
    notFor: ['short_nose', 'breath', 'wet', 'may_be_sick', 'fighting', 'cough'],
    needs: ['training'],
    capMinutes: 5,
  },
};

/**
 * The longest stretch of a hold, in words. `sayCap('cupped_chin') // => '5 s'`
 * @returns seconds below a minute, else minutes
 */
export function sayCap(hold: HoldId): string {
  const { capMinutes } = HOLDS[hold];
  return capMinutes < 1 ? `${Math.round(capMinutes * 60)} s` : `${capMinutes} min`;
}
