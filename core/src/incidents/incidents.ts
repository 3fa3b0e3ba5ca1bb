import { type HarmDegree, type IncidentClass, type IncidentKind, INCIDENTS } from '../words/index.js';

/**
 * Whether a vet or doctor is needed now. @param harm nothing while nobody has said: the kind alone decides then
 * @example needsVetNow('nick', 'severe') // => true
 */
export function needsVetNow(kind: IncidentKind, harm: HarmDegree | undefined): boolean {
  return INCIDENTS[kind].vetNow || harm === 'severe' || harm === 'death';
}

/** Kinds that leave a place on the dog which is looked at again. */
const WOUNDS: readonly IncidentKind[] = [
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
];

/** Whether it left a place that is looked at again. `leavesWound({ kind: 'nick', harm: 'mild' }) // => true` */
export function leavesWound({ kind, harm }: { readonly kind: IncidentKind; readonly harm?: HarmDegree | null | undefined }): boolean {
  return harm !== 'none' && WOUNDS.includes(kind);
}

/** Whether the dog was hurt: neither by what it came with, nor where a person was. */
export function hurtTheDog({ kind, harm }: { readonly kind: IncidentKind; readonly harm?: HarmDegree | null | undefined }): boolean {
  return harm !== 'none' && !['bite_or_scratch_person', 'found_on_arrival', 'near_miss', 'escape'].includes(kind);
}

/**
 * Its class: WHO International Classification for Patient Safety v1.1 (2009), from memory. A near miss reached nobody; what was found on arrival is a
 * circumstance that is reported.
 * @example incidentClass('nick', 'none') // => 'no_harm_incident'
 */
export function incidentClass(kind: IncidentKind, harm: HarmDegree | undefined): IncidentClass {
  if (kind === 'found_on_arrival') return 'reportable_circumstance';
  if (kind === 'near_miss') return 'near_miss';
  if (harm === undefined) return 'harm_not_said';
  return harm === 'none' ? 'no_harm_incident' : 'harmful_incident';
}
