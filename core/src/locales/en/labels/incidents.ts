import type { BiteLevel, HarmDegree, IncidentClass, IncidentFactor, IncidentKind, IncidentLook, RiskBand } from '../../../words/index.js';

const PRESS = 'Press with clean gauze for 5 min without lifting it, twice at most.';
const STILL_BLEEDS = 'Spurting, deep, gaping, or still bleeding after that: vet now.';

export const HARM_LABELS: Readonly<Record<HarmDegree, string>> = {
  none: 'no harm',
  mild: 'mild: heals by itself',
  moderate: 'moderate: needs care',
  severe: 'severe: a vet or doctor at once',
  death: 'death',
};

export const INCIDENT_LABELS: Readonly<Record<IncidentKind, string>> = {
  clipper_burn: 'clipper burn',
  brush_burn: 'brush burn',
  nick: 'nick',
  laceration: 'laceration',
  ear_edge_cut: 'cut on the edge of the ear',
  tongue_or_lip_cut: 'cut on tongue or lip',
  quicked_nail: 'quicked nail',
  eye: 'eye hurt or irritated',
  ear_haematoma: 'ear fills with blood after mats',
  skin_infection: 'skin infection after the visit',
  joint_or_muscle_strain: 'joint or muscle strain',
  fall_or_jump: 'fall or jump',
  loop: 'loop incident',
  overheating: 'overheating',
  water_inhaled: 'water inhaled',
  collapse_or_fit: 'collapse or fit',
  bite_or_scratch_person: 'bite or scratch to a person',
  escape: 'escape',
  found_on_arrival: 'found on arrival (not ours)',
  near_miss: 'near miss',
};

/** What to do at once, in order. Common practice, no source. */
export const INCIDENT_AT_ONCE: Readonly<Record<IncidentKind, readonly string[]>> = {
  clipper_burn: ['Blade off and away.', 'Cool the skin with a damp, cool cloth.', 'No product on it that a vet has not named.'],
  brush_burn: ['Stop brushing there.', 'Cool the skin with a damp, cool cloth.', 'Leave the place in peace today.'],
  nick: [PRESS, STILL_BLEEDS],
  laceration: [PRESS, 'Keep it covered and ring the vet.'],
  ear_edge_cut: ['Fold the ear flat on the head and press with gauze for 5 min: shaking opens it again.', STILL_BLEEDS],
  tongue_or_lip_cut: ['Let go of the head and leave the dog in peace: most stop.', 'Look again after 5 min. Still bleeding: vet now.'],
  quicked_nail: ['Styptic on the nail (only on nails), press.', 'Keep the dog off rough ground until it is dry.'],
  eye: ['Rinse hair out with plain saline, nothing else.', 'No rubbing, no pressure. Vet now.'],
  ear_haematoma: ['Cover the ear so that it is not shaken.', 'Show it to a vet today.'],
  skin_infection: ['Write what the owner sees.', 'This is for a vet.'],
  joint_or_muscle_strain: ['Let go, let it lie.', 'Does not take weight, or cries: vet today.'],
  fall_or_jump: ['Keep it still, look at legs, head and breath.', 'Limping, dull, or from a height: vet now.'],
  loop: ['Release the loop, lift the body, not the neck.', 'Cough, noisy breath, or it was out: vet now.'],
  overheating: ['Dryer off, cool place, wet it with cool water, moving air.', 'Cool first, then go: vet now.'],
  water_inhaled: ['Head low, let it cough.', 'Laboured breath or a cough that stays: vet now.'],
  collapse_or_fit: ['Clear the space, nothing into the mouth, note the time.', 'Vet now.'],
  bite_or_scratch_person: [
    'Dog safe, then wash the wound for 15 min with soap and running water.',
    'Punctures are for a doctor, today. Local law on bites and rabies comes first.',
  ],
  escape: ['Shut the doors, nobody runs after it.', 'Ring the owner now.'],
  found_on_arrival: ['Show it to the owner before any work, photograph it.'],
  near_miss: ['Write what nearly happened and what stopped it.'],
};

export const RISK_LABELS: Readonly<Record<RiskBand, string>> = { low: 'low', moderate: 'moderate', high: 'high', extreme: 'extreme' };

/** What the WHO calls each class, in plain words. */
export const INCIDENT_CLASS_LABELS: Readonly<Record<IncidentClass, string>> = {
  reportable_circumstance: 'a circumstance that is reported',
  near_miss: 'a near miss: it reached nobody',
  no_harm_incident: 'an incident without harm',
  harmful_incident: 'an incident with harm',
  harm_not_said: 'an incident; how bad it is was not said yet',
};

export const INCIDENT_FACTOR_LABELS: Readonly<Record<IncidentFactor, string>> = {
  off_plan: 'another hold, blade or step than planned',
  strain_rising: 'the dog was already uneasy',
  after_hard_sign: 'after a growl, snap or freeze',
  stood_long: 'it had stood for long',
  hold_long: 'a hold had lasted longer than it should',
  blade_warm: 'the blade was warm',
  blade_not_felt: 'the blade was not felt before',
  mat_there: 'a mat in that place',
  mark_there: 'a mark in that place',
  skin_not_sound: 'the skin there was not sound',
  late_in_visit: 'late in the visit',
  alone: 'one pair of hands',
  moved: 'the dog moved suddenly',
  noise: 'a noise, or another dog',
  hurried: 'somebody waited, or we hurried',
  poor_view: 'the place could not be seen well',
  tool_fault: 'the tool was worn, blunt or faulty',
};

export const INCIDENT_LOOK_LABELS: Readonly<Record<IncidentLook, string>> = {
  red: 'red',
  bleeding: 'bleeding',
  open: 'open skin',
  blistered: 'blistered',
  swollen: 'swollen',
  bruised: 'bruised',
  nothing_seen: 'nothing to be seen',
};

export const BITE_LEVEL_LABELS: Readonly<Record<BiteLevel, string>> = {
  1: '1: no tooth touched skin',
  2: '2: teeth touched, no puncture',
  3: '3: one to four punctures, none deeper than half a canine tooth',
  4: '4: a deeper puncture, bruised or torn',
  5: '5: several such bites',
  6: '6: death',
};
