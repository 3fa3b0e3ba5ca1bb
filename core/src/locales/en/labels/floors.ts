import type { FloorId } from '../../../words/index.js';
export const FLOOR_LABELS: Readonly<Record<FloorId, string>> = {
  body_alarm_vet_now: 'A dog with a body alarm goes to a vet now.',
  no_tight_mat_brushed: 'No grade 3 or 4 mat is brushed out.',
  no_shears_under_tail_or_leather: 'No shears under the tail or against the ear leather.',
  no_blade_above_limit: 'No blade above 42 °C.',
  no_muzzle_without_breath: 'No muzzle on a short nose, on trouble with heart or breath, or on a wet dog.',
  no_pressure_on_throat: 'No pressure on a throat, no scruffing.',
  no_lifting_by_limb_or_tail: 'No lifting by limb or tail; no leg lifted over a sore joint.',
  never_alone: 'No dog is left alone on a table, in a tub, in a loop, in a muzzle or at a dryer.',
  no_heated_cage: 'No heated cage.',
  no_drug_no_diagnosis: 'No drug, dose or diagnosis from us.',
  stopping_always_allowed: 'Stopping is always allowed.',
  what_hurts_goes_to_a_vet: 'What hurts and had to stay goes to a vet within days.',
};
