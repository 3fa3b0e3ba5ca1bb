import type { HoldId } from '../../../words/index.js';
export const HOLD_LABELS: Readonly<Record<HoldId, string>> = {
  hand_resting: 'hand resting on the dog',
  muzzle_steady: 'muzzle steadied',
  chin_hair: 'hair under the chin as a handle',
  behind_jaw: 'hand behind the jaw under the ears',
  cupped_chin: 'chin cupped',
  tail_root: 'tail held at the root',
  leg_folded: 'leg folded close under the body',
  foreleg_forward: 'foreleg forward and up',
  belly_support: 'forearm or knee under the belly',
  under_arm: 'under the arm like a parcel',
  lap_or_side: 'on the lap, or lying on its side',
  helper: 'a helper',
  loop: 'loop, attended',
  muzzle: 'basket muzzle',
};

/** What the hands do. Common practice, no source. */
export const HOLD_HOW: Readonly<Record<HoldId, string>> = {
  hand_resting: 'One hand always lies on the dog and feels it move before you see it.',
  muzzle_steady: 'A finger between the jaw bones from below, thumb over the bridge; firm, not tight.',
  chin_hair: 'Hold the chin hair; it is clipped last.',
  behind_jaw: 'It may move, not leave.',
  cupped_chin: 'Chin in the palm, head up for about 5 s, then 10 s of rest.',
  tail_root: 'Hold the root; never carry weight by the tail.',
  leg_folded: 'Close under the body, never out sideways; let it go when it pulls, take it again.',
  foreleg_forward: 'Forward and up, never out to the side.',
  belly_support: 'Carry the body from below before a leg leaves the table.',
  under_arm: 'Small dogs, for nails: body against yours, paw in the free hand.',
  lap_or_side: 'Lying, someone’s hand on the shoulder; nothing bears weight.',
  helper: 'A second pair of hands at the head; says when the dog tightens.',
  loop: 'Loose, quick release, never left alone with it.',
  muzzle: 'On before the first tool, with treats, watched; off again within 5 min.',
};

/** Least force against … */
export const HOLD_PREVENTS: Readonly<Record<HoldId, string>> = {
  hand_resting: 'a step into the blade',
  muzzle_steady: 'a jerk of the head, a lick',
  chin_hair: 'a jerk of the head',
  behind_jaw: 'backing off',
  cupped_chin: 'the head dropping into the blade',
  tail_root: 'a clamped tail, sitting on the blade',
  leg_folded: 'a kick into the blade',
  foreleg_forward: 'the armpit web rising into the teeth',
  belly_support: 'a weak leg giving way',
  under_arm: 'a jump, a pulled paw',
  lap_or_side: 'standing on sore legs, a fall',
  helper: 'a turn or jump you cannot see',
  loop: 'a jump from the table',
  muzzle: 'a bite',
};

/** Never on … */
export const HOLD_MUST_NOT_PRESS: Readonly<Record<HoldId, string>> = {
  hand_resting: 'a sore place',
  muzzle_steady: 'the throat, the nostrils',
  chin_hair: 'the throat',
  behind_jaw: 'the throat',
  cupped_chin: 'the throat',
  tail_root: 'the tail towards the back',
  leg_folded: 'the joint past its ease',
  foreleg_forward: 'elbow and shoulder',
  belly_support: 'a sore belly',
  under_arm: 'ribs',
  lap_or_side: 'chest of a dog that breathes hard',
  helper: 'neck',
  loop: 'the throat',
  muzzle: 'nose and throat',
};
