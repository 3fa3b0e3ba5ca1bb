import type { DogFacts } from '../dogs/index.js';
import type { FitQuestion } from '../fit/index.js';
import { TODAY, aDog } from './dogs.js';

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
    today: TODAY,
    ...change,
  };
}
