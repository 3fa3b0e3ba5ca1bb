import { type FeelOver, findingIn } from '../../findings/index.js';
import {
  type Activity,
  type FitVerdict,
  type FloorId,
  type HoldId,
  type LearnedTool,
  type Post,
  type Reason,
  reason,
  type StepName,
  type ZoneId,
} from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';

/** The least that is asked of a step to hold it against the floors. */
export interface FloorStep {
  readonly activity: Activity;
  readonly name: StepName;
  readonly zones: readonly ZoneId[];
  readonly tool: LearnedTool;
  /** Where such work is done, wherever this dog lies for it. */
  readonly workPost: Post;
  readonly hold: { readonly hold: HoldId; readonly also: readonly HoldId[] };
}

export interface FloorCheck {
  readonly steps: readonly FloorStep[];
  readonly notToday: readonly {
    readonly to: 'vet' | 'another_visit' | 'left';
    readonly zones: readonly string[];
    readonly reasons: readonly Reason[];
  }[];
  readonly dog: Pick<DogFacts, 'nose' | 'conditions'>;
  readonly feelOver: FeelOver;
  readonly fit: FitVerdict;
}

export interface FloorBreach {
  readonly floor: FloorId;
  /** The step that breaks it, or the zone that was forgotten. */
  readonly step: Activity | undefined;
  readonly zone: ZoneId | undefined;
  readonly because: Reason;
}

/**
 * What in a plan breaks a floor. A second look that shares no code with the rules that made the steps: they are meant to leave it
 * nothing to find, and a step that breaks one is taken out.
 * @returns nothing for a sound plan
 */
export function findFloorBreaches(plan: FloorCheck): FloorBreach[] {
  const found: FloorBreach[] = [];
  const breach = (floor: FloorId, step?: FloorStep, zone?: ZoneId): void => {
    found.push({ floor, step: step?.activity, zone, because: reason('floor.broken', { floor, step: step?.name, zone }, 1) });
  };
  const held = plan.fit === 'not_today' || plan.fit === 'ask_vet';
  const breathless = plan.dog.nose === 'short' || plan.dog.conditions.some((c) => c === 'heart' || c === 'airway');
  for (const step of plan.steps) {
    if (held) breach('body_alarm_vet_now', step);
    const grades = step.zones.map((z) => findingIn(plan.feelOver, z).matGrade);
    if (step.tool === 'brush' && grades.some((g) => g >= 3)) breach('no_tight_mat_brushed', step);
    if (step.tool === 'shears' && step.zones.some((z) => z === 'anus' || z.startsWith('ear_leather')))
      breach('no_shears_under_tail_or_leather', step);
    if (step.hold.also.includes('muzzle') && (breathless || step.workPost !== 'table')) breach('no_muzzle_without_breath', step);
    const sore = Object.entries(plan.feelOver.joints).some(([j, c]) => c === 'painful' && (j.startsWith('hip') || j.startsWith('knee')));
    if (sore && step.hold.hold === 'leg_folded' && (step.activity === 'nails' || step.activity === 'feet'))
      breach('no_lifting_by_limb_or_tail', step);
  }
  for (const zone of plan.feelOver.zones.filter((z) => z.skin === 'sore')) {
    const told = plan.notToday.some((n) => n.to === 'vet' && n.zones.includes(zone.zone));
    if (!held && !told) breach('what_hurts_goes_to_a_vet', undefined, zone.zone);
  }
  return found;
}
