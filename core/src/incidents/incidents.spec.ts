import { ENGLISH } from '../locales/en/index.js';
import { INCIDENT_KINDS } from '../words/index.js';
import { needsVetNow } from './index.js';

describe('incidents', () => {
  for (const kind of INCIDENT_KINDS) it(`${kind} says what to do at once`, () => expect(ENGLISH.atOnce[kind].length).toBeGreaterThan(0));
  it('send eyes, heat, lacerations and collapses to a vet now, and anything severe', () => {
    for (const kind of ['eye', 'overheating', 'laceration', 'collapse_or_fit'] as const)
      expect(needsVetNow(kind, 'mild')).withContext(kind).toBeTrue();
    expect(needsVetNow('nick', 'mild')).toBeFalse();
    expect(needsVetNow('nick', 'severe')).toBeTrue();
  });
  it('use styptic on nails only', () => {
    for (const kind of INCIDENT_KINDS) if (ENGLISH.atOnce[kind].some((l) => /styptic/i.test(l))) expect(kind).toBe('quicked_nail');
  });
});
