import type { DogFacts } from './dog.js';

/** Facts as they are stored: `null` where nothing was seen. */
export type StoredFacts = Omit<DogFacts, 'standingSeenMinutes' | 'visitsBefore'> & { readonly standingSeenMinutes: number | null };

/** The planner's view of a stored dog. */
export function dogFactsOf(stored: StoredFacts, visitsBefore: number): DogFacts {
  return { ...stored, standingSeenMinutes: stored.standingSeenMinutes ?? undefined, visitsBefore };
}
