import type { DogFacts } from '../knowledge/dogs/index.js';
import { type Reason, reason } from '../words/index.js';
import type { VisitSummary } from './summary.js';

/** Hurts of the last year are told first. Our default. */
const HURTS_OF_DAYS = 365;

/**
 * What the next pair of hands does otherwise, beside what the last visit says: what was hurt within a year, what it minds.
 * @param past summaries of earlier visits, the latest first
 * @param today ISO date
 */
export function firstToKnow(dog: DogFacts, past: readonly VisitSummary[], today: string): Reason[] {
  const out: Reason[] = [];
  // The last visit has a block of its own: `last-time`.
  for (const s of past.filter((x) => x.outcome !== null).slice(1))
    for (const i of s.incidents)
      if (i.harm !== 'none' && s.on && (Date.parse(today) - Date.parse(s.on)) / 86_400_000 <= HURTS_OF_DAYS)
        out.push(reason('know.incident', { incident: i.kind, on: s.on, zone: i.zone ?? undefined }, 0.95));
  for (const i of dog.injuries.filter((x) => !x.here))
    out.push(reason('know.injury', { injury: i.kind, zone: i.zone ?? undefined, on: i.on ?? undefined }, 0.8));
  if (dog.slipsCollar === true) out.push(reason('loop.slips_collar', { name: dog.name }, 0.85));
  if (dog.soreWhenLifted === true) out.push(reason('hold.sore_lifted', {}, 0.7));
  if (dog.guards.includes('people')) out.push(reason('plan.guards_people', { name: dog.name }, 0.8));
  if (dog.guards.includes('food')) out.push(reason('reward.guards_food', { name: dog.name }, 0.7));
  return out;
}
