import { otherLeg } from '../../findings/index.js';
import {
  byWeight,
  type Condition,
  type HoldId,
  type HoldNotFor,
  type HouseRules,
  type Joint,
  type JointComfort,
  type Leg,
  type Reach,
  type Reason,
  reason,
} from '../../words/index.js';
import { type DogFacts, hasKind, type KindFound } from '../dogs/index.js';
import { guardHold } from './guard-hold.js';
import { HOLDS } from './holds.js';

export interface HoldQuestion {
  readonly reaches: readonly Reach[];
  readonly dog: Pick<DogFacts, 'name' | 'weightKg' | 'nose' | 'conditions' | 'treatsAllowed' | 'tail' | 'muzzleUsed' | 'soreWhenLifted'>;
  readonly kinds: readonly KindFound[];
  readonly joints: Readonly<Partial<Record<Joint, JointComfort>>>;
  /** The leg it spares today; `none` when it was looked at and spares none, nothing when nobody looked. */
  readonly favours: Leg | 'none' | undefined;
  /** It sits down when it is touched behind. */
  readonly sits?: boolean;
  readonly soreTail?: boolean;
  /** Old nails that crumble. */
  readonly brittleNails?: boolean;
  /** It hurts: tight mats, red skin, a painful joint that must move, long claws. */
  readonly painful: boolean;
  /** A known trigger of this dog. */
  readonly triggered: boolean;
  /** It is fighting now: nothing is put on it, the work stops. */
  readonly fighting: boolean;
  /** It was fed just now, or retches. */
  readonly mayBeSick: boolean;
  readonly helperThere: boolean;
  /** Minutes the step is expected to take. */
  readonly minutes: number;
  /** It stands for a few minutes only: what can be done lying is done lying. */
  readonly standsShort?: boolean;
  readonly house: HouseRules;
}

export interface RejectedHold {
  readonly hold: HoldId;
  readonly because: Reason;
}

export interface HoldChoice {
  /** Main hold, least force that makes the step safe. */
  readonly hold: HoldId;
  /** Used together with it. */
  readonly also: readonly HoldId[];
  /** The step cannot be made safe here: it is for a vet. */
  readonly forVet: boolean;
  readonly needsHelper: boolean;
  /** Longest stretch of the hold for this dog, minutes. */
  readonly capMinutes: number;
  readonly reasons: readonly Reason[];
  readonly rejected: readonly RejectedHold[];
}

/** A dog that is sore when lifted is lifted by two from this weight, kg. Our default. */
const TWO_LIFT_SORE_FROM_KG = 12;
/** Small enough to be held under the arm, kg. Our default. */
const UNDER_ARM_UP_TO_KG = 9;
/** From this weight a forearm or knee goes under the belly when a hind leg is lifted, kg. Our default. */
const BELLY_SUPPORT_FROM_KG = 20;
/** A puppy that is held still is held no longer than this, minutes; one that is let go, as long as it stays by itself. Our defaults. */
export const PUPPY_HELD_STILL_MINUTES = 0.5;

const LYING: readonly Reach[] = ['fore_feet', 'hind_feet', 'nails', 'underside', 'armpits'];

/** What a dog that cannot stand long is worked on lying; its head is done as it sits or lies. */
const LYING_WHEN_SHORT: readonly Reach[] = [...LYING, 'body', 'rear'];
const HEAD_HOLDS: readonly HoldId[] = ['muzzle_steady', 'chin_hair', 'behind_jaw', 'cupped_chin'];

/**
 * What speaks against a hold on this dog, of those that its table names.
 * @returns nothing when the hold may be used
 */
export function notFor(hold: HoldId, q: HoldQuestion): HoldNotFor | undefined {
  const sore = (...joints: readonly Joint[]): boolean => worstOf(q.joints, joints).comfort !== 'free';
  const has = (c: Condition): boolean => q.dog.conditions.includes(c);
  const is: Readonly<Record<HoldNotFor, boolean>> = {
    short_nose: q.dog.nose === 'short',
    breath: has('heart') || has('airway') || has('breath_head_up'),
    cough: has('cough'),
    sore_hind: sore('hip_left', 'hip_right', 'knee_left', 'knee_right'),
    sore_fore: sore('shoulder_left', 'shoulder_right', 'elbow_left', 'elbow_right'),
    sore_neck: sore('neck'),
    sore_back: sore('back') || has('sore_back'),
    no_front_teeth: has('no_front_teeth'),
    wet: q.reaches.includes('washing'),
    may_be_sick: q.mayBeSick,
    fighting: q.fighting,
    heavy: q.dog.weightKg > UNDER_ARM_UP_TO_KG,
    fits: has('fits'),
    sore_tail: q.soreTail === true,
  };
  return HOLDS[hold].notFor.find((who) => is[who]);
}

/** The least force that makes a step safe, what comes with it, and the holds that were asked and refused. */
export function chooseHold(q: HoldQuestion): HoldChoice {
  const reasons: Reason[] = [];
  const rejected: RejectedHold[] = [];
  const also = new Set<HoldId>();
  let hold = firstHold(q, reasons, rejected);
  const hind = worstOf(q.joints, ['hip_left', 'hip_right', 'knee_left', 'knee_right', 'back']);
  const fore = worstOf(q.joints, ['shoulder_left', 'shoulder_right', 'elbow_left', 'elbow_right']);
  const liftsHind = q.reaches.some((r) => r === 'hind_feet' || r === 'nails' || r === 'underside');
  const liftsFore = q.reaches.some((r) => r === 'fore_feet' || r === 'nails' || r === 'armpits');

  // A foreleg lifted is weight on the hips: where they hurt it lies for that, too.
  if ((liftsHind || (liftsFore && hind.comfort === 'painful')) && hind.comfort !== 'free' && hind.joint) {
    rejected.push({ hold: 'leg_folded', because: reason('hold.sore_hind_not_lifted', { joint: hind.joint }, 1) });
    reasons.push(reason('hold.lie_down_for_hind', { joint: hind.joint, comfort: hind.comfort }, 0.9));
    hold = 'lap_or_side';
  } else if (liftsFore && fore.comfort !== 'free' && fore.joint) {
    rejected.push({ hold: 'foreleg_forward', because: reason('hold.sore_fore_not_lifted', { joint: fore.joint }, 1) });
    reasons.push(reason('hold.lie_down_for_fore', { joint: fore.joint }, 0.9));
    hold = 'lap_or_side';
  } else if (
    q.standsShort === true &&
    hold !== 'under_arm' &&
    notFor('lap_or_side', q) === undefined &&
    q.dog.nose !== 'short' &&
    q.reaches.every((r) => LYING_WHEN_SHORT.includes(r))
  ) {
    reasons.push(reason('hold.stands_short_lies', {}, 0.8));
    hold = 'lap_or_side';
  } else if (q.brittleNails === true && q.reaches.includes('nails') && hold !== 'under_arm' && notFor('lap_or_side', q) === undefined) {
    reasons.push(reason('hold.brittle_nails_lying', {}, 0.8));
    hold = 'lap_or_side';
  } else if (hasKind(q.kinds, 'senior') && hold !== 'under_arm' && notFor('lap_or_side', q) === undefined && canLieFor(q.reaches)) {
    reasons.push(q.reaches.includes('nails') ? reason('hold.senior_nails_lying', {}, 0.8) : reason('hold.senior_lies', {}, 0.7));
    hold = 'lap_or_side';
  }
  const behind = q.reaches.some((r) => r === 'rear' || r === 'underside' || r === 'hind_feet');
  if (q.sits === true && behind && hold !== 'lap_or_side' && hold !== 'under_arm') {
    const lies = notFor('lap_or_side', q) === undefined && q.dog.nose !== 'short';
    rejected.push({ hold, because: reason('looked.sits', {}, 1) });
    reasons.push(reason(lies ? 'hold.sits_lie' : 'hold.sits_forearm', {}, 0.9));
    hold = lies ? 'lap_or_side' : 'belly_support';
  }
  if (hold === 'tail_root' && (q.dog.tail === 'docked' || notFor('tail_root', q) !== undefined)) {
    const because = q.dog.tail === 'docked' ? 'hold.docked_tail' : 'hold.sore_tail';
    rejected.push({ hold: 'tail_root', because: reason(because, {}, 1) });
    reasons.push(reason(because, {}, 0.9));
    hold = 'belly_support';
  }
  if (hold === 'lap_or_side' && notFor('lap_or_side', q) !== undefined) {
    rejected.push({ hold: 'lap_or_side', because: reason('hold.breath_not_laid', {}, 1) });
    reasons.push(reason('hold.breath_foot_low', {}, 0.9));
    hold = 'belly_support';
  }
  if (HEAD_HOLDS.includes(hold) && notFor(hold, q) === 'sore_neck') {
    rejected.push({ hold, because: reason('hold.sore_neck_not_held', {}, 1) });
    reasons.push(reason('hold.sore_neck_natural', {}, 0.9));
    hold = 'hand_resting';
  }
  const stands = hold !== 'lap_or_side' && hold !== 'under_arm';
  const weak = q.favours === 'none' ? undefined : q.favours;
  if (weak && stands && (weak.startsWith('hind') ? liftsHind : liftsFore)) {
    also.add('belly_support');
    reasons.push(reason('hold.favoured_leg', { weak: weak, strong: otherLeg(weak) }, 0.9));
  }
  if (q.favours === undefined && liftsHind && stands && hold === 'leg_folded') {
    also.add('belly_support');
    reasons.push(reason('hold.legs_not_looked', {}, 0.7));
  }
  if (weak?.startsWith('hind')) reasons.push(reason('hold.rear_first', {}, 0.5));
  if (liftsHind && hold === 'leg_folded' && (q.dog.weightKg >= BELLY_SUPPORT_FROM_KG || hasKind(q.kinds, 'sore_joints'))) {
    also.add('belly_support');
    reasons.push(reason('hold.belly_support', {}, 0.6));
  }
  if (q.reaches.includes('underside') && hold === 'foreleg_forward') {
    also.add('belly_support');
    if (!reasons.some((r) => r.rule === 'hold.belly_support')) reasons.push(reason('hold.belly_support', {}, 0.6));
  }
  const guard = guardHold(q);
  guard.also.forEach((h) => also.add(h));
  reasons.push(...guard.reasons);
  rejected.push(...guard.rejected);
  let needsHelper = guard.also.includes('helper');
  const heavy = hasKind(q.kinds, 'needs_two');
  if (heavy && liftsHind && !needsHelper) {
    needsHelper = true;
    reasons.push(reason('hold.heavy_helper', { kg: q.dog.weightKg }, 0.6));
  }
  if (heavy && q.reaches.includes('washing')) {
    needsHelper = true;
    reasons.push(reason('hold.heavy_lift', { kg: q.dog.weightKg }, 0.7));
  }
  if (q.reaches.includes('washing')) {
    const careful = hasKind(q.kinds, 'senior') || hasKind(q.kinds, 'sore_joints');
    if (q.dog.soreWhenLifted === true) {
      if (q.dog.weightKg >= TWO_LIFT_SORE_FROM_KG) needsHelper = true;
      reasons.push(reason('hold.sore_lifted', {}, 0.8));
    } else if (q.dog.soreWhenLifted === null && careful) reasons.push(reason('hold.lift_not_asked', {}, 0.5));
  }
  if (q.dog.conditions.includes('breath_head_up') && (q.reaches.includes('head') || q.reaches.includes('throat')))
    reasons.push(reason('hold.breath_head_low', {}, 0.9));
  if (needsHelper) also.add('helper');
  if (q.dog.nose === 'short' && hold === 'cupped_chin') reasons.push(reason('hold.short_nose_head_up', {}, 0.9));
  if (q.dog.conditions.includes('no_front_teeth') && q.reaches.includes('head')) reasons.push(reason('hold.tongue_without_teeth', {}, 0.7));
  if (q.dog.conditions.includes('blind') || q.dog.conditions.includes('deaf')) reasons.push(reason('hold.touch_before_move', {}, 0.8));
  if (reasons.length === 0) reasons.push(reason('hold.least_force', { hold }, 0.3));
  return {
    hold,
    also: [...also],
    forVet: guard.forVet,
    needsHelper,
    capMinutes: capFor(hold, q),
    reasons: byWeight(reasons),
    rejected,
  };
}

function capFor(hold: HoldId, q: HoldQuestion): number {
  const cap = HOLDS[hold].capMinutes;
  const heldStill = hasKind(q.kinds, 'puppy') && q.house.puppyStruggle === 'hold_still' && hold !== 'hand_resting';
  return heldStill ? Math.min(cap, PUPPY_HELD_STILL_MINUTES) : cap;
}

/** The least hold that reaches the place on a dog with nothing against it. */
function firstHold(q: HoldQuestion, reasons: Reason[], rejected: RejectedHold[]): HoldId {
  const puppy = hasKind(q.kinds, 'puppy');
  if (puppy) reasons.push(reason(q.house.puppyStruggle === 'hold_still' ? 'hold.puppy_hold_still' : 'hold.puppy_let_go', {}, 0.5));
  if (q.reaches.includes('nails')) return notFor('under_arm', q) === undefined ? 'under_arm' : 'leg_folded';
  if (q.reaches.includes('throat')) return throatHold(q, reasons, rejected);
  if (q.reaches.includes('head')) {
    if (puppy) {
      reasons.push(reason('hold.puppy_may_move', {}, 0.7));
      return 'behind_jaw';
    }
    if (q.dog.nose === 'short') {
      rejected.push({ hold: 'muzzle_steady', because: reason('hold.short_nose_no_grip', {}, 1) });
      return 'behind_jaw';
    }
    if (q.dog.conditions.includes('no_front_teeth') || q.dog.conditions.includes('bad_teeth'))
      rejected.push({ hold: 'muzzle_steady', because: reason('hold.teeth_no_grip', {}, 0.9) });
    return 'chin_hair';
  }
  if (q.reaches.includes('armpits')) return 'foreleg_forward';
  if (q.reaches.includes('hind_feet') || q.reaches.includes('fore_feet')) return 'leg_folded';
  if (q.reaches.includes('rear')) return 'tail_root';
  if (q.reaches.includes('underside')) return 'belly_support';
  return 'hand_resting';
}

/** Head up for seconds, or natural carriage with the skin drawn aside (house rule); a sore neck or short breath is never held up. */
function throatHold(q: HoldQuestion, reasons: Reason[], rejected: RejectedHold[]): HoldId {
  const neck = q.joints.neck ?? 'free';
  if (neck !== 'free') rejected.push({ hold: 'cupped_chin', because: reason('hold.sore_neck_not_up', {}, 1) });
  const breath = q.dog.conditions.includes('breath_head_up');
  if (breath) rejected.push({ hold: 'cupped_chin', because: reason('hold.breath_head_low', {}, 1) });
  if (q.house.throatLine === 'natural' || neck !== 'free' || breath) {
    reasons.push(reason('hold.throat_natural', {}, 0.7));
    return 'hand_resting';
  }
  reasons.push(reason('hold.throat_head_up', {}, 0.5));
  return 'cupped_chin';
}

/** Whether the dog can lie for a reach, so that it does not stand. */
function canLieFor(reaches: readonly Reach[]): boolean {
  return reaches.every((r) => LYING.includes(r));
}

function worstOf(joints: HoldQuestion['joints'], of: readonly Joint[]): { joint: Joint | undefined; comfort: JointComfort } {
  const painful = of.find((j) => joints[j] === 'painful');
  if (painful) return { joint: painful, comfort: 'painful' };
  const stiff = of.find((j) => joints[j] === 'stiff');
  return stiff ? { joint: stiff, comfort: 'stiff' } : { joint: undefined, comfort: 'free' };
}
