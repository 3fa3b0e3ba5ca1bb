import { type HarmDegree, type IncidentKind, INCIDENTS } from '../words/index.js';

/**
 * Whether a vet or doctor is needed now. @param harm nothing while nobody has said: the kind alone decides then
 * @example needsVetNow('nick', 'severe') // => true
 */
export function needsVetNow(kind: IncidentKind, harm: HarmDegree | undefined): boolean {
  return INCIDENTS[kind].vetNow || harm === 'severe' || harm === 'death';
}
