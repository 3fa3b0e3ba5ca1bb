import { type FeelOver, findingIn } from '../findings/index.js';
import { partOf, zoneFacts } from '../knowledge/anatomy/index.js';
import type { Activity, ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS } from './activities.js';

/** What hurts most when it is left, highest first. Common practice, no source; the numbers only rank. */
export const URGENCY = {
  pebbleInPads: 9,
  tearsSkin: 8,
  nailsPress: 7,
  tightInFold: 6,
  tightAtEars: 5,
  otherMat: 4,
  welfare: 3,
  asked: 2,
  looks: 1,
} as const;

const TIER_URGENCY = { welfare: URGENCY.welfare, asked: URGENCY.asked, looks: URGENCY.looks } as const;

/**
 * How much it matters that a piece of work is done today.
 * @example urgencyOf('nails', ['fore_nails_left'], NOTHING_FOUND) // => 3
 */
export function urgencyOf(activity: Activity, zones: readonly ZoneId[], feelOver: FeelOver): number {
  const facts = ACTIVITY_FACTS[activity];
  if (activity === 'nails' && feelOver.looked?.nails === 'grown_in') return URGENCY.nailsPress;
  if (facts.mats === undefined) return TIER_URGENCY[facts.tier];
  const findings = zones.map((z) => findingIn(feelOver, z));
  const tight = findings.some((f) => f.matGrade >= 3);
  if (tight && zones.some((z) => zoneFacts(z).group === 'feet')) return URGENCY.pebbleInPads;
  if (findings.some((f) => f.matGrade === 4 || (f.matGrade >= 2 && f.skin !== 'sound'))) return URGENCY.tearsSkin;
  if (tight && zones.some((z) => ['armpit', 'groin', 'tuck_up', 'anus', 'sanitary'].includes(partOf(z)))) return URGENCY.tightInFold;
  if (tight && zones.some((z) => zoneFacts(z).group === 'ears')) return URGENCY.tightAtEars;
  return findings.some((f) => f.matGrade >= 2) ? URGENCY.otherMat : URGENCY.welfare;
}
