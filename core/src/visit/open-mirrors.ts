import { areaOf } from '../findings/index.js';
import { mirrorOf } from '../knowledge/anatomy/index.js';
import type { ZoneId } from '../words/index.js';
import type { VisitState } from './state.js';

/** A mat from this grade on is looked for on the other side. Common practice, no source. */
const LOOKED_FOR_FROM_GRADE = 2;

/**
 * The other sides of mats that no hand has been on today: asked before a plan counts as complete, gone once they are felt.
 * @example openMirrors(replay('…', [])) // => []
 */
export function openMirrors(state: Pick<VisitState, 'feelOver' | 'areasFelt'>): ZoneId[] {
  const { zones } = state.feelOver;
  const felt = (zone: ZoneId): boolean => state.areasFelt.has(areaOf(zone)) || zones.some((z) => z.zone === zone);
  return zones.flatMap((z) => {
    const mirror = z.matGrade >= LOOKED_FOR_FROM_GRADE ? mirrorOf(z.zone) : undefined;
    return mirror && !felt(mirror) ? [mirror] : [];
  });
}
