import { readFileSync } from 'node:fs';
import { ENTERED_FACTS, type EnteredFact, NEVER_ON_A_DOG, AT_THE_TABLE, factLines, whatChanges } from './testing/every-fact.js';

describe('no fact is idle', () => {
  const idle = (fact: EnteredFact): boolean => whatChanges(fact).length === 0;
  for (const group of new Set(ENTERED_FACTS.map((f) => f.group)))
    it(`${group}: each value changes something other than an echo of itself, for at least one dog`, () =>
      expect(
        ENTERED_FACTS.filter((f) => f.group === group && ![...NEVER_ON_A_DOG, ...AT_THE_TABLE].includes(f.name) && idle(f)).map(
          (f) => f.name,
        ),
      ).toEqual([]));
  it('nothing stands on the lists of exceptions that changes a plan after all', () =>
    expect(ENTERED_FACTS.filter((f) => [...NEVER_ON_A_DOG, ...AT_THE_TABLE].includes(f.name) && !idle(f)).map((f) => f.name)).toEqual([]));
  it('docs/facts.md says what each changes (npm run docs)', () => {
    const written = readFileSync(new URL('../../docs/facts.md', import.meta.url), 'utf8').split('\n');
    expect(factLines().filter((line) => !written.includes(line))).toEqual([]);
  });
});
