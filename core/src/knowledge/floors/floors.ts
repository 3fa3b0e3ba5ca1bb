import { type FeelOver, findingIn } from '../../findings/index.js';
import type { BuiltStep } from '../../plan/index.js';
import { type Reason, reason } from '../../reasons/index.js';
import type { Activity, FitVerdict, FloorId, ZoneId } from '../../words/index.js';
import { ACTIVITY_FACTS } from '../../work/index.js';
import { zoneLabel } from '../anatomy/index.js';
import type { DogFacts } from '../dogs/index.js';
import { NEVER_ABOVE_CELSIUS } from '../heat/index.js';

export const FLOORS: Readonly<Record<FloorId, string>> = {
  body_alarm_vet_now: 'A dog with a body alarm goes to a vet now.',
  no_tight_mat_brushed: 'No grade 3 or 4 mat is brushed out.',
  no_shears_under_tail_or_leather: 'No shears under the tail or against the ear leather.',
  no_blade_above_limit: `No blade above ${NEVER_ABOVE_CELSIUS} °C.`,
  no_muzzle_without_breath: 'No muzzle on a short nose, on trouble with heart or breath, or on a wet dog.',
  no_pressure_on_throat: 'No pressure on a throat, no scruffing.',
  no_lifting_by_limb_or_tail: 'No lifting by limb or tail; no leg lifted over a sore joint.',
  never_alone: 'No dog is left alone on a table, in a tub, in a loop, in a muzzle or at a dryer.',
  no_heated_cage: 'No heated cage.',
  no_drug_no_diagnosis: 'No drug, dose or diagnosis from us.',
  stopping_always_allowed: 'Stopping is always allowed.',
  what_hurts_goes_to_a_vet: 'What hurts and had to stay goes to a vet within days.',
};

export interface FloorCheck {
  readonly steps: readonly BuiltStep[];
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
  const breach = (floor: FloorId, what: string, step?: Activity, zone?: ZoneId): void => {
    found.push({ floor, step, zone, because: reason('floor.broken', { floor: FLOORS[floor], what }, 1) });
  };
  const held = plan.fit === 'not_today' || plan.fit === 'ask_vet';
  const breathless = plan.dog.nose === 'short' || plan.dog.conditions.some((c) => c === 'heart' || c === 'airway');
  for (const step of plan.steps) {
    if (held) breach('body_alarm_vet_now', step.label, step.activity);
    const tool = ACTIVITY_FACTS[step.activity].tool;
    const grades = step.zones.map((z) => findingIn(plan.feelOver, z).matGrade);
    if (tool === 'brush' && grades.some((g) => g >= 3)) breach('no_tight_mat_brushed', step.label, step.activity);
    if (tool === 'shears' && step.zones.some((z) => z === 'anus' || z.startsWith('ear_leather')))
      breach('no_shears_under_tail_or_leather', step.label, step.activity);
    if (step.hold.also.includes('muzzle') && (breathless || ACTIVITY_FACTS[step.activity].post !== 'table'))
      breach('no_muzzle_without_breath', step.label, step.activity);
    const sore = Object.entries(plan.feelOver.joints).some(([j, c]) => c === 'painful' && (j.startsWith('hip') || j.startsWith('knee')));
    if (sore && step.hold.hold === 'leg_folded' && (step.activity === 'nails' || step.activity === 'feet'))
      breach('no_lifting_by_limb_or_tail', step.label, step.activity);
  }
  for (const zone of plan.feelOver.zones.filter((z) => z.skin === 'sore')) {
    const told = plan.notToday.some((n) => n.to === 'vet' && n.zones.includes(zone.zone));
    if (!held && !told) breach('what_hurts_goes_to_a_vet', zoneLabel(zone.zone), undefined, zone.zone);
  }
  return found;
}
