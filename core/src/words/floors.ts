export const FLOOR_IDS = [
  'body_alarm_vet_now',
  'no_tight_mat_brushed',
  'no_shears_under_tail_or_leather',
  'no_blade_above_limit',
  'no_muzzle_without_breath',
  'no_pressure_on_throat',
  'no_lifting_by_limb_or_tail',
  'never_alone',
  'no_heated_cage',
  'no_drug_no_diagnosis',
  'stopping_always_allowed',
  'what_hurts_goes_to_a_vet',
] as const;

/** What no house rule lowers. */
export type FloorId = (typeof FLOOR_IDS)[number];
