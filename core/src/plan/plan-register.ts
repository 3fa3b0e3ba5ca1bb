import { findingIn } from '../findings/index.js';
import { familyOf } from '../knowledge/blades/index.js';
import type { KindFound } from '../knowledge/dogs/index.js';
import { type ControlledWork, hazardRegister, hazardsByPlace, type HazardSeen, type RegisterRow } from '../knowledge/hazards/index.js';
import type { LoopAdvice } from '../knowledge/holds/index.js';
import type { ControlId, ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import { competenceOf, movementOf } from './blade-for-step.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanInput } from './plan-input.js';

/** A step as the register needs it: built, with the breaks that the plan gives it. */
export type RegisterStep = BuiltStep & { readonly breaks: readonly unknown[] };

/**
 * The hazard register of a plan: what can happen in its steps, before the controls that the plan has chosen and after them.
 * @param seen the salon's own count, if there is one
 */
export function planRegister(
  steps: readonly RegisterStep[],
  input: PlanInput,
  kinds: readonly KindFound[],
  loop: LoopAdvice,
  seen: readonly HazardSeen[] = [],
): RegisterRow[] {
  return hazardRegister(
    steps.flatMap((s) => worksOf(s, steps, input, kinds, loop)),
    seen,
  );
}

/** The register place by place: for a map of what can happen where. */
export function registerByPlace(
  plan: { readonly steps: readonly RegisterStep[]; readonly kinds: readonly KindFound[]; readonly loop: LoopAdvice },
  input: PlanInput,
): RegisterRow[] {
  return hazardsByPlace(plan.steps.flatMap((s) => worksOf(s, plan.steps, input, plan.kinds, plan.loop)));
}

function worksOf(
  step: RegisterStep,
  all: readonly RegisterStep[],
  input: PlanInput,
  kinds: readonly KindFound[],
  loop: LoopAdvice,
): ControlledWork[] {
  const whole = step.pieces.reduce((sum, p) => sum + p.minutes, 0);
  const places = step.pieces.flatMap((piece) => {
    const zones = piece.zones.filter((z) => findingIn(input.feelOver, z).skin !== 'sore');
    return zones.map((zone) => ({ zone, piece, minutes: (step.minutes * piece.minutes) / whole / zones.length }));
  });
  return places.map(({ zone, piece, minutes }) => ({
    work: {
      zone,
      tool: ACTIVITY_FACTS[step.activity].tool,
      minutes,
      matGrade: findingIn(input.feelOver, zone).matGrade,
      skin: findingIn(input.feelOver, zone).skin,
      markHere: input.feelOver.marks.some((m) => m.zone === zone),
      movement: movementOf(input.feelOver.mood),
      competence: competenceOf(input.trained),
      kinds: kinds.map((k) => k.kind),
      painful: piece.rate.painful,
      triggered: piece.rate.triggered,
      roomCelsius: input.roomCelsius,
    },
    controls: controlsOf(step, zone, all, input, loop),
  }));
}

/** The controls that a plan puts on a step, read from its hold, blade, dryer, breaks and neighbours. */
function controlsOf(step: RegisterStep, zone: ZoneId, all: readonly RegisterStep[], input: PlanInput, loop: LoopAdvice): ControlId[] {
  const out: ControlId[] = ['doors_shut', 'gauze_ready'];
  const { blade, hold, dryer } = step;
  if (blade?.guard) out.push('guard_comb');
  else if (blade?.blade && familyOf(blade.blade) === 'close_teeth') out.push('close_teeth');
  if (blade?.blade) out.push('wrist_check', 'finger_first');
  if (hold.also.includes('muzzle')) out.push('muzzle');
  if (hold.also.includes('helper')) out.push('helper');
  if (hold.also.includes('belly_support') || hold.hold === 'belly_support') out.push('belly_support');
  if (hold.hold === 'lap_or_side' || hold.hold === 'under_arm') out.push('lies_down');
  else if (loop.loop !== 'none' && step.post === 'table') out.push('loop_attended');
  if (step.breaks.length > 0) out.push('breaks');
  if (step.activity === 'nails' && input.dog.conditions.includes('blood_thinner')) out.push('grinder');
  if (step.activity === 'bath' || step.activity === 'bath_head') out.push('head_kept_dry');
  if (dryer && dryer.dryer !== 'high_velocity_dryer') out.push('gentle_dryer');
  if (dryer?.air === 'cool') out.push('cool_air');
  if (zone.startsWith('ear_leather') && findingIn(input.feelOver, zone).matGrade >= 2) out.push('ear_watched');
  if (step.activity === 'face' && all.some((s) => s.activity === 'soak')) out.push('crust_soaked');
  return out;
}
