import { type FeelOver, NOTHING_FOUND } from '../findings/index.js';
import { type DogFacts, dogKinds } from '../knowledge/dogs/index.js';
import type { HoldQuestion } from '../knowledge/holds/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import { aDog, SPEC_DAY } from './dogs.js';

/** A hold for a calm grown dog with nothing against it; what differs in the question, the dog, and what was found. */
export function aHoldQuestion(
  change: Partial<HoldQuestion> = {},
  dog: Partial<DogFacts> = {},
  found: Partial<FeelOver> = {},
): HoldQuestion {
  const facts = aDog(dog);
  const feelOver: FeelOver = { ...NOTHING_FOUND, favours: 'none', ...found };
  return {
    reaches: ['body'],
    dog: facts,
    kinds: dogKinds(facts, feelOver, SPEC_DAY),
    joints: feelOver.joints,
    favours: feelOver.favours,
    painful: false,
    triggered: false,
    fighting: false,
    mayBeSick: false,
    helperThere: false,
    minutes: 5,
    house: HOUSE_DEFAULTS,
    ...change,
  };
}
