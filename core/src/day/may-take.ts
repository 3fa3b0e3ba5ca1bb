import type { DayBlock, DayDog, DayPerson } from './model.js';

/** Why somebody does not take a dog. */
export type NotTheirs = 'not_trained' | 'bath_only' | 'no_biters' | 'no_catching' | 'too_heavy';

/**
 * Why somebody may not do a block of a visit, by what they are trained for and what they do not do; empty when they may.
 * @param helps as the second pair of hands: training and the kind of work are the first one's
 */
export function whyNotTheirs(person: DayPerson, dog: DayDog, block: Pick<DayBlock, 'work' | 'stretches'>, helps = false): NotTheirs[] {
  const out: NotTheirs[] = [];
  if (!helps && dog.trainedOnly && !person.trained && block.work === 'table') out.push('not_trained');
  if (!helps && person.bathOnly && block.work === 'table') out.push('bath_only');
  if (dog.biter && person.noBiters) out.push('no_biters');
  if (dog.catching && person.noCatching) out.push('no_catching');
  // A dog that two lift is shared by them; otherwise one lifts all of it.
  const together = block.stretches.some((s) => s.hands === 2);
  const lifts = together ? dog.weightKg / 2 : dog.weightKg;
  if (person.liftKg !== null && lifts > person.liftKg) out.push('too_heavy');
  return out;
}
