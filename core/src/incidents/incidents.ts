import type { HarmDegree, IncidentKind } from '../words/index.js';
export const HARM_LABELS: Readonly<Record<HarmDegree, string>> = {
  none: 'no harm',
  mild: 'mild: heals by itself',
  moderate: 'moderate: needs care',
  severe: 'severe: a vet or doctor at once',
  death: 'death',
};

export interface IncidentFacts {
  readonly label: string;
  /** What to do at once, in order. Common practice, no source. */
  readonly atOnce: readonly string[];
  /** A vet (for a person: a doctor) is rung whatever it looks like. */
  readonly vetNow: boolean;
}

const PRESS = 'Press with clean gauze for 5 min without lifting it, twice at most.';
const STILL_BLEEDS = 'Spurting, deep, gaping, or still bleeding after that: vet now.';

export const INCIDENTS: Readonly<Record<IncidentKind, IncidentFacts>> = {
  clipper_burn: {
    label: 'clipper burn',
    atOnce: ['Blade off and away.', 'Cool the skin with a damp, cool cloth.', 'No product on it that a vet has not named.'],
    vetNow: false,
  },
  brush_burn: {
    label: 'brush burn',
    atOnce: ['Stop brushing there.', 'Cool the skin with a damp, cool cloth.', 'Leave the place in peace today.'],
    vetNow: false,
  },
  nick: { label: 'nick', atOnce: [PRESS, STILL_BLEEDS], vetNow: false },
  laceration: { label: 'laceration', atOnce: [PRESS, 'Keep it covered and ring the vet.'], vetNow: true },
  ear_edge_cut: {
    label: 'cut on the edge of the ear',
    atOnce: ['Fold the ear flat on the head and press with gauze for 5 min: shaking opens it again.', STILL_BLEEDS],
    vetNow: false,
  },
  tongue_or_lip_cut: {
    label: 'cut on tongue or lip',
    atOnce: ['Let go of the head and leave the dog in peace: most stop.', 'Look again after 5 min. Still bleeding: vet now.'],
    vetNow: false,
  },
  quicked_nail: {
    label: 'quicked nail',
    atOnce: ['Styptic on the nail (only on nails), press.', 'Keep the dog off rough ground until it is dry.'],
    vetNow: false,
  },
  eye: {
    label: 'eye hurt or irritated',
    atOnce: ['Rinse hair out with plain saline, nothing else.', 'No rubbing, no pressure. Vet now.'],
    vetNow: true,
  },
  ear_haematoma: {
    label: 'ear fills with blood after mats',
    atOnce: ['Cover the ear so that it is not shaken.', 'Show it to a vet today.'],
    vetNow: false,
  },
  skin_infection: { label: 'skin infection after the visit', atOnce: ['Write what the owner sees.', 'This is for a vet.'], vetNow: false },
  joint_or_muscle_strain: {
    label: 'joint or muscle strain',
    atOnce: ['Let go, let it lie.', 'Does not take weight, or cries: vet today.'],
    vetNow: false,
  },
  fall_or_jump: {
    label: 'fall or jump',
    atOnce: ['Keep it still, look at legs, head and breath.', 'Limping, dull, or from a height: vet now.'],
    vetNow: false,
  },
  loop: {
    label: 'loop incident',
    atOnce: ['Release the loop, lift the body, not the neck.', 'Cough, noisy breath, or it was out: vet now.'],
    vetNow: false,
  },
  overheating: {
    label: 'overheating',
    atOnce: ['Dryer off, cool place, wet it with cool water, moving air.', 'Cool first, then go: vet now.'],
    vetNow: true,
  },
  water_inhaled: {
    label: 'water inhaled',
    atOnce: ['Head low, let it cough.', 'Laboured breath or a cough that stays: vet now.'],
    vetNow: false,
  },
  collapse_or_fit: {
    label: 'collapse or fit',
    atOnce: ['Clear the space, nothing into the mouth, note the time.', 'Vet now.'],
    vetNow: true,
  },
  bite_or_scratch_person: {
    label: 'bite or scratch to a person',
    atOnce: [
      'Dog safe, then wash the wound for 5 min under running water.',
      'Punctures are for a doctor, today. Local law on bites and rabies comes first.',
    ],
    vetNow: false,
  },
  escape: { label: 'escape', atOnce: ['Shut the doors, nobody runs after it.', 'Ring the owner now.'], vetNow: false },
  found_on_arrival: {
    label: 'found on arrival (not ours)',
    atOnce: ['Show it to the owner before any work, photograph it.'],
    vetNow: false,
  },
  near_miss: { label: 'near miss', atOnce: ['Write what nearly happened and what stopped it.'], vetNow: false },
};

/**
 * Whether a vet or doctor is needed now.
 * @example needsVetNow('nick', 'severe') // => true
 */
export function needsVetNow(kind: IncidentKind, harm: HarmDegree): boolean {
  return INCIDENTS[kind].vetNow || harm === 'severe' || harm === 'death';
}
