import { byWeight, type HouseRules, type Reason, reason, type ZoneId } from '../../words/index.js';
import { type DogFacts, hasKind, isIll, type KindFound } from '../dogs/index.js';

export interface LoopQuestion {
  readonly dog: Pick<DogFacts, 'name' | 'nose' | 'conditions' | 'slipsCollar' | 'visitsBefore'>;
  readonly kinds: readonly KindFound[];
  readonly fighting: boolean;
  readonly house: HouseRules;
}

export interface LoopAdvice {
  /** Round the neck, round the chest, or none. */
  readonly loop: 'neck' | 'chest' | 'none';
  readonly reasons: readonly Reason[];
}

/**
 * Whether there is a loop and where: attended, quick release; round the chest for puppies, seniors, short noses, coughs and fits; never
 * round a throat that coughs, never on a dog that fights it.
 */
export function adviseLoop(q: LoopQuestion): LoopAdvice {
  const slips =
    q.dog.slipsCollar === true
      ? [reason('loop.slips_collar', { name: q.dog.name }, 0.85)]
      : q.dog.slipsCollar === null && q.dog.visitsBefore === 0
        ? [reason('loop.slips_not_asked', {}, 0.4)]
        : [];
  if (q.house.loop === 'never') return { loop: 'none', reasons: [...slips, reason('loop.house_never', {}, 0.6)] };
  if (q.fighting) return { loop: 'none', reasons: [...slips, reason('loop.not_fighting', {}, 1)] };
  const chest =
    hasKind(q.kinds, 'puppy') || hasKind(q.kinds, 'senior') || q.dog.nose === 'short' || q.dog.conditions.includes('cough') || isIll(q.dog);
  const always = reason('loop.attended', {}, 0.8);
  return {
    loop: chest ? 'chest' : 'neck',
    reasons: byWeight([always, ...slips, ...(chest ? [reason('loop.round_the_chest', {}, 0.9)] : [])]),
  };
}

/** A moment in which nothing holds the dog: it is known before it comes, and recorded. */
export interface GapWithoutHold {
  readonly zone: ZoneId;
  readonly because: Reason;
}

/** Longest gap without the loop, seconds. Our default. */
const GAP_SECONDS = 20;

/**
 * The moments of a step without a hold: the loop comes off while the neck is clipped and goes straight back.
 * @example gapsWithoutHold(['neck', 'back'], 'neck').length // => 1
 */
export function gapsWithoutHold(zones: readonly ZoneId[], loop: LoopAdvice['loop']): GapWithoutHold[] {
  const atNeck = loop === 'neck' ? (['neck', 'throat'] as const) : [];
  const atChest = loop === 'chest' ? (['chest', 'armpit_left', 'armpit_right'] as const) : [];
  return zones
    .filter((z) => [...atNeck, ...atChest].some((g) => g === z))
    .map((zone) => ({ zone, because: reason('loop.gap', { seconds: GAP_SECONDS }, 0.9) }));
}
