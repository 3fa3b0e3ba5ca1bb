import type { HarmDegree, IncidentKind } from '../words/index.js';

export interface IncidentFacts {
  /** A vet (for a person: a doctor) is rung whatever it looks like. */
  readonly vetNow: boolean;
}

export const INCIDENTS: Readonly<Record<IncidentKind, IncidentFacts>> = {
  clipper_burn: {
    vetNow: false,
  },
  brush_burn: {
    vetNow: false,
  },
  nick: { vetNow: false },
  laceration: { vetNow: true },
  ear_edge_cut: {
    vetNow: false,
  },
  tongue_or_lip_cut: {
    vetNow: false,
  },
  quicked_nail: {
    vetNow: false,
  },
  eye: {
    vetNow: true,
  },
  ear_haematoma: {
    vetNow: false,
  },
  skin_infection: { vetNow: false },
  joint_or_muscle_strain: {
    vetNow: false,
  },
  fall_or_jump: {
    vetNow: false,
  },
  loop: {
    vetNow: false,
  },
  overheating: {
    vetNow: true,
  },
  water_inhaled: {
    vetNow: false,
  },
  collapse_or_fit: {
    vetNow: true,
  },
  bite_or_scratch_person: {
    vetNow: false,
  },
  escape: { vetNow: false },
  found_on_arrival: {
    vetNow: false,
  },
  near_miss: { vetNow: false },
};

/**
 * Whether a vet or doctor is needed now.
 * @example needsVetNow('nick', 'severe') // => true
 */
export function needsVetNow(kind: IncidentKind, harm: HarmDegree): boolean {
  return INCIDENTS[kind].vetNow || harm === 'severe' || harm === 'death';
}
