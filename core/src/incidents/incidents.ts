import { type HarmDegree, type IncidentKind, INCIDENTS } from '../words/index.js';

/**
 * Whether a vet or doctor is needed now.
 * @example needsVetNow('nick', 'severe') // => true
 */
export function needsVetNow(kind: IncidentKind, harm: HarmDegree): boolean {
  return INCIDENTS[kind].vetNow || harm === 'severe' || harm === 'death';
}
