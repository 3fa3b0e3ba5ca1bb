import type { HoldId, HoldNeed, HoldNotFor } from '../../words/index.js';
export interface HoldFacts {
  readonly notFor: readonly HoldNotFor[];
  readonly needs: readonly HoldNeed[];
  /** Longest stretch, minutes. Our default where common practice names none. */
  readonly capMinutes: number;
}

/** Common practice, no source. */
export const HOLDS: Readonly<Record<HoldId, HoldFacts>> = {
  hand_resting: {
    notFor: [],
    needs: ['nothing'],
    capMinutes: 60,
  },
  muzzle_steady: {
    notFor: ['short_nose', 'breath', 'no_front_teeth', 'sore_neck'],
    needs: ['span_of_hand', 'front_teeth'],
    capMinutes: 1,
  },
  chin_hair: {
    notFor: ['sore_neck'],
    needs: ['chin_hair'],
    capMinutes: 3,
  },
  behind_jaw: {
    notFor: ['sore_neck'],
    needs: ['nothing'],
    capMinutes: 2,
  },
  cupped_chin: {
    notFor: ['sore_neck'],
    needs: ['nothing'],
    capMinutes: 5 / 60,
  },
  tail_root: {
    notFor: ['sore_tail'],
    needs: ['nothing'],
    capMinutes: 3,
  },
  leg_folded: {
    notFor: ['sore_hind'],
    needs: ['nothing'],
    capMinutes: 2,
  },
  foreleg_forward: {
    notFor: ['sore_fore'],
    needs: ['nothing'],
    capMinutes: 1,
  },
  belly_support: {
    notFor: [],
    needs: ['nothing'],
    capMinutes: 3,
  },
  under_arm: {
    notFor: ['heavy', 'breath', 'sore_back'],
    needs: ['small_dog'],
    capMinutes: 4,
  },
  lap_or_side: {
    notFor: ['breath'],
    needs: ['nothing'],
    capMinutes: 10,
  },
  helper: {
    notFor: [],
    needs: ['second_person'],
    capMinutes: 15,
  },
  loop: {
    notFor: ['cough', 'fighting'],
    needs: ['training'],
    capMinutes: 20,
  },
  muzzle: {
    notFor: ['short_nose', 'breath', 'wet', 'may_be_sick', 'fighting', 'cough'],
    needs: ['training'],
    capMinutes: 15,
  },
};
