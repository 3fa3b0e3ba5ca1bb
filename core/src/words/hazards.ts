import type { IncidentKind } from './incidents.js';
export const HAZARD_IDS = [
  'clipper_burn',
  'brush_burn',
  'nick',
  'laceration',
  'ear_edge_cut',
  'tongue_or_lip_cut',
  'quicked_nail',
  'eye',
  'ear_haematoma',
  'joint_or_muscle_strain',
  'fall_or_jump',
  'loop',
  'overheating',
  'water_inhaled',
  'bite_or_scratch_person',
  'escape',
] as const satisfies readonly IncidentKind[];

/** What can happen in a step: the kinds of incident that work itself can cause. */
export type HazardId = (typeof HAZARD_IDS)[number];

export const CONTROL_LEVELS = ['eliminate', 'substitute', 'engineer', 'administer', 'protect'] as const;

/** The hierarchy of controls, from what works best (NIOSH, from memory): take the hazard away, take something safer, put something between, do it another way, protect. */
export type ControlLevel = (typeof CONTROL_LEVELS)[number];

export const CONTROL_IDS = [
  'leave_out',
  'vet_does_it',
  'close_teeth',
  'grinder',
  'gentle_dryer',
  'cool_air',
  'guard_comb',
  'muzzle',
  'loop_attended',
  'lies_down',
  'belly_support',
  'wrist_check',
  'crust_soaked',
  'finger_first',
  'breaks',
  'helper',
  'doors_shut',
  'head_kept_dry',
  'ear_watched',
  'gauze_ready',
] as const;

export type ControlId = (typeof CONTROL_IDS)[number];

export const RISK_BANDS = ['low', 'moderate', 'high', 'extreme'] as const;

/** Bands of a 5 × 5 grid: 1–3 low, 4–6 moderate, 8–12 high, 15–25 extreme (NPSA 2008 for the NHS, from memory; IEC 31010 fixes none). */
export type RiskBand = (typeof RISK_BANDS)[number];
