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
