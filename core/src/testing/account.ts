import { type AccountLine, accountOf, type MarksKnown } from '../hand-back/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import type { VisitState } from '../visit/index.js';
import { SPEC_DAY } from './dogs.js';

/** The lines of an account, as the specs ask for them. */
export function accountInEnglish(
  state: VisitState,
  dog: Pick<DogFacts, 'name' | 'born' | 'weightKg' | 'coat'>,
  file: MarksKnown = { marks: [] },
): readonly AccountLine[] {
  return accountOf(state, {
    dog,
    file,
    today: SPEC_DAY,
    next: undefined,
    clock: (ms) => new Date(ms).toISOString().slice(11, 16),
    money: (minor) => `€${(minor / 100).toFixed(2)}`,
  }).lines;
}
