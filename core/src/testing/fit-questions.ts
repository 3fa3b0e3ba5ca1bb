import type { DogFacts } from '../knowledge/dogs/index.js';
import type { FitQuestion } from '../knowledge/fit/index.js';
import { aDog, SPEC_DAY } from './dogs.js';

/** A healthy grown dog in a cool room, nothing told; and what differs. */
export function aFitQuestion(change: Partial<FitQuestion> = {}, dog: Partial<DogFacts> = {}): FitQuestion {
  return {
    dog: aDog(dog),
    signs: [],
    vetAgreed: false,
    told: [],
    pelted: false,
    contactMinutes: 10,
    roomCelsius: 20,
    today: SPEC_DAY,
    ...change,
  };
}
