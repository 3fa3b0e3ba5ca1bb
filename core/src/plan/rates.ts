import { findingIn } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { hasKind, type KindFound, resentedZones } from '../knowledge/dogs/index.js';
import { type DogFactor, kindThatCounts, learnDog, learnRate, type PooledWork, shiftOf } from '../strain/index.js';
import { type Activity, type JointComfort, type Reason, reason, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, isForEase, isMatWork, jointsOf, reachOf } from '../work/index.js';
import type { PlanInput } from './plan-input.js';

export interface StepRate {
  /** Points per minute, middle and 90 % interval. */
  readonly mean: number;
  /** The middle without what ails the dog today: what is learned of. */
  readonly lasting: number;
  readonly interval: readonly [number, number];
  /** What dogs of its kind have without what ails it today, before anything of this dog was seen. */
  readonly kindLasting: number;
  /** What dogs of its kind have, today's ailments included, before anything of this dog was seen. */
  readonly ofItsKind: number;
  /** Shape of the gamma distribution that the rate is known by: the higher, the surer. */
  readonly shape: number;
  readonly triggered: boolean;
  /** A known trigger, or a place where it minds a hand: neither first nor last, and never called easy. */
  readonly minded: boolean;
  /** It hurts: a painful joint must move, or skin and mats hurt. */
  readonly painful: boolean;
  /** What hurts most in it. */
  readonly painfulBy: 'joint' | 'skin' | 'mat' | 'nails' | undefined;
  readonly reasons: readonly Reason[];
}

/** Factors on the strain of a step. Our defaults, until this dog's own minutes outweigh them. */
const RATE_FACTORS = {
  puppy: 1.25,
  senior: 1.15,
  reactive: 1.2,
  firstVisit: 1.2,
  trigger: 1.8,
  resented: 1.4,
  strangers: 1.15,
  biteHistory: 1.1,
  stiffJoint: 1.3,
  painfulJoint: 1.8,
  redSkin: 1.25,
  soreSkin: 1.6,
  tense: 1.2,
  frantic: 1.4,
  shutDown: 1.2,
  tiredOut: 1.15,
  tightMats: 1.15,
} as const;

/** Growth of strain per minute of work already done. Our default: tired dogs get worse, the very young and old sooner. */
export function fatiguePerMinute(kinds: readonly KindFound[]): number {
  if (hasKind(kinds, 'puppy')) return 0.02;
  return hasKind(kinds, 'senior') ? 0.008 : 0.004;
}

/**
 * Strain per minute of a step for this dog today: the table's rate, times factors with their reasons, then what the visits of this dog
 * say of it. The day's factors (joints, skin, mood) act on top of it.
 */
export function stepRate(
  activity: Activity,
  zones: readonly ZoneId[],
  input: PlanInput,
  kinds: readonly KindFound[],
  zoneFactor: number,
  skin: 'sound' | 'red' | 'sore',
): StepRate {
  const facts = ACTIVITY_FACTS[activity];
  const groups = zones.map((z) => zoneFacts(z).group);
  // Where hands must take hold, being held is part of it.
  const isHeld = zones.some((z) => !['body', 'washing'].includes(reachOf(activity, z)));
  const reasons: Reason[] = [];
  let lasting = facts.ratePerMinute * zoneFactor;
  let today = 1;
  const times = (factor: number, because: Reason, lasts = true): void => {
    if (lasts) lasting *= factor;
    else today *= factor;
    reasons.push(because);
  };
  if (hasKind(kinds, 'puppy')) times(RATE_FACTORS.puppy, reason('rate.puppy', { factor: RATE_FACTORS.puppy }, 0.4));
  if (hasKind(kinds, 'senior')) times(RATE_FACTORS.senior, reason('rate.senior', { factor: RATE_FACTORS.senior }, 0.3));
  if (hasKind(kinds, 'first_visit')) times(RATE_FACTORS.firstVisit, reason('rate.first_visit', { factor: RATE_FACTORS.firstVisit }, 0.4));
  if (hasKind(kinds, 'bite_history'))
    times(RATE_FACTORS.biteHistory, reason('rate.bite_history', { factor: RATE_FACTORS.biteHistory }, 0.4));
  const trigger = input.dog.triggers.find(
    (t) => (facts.causes.includes(t.cause) || (t.cause === 'held' && isHeld)) && (t.place === undefined || groups.includes(t.place)),
  );
  if (trigger) times(RATE_FACTORS.trigger, reason('rate.trigger', { cause: trigger.cause, factor: RATE_FACTORS.trigger }, 0.8));
  const resented = isForEase(activity) || facts.bath ? undefined : zones.find((z) => resentedZones(input.dog, input.feelOver).has(z));
  if (resented && !trigger) times(RATE_FACTORS.resented, reason('rate.resented', { zone: resented, factor: RATE_FACTORS.resented }, 0.7));
  else if (!trigger && hasKind(kinds, 'reactive'))
    times(RATE_FACTORS.reactive, reason('rate.reactive', { factor: RATE_FACTORS.reactive }, 0.3));
  if (input.dog.triggers.some((t) => t.cause === 'strangers'))
    times(RATE_FACTORS.strangers, reason('rate.strangers', { factor: RATE_FACTORS.strangers }, 0.3));

  const joints = zones.flatMap((z) => jointsOf(activity, z));
  const moved = joints.find((j) => input.feelOver.joints[j] === 'painful') ?? joints.find((j) => input.feelOver.joints[j] === 'stiff');
  const comfort = moved ? input.feelOver.joints[moved] : undefined;
  if (moved && comfort === 'painful')
    times(RATE_FACTORS.painfulJoint, reason('rate.painful_joint', { joint: moved, factor: RATE_FACTORS.painfulJoint }, 0.8), false);
  if (moved && comfort === 'stiff')
    times(RATE_FACTORS.stiffJoint, reason('rate.stiff_joint', { joint: moved, factor: RATE_FACTORS.stiffJoint }, 0.6), false);
  if (skin === 'red') times(RATE_FACTORS.redSkin, reason('rate.red_skin', { factor: RATE_FACTORS.redSkin }, 0.5), false);
  if (skin === 'sore') times(RATE_FACTORS.soreSkin, reason('rate.sore_skin', { factor: RATE_FACTORS.soreSkin }, 0.7), false);
  const mood = MOOD_FACTOR[input.feelOver.mood];
  if (mood) times(mood, reason('rate.mood', { mood: input.feelOver.mood, factor: mood }, 0.4), false);

  const pool = input.pool ?? NOBODY;
  const ownKind = kindThatCounts(
    kinds.map((k) => k.kind),
    input.kindPool ?? [],
  );
  const dog = dogOf(input, shiftOf(pool) + (ownKind?.shift ?? 0));
  const learned = learnRate({ work: activity, priorPerMinute: lasting }, input.evidence, dog, pool);
  const pooled = pool.find((p) => p.work === activity);
  if (pooled && Math.abs(pooled.shift) >= WORTH_TELLING)
    reasons.push(reason('rate.salon', { factor: Math.exp(pooled.shift), count: pooled.dogs, percent: 100 * pooled.counts }, 0.5));
  if (ownKind && Math.abs(ownKind.shift) >= WORTH_TELLING)
    reasons.push(
      reason(
        'rate.salon_kind',
        { dog_kind: ownKind.kind, factor: Math.exp(ownKind.shift), count: ownKind.dogs, percent: 100 * ownKind.counts },
        0.5,
      ),
    );
  if (dog.visits > 0 && Math.abs(dog.middle) >= WORTH_TELLING)
    reasons.push(reason('rate.dog', { factor: Math.exp(dog.middle), visits: dog.visits }, 0.6));
  if (learned.visits > 0) reasons.push(...learned.reasons);
  const [low, high] = learned.interval90;
  const painfulBy = whatHurts(activity, zones, input, comfort, skin);
  return {
    mean: learned.mean * today,
    lasting: learned.mean,
    kindLasting: lasting,
    ofItsKind: lasting * today,
    interval: [low * today, high * today],
    shape: learned.shape,
    triggered: trigger !== undefined,
    minded: trigger !== undefined || resented !== undefined,
    painful: painfulBy !== undefined,
    painfulBy,
    reasons,
  };
}

/** A dog whose rates differ from its kind's by less is like others: logarithm. Our default, about a tenth. */
const WORTH_TELLING = 0.1;
/** A plan asks of one dog at each of its pieces. */
type OfOneDog = Pick<PlanInput, 'wholeVisits' | 'breaks'> & { readonly usual: number };
const dogs = new WeakMap<OfOneDog['wholeVisits'], { readonly asked: OfOneDog; readonly dog: DogFactor }>();
/** A salon of which nothing is known yet. */
const NOBODY: readonly PooledWork[] = [];
function dogOf({ wholeVisits, breaks }: PlanInput, usual: number): DogFactor {
  const known = dogs.get(wholeVisits);
  if (known?.asked.breaks === breaks && known.asked.usual === usual) return known.dog;
  const dog = learnDog(wholeVisits, breaks, usual);
  dogs.set(wholeVisits, { asked: { wholeVisits, breaks, usual }, dog });
  return dog;
}

/** Minutes that hurt: tight mats, red or sore skin, nails that press, splitting where skin is thin, a joint that cannot go along. */
function whatHurts(
  activity: Activity,
  zones: readonly ZoneId[],
  input: PlanInput,
  comfort: JointComfort | undefined,
  skin: 'sound' | 'red' | 'sore',
): StepRate['painfulBy'] {
  if (isForEase(activity)) return undefined;
  if (comfort === 'painful') return 'joint';
  if (skin !== 'sound') return 'skin';
  if (isMatWork(activity)) {
    const grade = Math.max(...zones.map((z) => findingIn(input.feelOver, z).matGrade));
    if (grade >= 3 || (grade === 2 && zones.some((z) => zoneFacts(z).closeToothOnly))) return 'mat';
  }
  if (activity === 'nails' && input.feelOver.looked?.nails === 'grown_in') return 'nails';
  return comfort === 'stiff' && (activity === 'nails' || activity === 'feet') ? 'joint' : undefined;
}

const MOOD_FACTOR: Readonly<Partial<Record<PlanInput['feelOver']['mood'], number>>> = {
  tense: RATE_FACTORS.tense,
  frantic: RATE_FACTORS.frantic,
  shut_down: RATE_FACTORS.shutDown,
  tired_out: RATE_FACTORS.tiredOut,
};
