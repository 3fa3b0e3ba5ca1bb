import type { Condition } from '../../words/index.js';
import type { DogFacts } from './dog.js';

/** Ill, and groomed with the vet's agreement. Common practice, no source. */
export const ILL: readonly Condition[] = ['heart', 'airway', 'fits', 'diabetes', 'addisons', 'cushings', 'breath_head_up'];

/** Hands-on minutes of an ill dog's visit at most. Our default. */
export const ILL_MINUTES = 45;

/** Whether a dog is ill in a way that limits the whole visit. */
export const isIll = (dog: Pick<DogFacts, 'conditions'>): boolean => dog.conditions.some((c) => ILL.includes(c));
