import { ageWeeks, hasKind, type KindFound, standingLimits } from '../knowledge/dogs/index.js';
import { chooseDryer, type DryerChoice } from '../knowledge/tools/index.js';
import { type Activity, type MatGrade, type Reason, reason } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import { competenceOf, movementOf } from './blade-for-step.js';
import type { PlanInput } from './plan-input.js';

/** How a step is done in this house on this dog, as far as it changes minutes and strain. */
export interface Manner {
  readonly minutesFactor: number;
  readonly rateFactor: number;
  readonly dryer: DryerChoice | undefined;
  readonly reasons: readonly Reason[];
}

/** A dog that stands for less than this cannot stand long, minutes. Our default. */
const SHORT_STANDER_MINUTES = 12;
/** Strain of a dryer against high velocity. Our default. */
const DRYER_RATE_FACTOR = { towel: 0.6, stand_dryer: 0.85, high_velocity_dryer: 1 } as const;
/** A hard face done short and quick by trained hands, or slowly throughout: minutes and strain. Our defaults. */
const HARD_FACE = { short_quick: { minutes: 0.8, rate: 1.1 }, slow: { minutes: 1.3, rate: 0.9 } } as const;
/** Plucking ears: minutes and strain against looking and wiping. Our default. */
const PLUCKING = { minutes: 1.6, rate: 1.4 } as const;

const PLAIN: Manner = { minutesFactor: 1, rateFactor: 1, dryer: undefined, reasons: [] };

/** The manner of a step: dryer, brush before the bath, pace on a hard face, ear hair. */
export function mannerOf(activity: Activity, input: PlanInput, kinds: readonly KindFound[]): Manner {
  if (activity === 'dry') return drying(input, kinds);
  if (activity === 'bath') return bathing(input, kinds);
  if (activity === 'face') return face(input, kinds);
  if (activity === 'ears') return ears(input);
  return PLAIN;
}

function drying(input: PlanInput, kinds: readonly KindFound[]): Manner {
  const worst = input.feelOver.zones.reduce<MatGrade>((worse, z) => (z.matGrade > worse ? z.matGrade : worse), 0);
  const dryer = chooseDryer({
    // Mats are out by then, or there is no bath: what is left of them does not decide.
    matGrade: worst >= 3 ? 2 : worst,
    skin: input.feelOver.zones.some((z) => z.skin !== 'sound') ? 'red' : 'sound',
    markHere: false,
    coat: input.dog.coat,
    movement: movementOf(input.feelOver.mood),
    competence: competenceOf(input.trained),
    kinds: kinds.map((k) => k.kind),
    conditions: input.dog.conditions,
    minds: input.dog.triggers.map((t) => t.cause),
    ageWeeks: ageWeeks(input.dog.born, input.today),
    vetAskedForPlucking: false,
    house: input.house,
  });
  const reasons: Reason[] = [];
  if (hasKind(kinds, 'short_nose')) reasons.push(reason('step.dry_cool_short_nose', {}, 0.8));
  else if (hasKind(kinds, 'senior')) reasons.push(reason('step.dry_senior', {}, 0.7));
  else if (input.dog.triggers.some((t) => t.cause === 'dryer')) reasons.push(reason('step.dry_towel_first', {}, 0.7));
  else reasons.push(reason(`step.dryer_${dryer.dryer === 'high_velocity_dryer' ? 'velocity' : 'gentle'}`, {}, 0.4));
  const rateFactor =
    dryer.dryer === 'towel' || dryer.dryer === 'stand_dryer' ? DRYER_RATE_FACTOR[dryer.dryer] : DRYER_RATE_FACTOR.high_velocity_dryer;
  return { minutesFactor: dryer.minutesFactor, rateFactor, dryer, reasons };
}

/** Whether the coat is brushed through before the bath: not for a dog that cannot stand long, where the house says so. */
export function brushedThrough(input: PlanInput, kinds: readonly KindFound[]): boolean {
  const { continuousMinutes } = standingLimits(input.dog, kinds, input.feelOver, input.today);
  return !(input.house.brushBeforeBath === 'not_short_standers' && continuousMinutes < SHORT_STANDER_MINUTES);
}

/** Whether this dog stands so short that what can be done lying is done lying. */
export function standsShort(input: PlanInput, kinds: readonly KindFound[]): boolean {
  return (
    standingLimits(input.dog, kinds, input.feelOver, input.today).continuousMinutes < SHORT_STANDER_MINUTES && !hasKind(kinds, 'puppy')
  );
}

function bathing(input: PlanInput, kinds: readonly KindFound[]): Manner {
  return brushedThrough(input, kinds)
    ? PLAIN
    : { ...PLAIN, reasons: [reason('step.no_brush_before_bath', { minutes: ACTIVITY_FACTS.brush_through.minutes }, 0.3)] };
}

function face(input: PlanInput, kinds: readonly KindFound[]): Manner {
  const facts = ACTIVITY_FACTS.face;
  const hard =
    ['tense', 'frantic'].includes(input.feelOver.mood) ||
    hasKind(kinds, 'bite_history') ||
    input.dog.triggers.some((t) => facts.causes.includes(t.cause) && (t.place === undefined || t.place === 'face'));
  if (!hard) return PLAIN;
  // Short and quick is for trained hands; others go slowly whatever the house says.
  const pace = input.house.hardFace === 'short_quick' && input.trained ? 'short_quick' : 'slow';
  return {
    ...PLAIN,
    minutesFactor: HARD_FACE[pace].minutes,
    rateFactor: HARD_FACE[pace].rate,
    reasons: [reason(pace === 'short_quick' ? 'step.face_short_quick' : 'step.face_slow', {}, 0.5)],
  };
}

function ears(input: PlanInput): Manner {
  const greasy = input.feelOver.looked?.grease === 'greasy';
  if (input.house.earHair === 'pluck' && !greasy && !input.dog.conditions.includes('ear_trouble'))
    return { ...PLAIN, minutesFactor: PLUCKING.minutes, rateFactor: PLUCKING.rate, reasons: [reason('step.ears_pluck', {}, 0.5)] };
  return { ...PLAIN, reasons: [reason(input.house.earHair === 'vet_asked' ? 'step.ears_vet' : 'step.ears_leave', {}, 0.3)] };
}
