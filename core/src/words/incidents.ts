/** Kinds of incident. `vetNow`: a vet (for a person: a doctor) is rung whatever it looks like. Common practice, no source. */
export const INCIDENTS = {
  clipper_burn: { vetNow: false },
  brush_burn: { vetNow: false },
  nick: { vetNow: false },
  laceration: { vetNow: true },
  ear_edge_cut: { vetNow: false },
  tongue_or_lip_cut: { vetNow: false },
  quicked_nail: { vetNow: false },
  eye: { vetNow: true },
  ear_haematoma: { vetNow: false },
  skin_infection: { vetNow: false },
  joint_or_muscle_strain: { vetNow: false },
  fall_or_jump: { vetNow: false },
  loop: { vetNow: false },
  overheating: { vetNow: true },
  water_inhaled: { vetNow: false },
  collapse_or_fit: { vetNow: true },
  bite_or_scratch_person: { vetNow: false },
  escape: { vetNow: false },
  found_on_arrival: { vetNow: false },
  near_miss: { vetNow: false },
} as const satisfies Record<string, { readonly vetNow: boolean }>;

export type IncidentKind = keyof typeof INCIDENTS;
const isIncident = (key: string): key is IncidentKind => key in INCIDENTS;
export const INCIDENT_KINDS: readonly IncidentKind[] = Object.keys(INCIDENTS).filter(isIncident);

/** Degree of harm, WHO International Classification for Patient Safety v1.1 (2009), from memory: none, mild, moderate, severe, death. */
export const HARM_DEGREES = ['none', 'mild', 'moderate', 'severe', 'death'] as const;

export type HarmDegree = (typeof HARM_DEGREES)[number];

/**
 * Levels of a bite by what it left: the assessment by I. Dunbar, from memory. 1 no tooth touched skin; 2 teeth touched, no puncture; 3 one to
 * four punctures of one bite, none deeper than half a canine tooth; 4 one at least deeper than that, or torn; 5 several bites of level 4; 6 death.
 */
export const BITE_LEVELS = [1, 2, 3, 4, 5, 6] as const;
export type BiteLevel = (typeof BITE_LEVELS)[number];

/** How a hurt place looked. */
export const INCIDENT_LOOKS = ['red', 'bleeding', 'open', 'blistered', 'swollen', 'bruised', 'nothing_seen'] as const;
export type IncidentLook = (typeof INCIDENT_LOOKS)[number];

/** What may have played a part. Offered where the log knows of it; the groomer says which did. Common practice, no source. */
export const INCIDENT_FACTORS = [
  'off_plan',
  'strain_rising',
  'after_hard_sign',
  'stood_long',
  'hold_long',
  'blade_warm',
  'blade_not_felt',
  'mat_there',
  'mark_there',
  'skin_not_sound',
  'late_in_visit',
  'alone',
  'moved',
  'noise',
  'hurried',
  'poor_view',
  'tool_fault',
] as const;
export type IncidentFactor = (typeof INCIDENT_FACTORS)[number];

/** WHO International Classification for Patient Safety v1.1 (2009), from memory: what reached nobody, what did no harm, what harmed. */
export const INCIDENT_CLASSES = ['reportable_circumstance', 'near_miss', 'no_harm_incident', 'harmful_incident', 'harm_not_said'] as const;
export type IncidentClass = (typeof INCIDENT_CLASSES)[number];
