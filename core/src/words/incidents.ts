export const INCIDENT_KINDS = [
  'clipper_burn',
  'brush_burn',
  'nick',
  'laceration',
  'ear_edge_cut',
  'tongue_or_lip_cut',
  'quicked_nail',
  'eye',
  'ear_haematoma',
  'skin_infection',
  'joint_or_muscle_strain',
  'fall_or_jump',
  'loop',
  'overheating',
  'water_inhaled',
  'collapse_or_fit',
  'bite_or_scratch_person',
  'escape',
  'found_on_arrival',
  'near_miss',
] as const;

export type IncidentKind = (typeof INCIDENT_KINDS)[number];

/** Degree of harm, WHO International Classification for Patient Safety v1.1 (2009), from memory: none, mild, moderate, severe, death. */
export const HARM_DEGREES = ['none', 'mild', 'moderate', 'severe', 'death'] as const;

export type HarmDegree = (typeof HARM_DEGREES)[number];
