import { type FeelOver, NOTHING_FOUND } from '../../findings/index.js';
import { ENGLISH } from '../../locales/en/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { sayReason } from '../../testing/english.js';
import { CONDITIONS, DOG_KINDS } from '../../words/index.js';
import { type DogFacts, dogKinds, hasKind, whatKindChanges } from './index.js';

const kinds = (dog: Partial<DogFacts> = {}, found: Partial<FeelOver> = {}): string[] =>
  dogKinds(aDog(dog), { ...NOTHING_FOUND, ...found }, SPEC_DAY).map((k) => k.kind);

describe('kinds of dog', () => {
  it('are none for a grown, calm, known, light dog', () => expect(kinds()).toEqual([]));
  const FACTS: readonly (readonly [string, Partial<DogFacts>, Partial<FeelOver>, string])[] = [
    ['a puppy of 14 weeks', { born: '2026-08-20' }, {}, 'puppy'],
    ['a senior in the last quarter of its expected life', { born: '2012-01-01' }, {}, 'senior'],
    ['thin skin of a senior', { born: '2012-01-01' }, {}, 'thin_skin'],
    ['thin skin with Cushing’s', { conditions: ['cushings'] }, {}, 'thin_skin'],
    ['thin skin on steroids', { conditions: ['steroids'] }, {}, 'thin_skin'],
    ['a stiff hip', {}, { joints: { hip_left: 'stiff' } }, 'sore_joints'],
    ['sore joints as told', { conditions: ['arthritis'] }, {}, 'sore_joints'],
    ['a sore back as told', { conditions: ['sore_back'] }, {}, 'sore_joints'],
    ['a known trigger', { triggers: [{ cause: 'nails' }] }, {}, 'reactive'],
    ['frantic today', {}, { mood: 'frantic' }, 'reactive'],
    ['a short nose', { nose: 'short' }, {}, 'short_nose'],
    ['a bite in its file', { biteHistory: true }, {}, 'bite_history'],
    ['a bite told today', {}, { biteTold: true }, 'bite_history'],
    ['a first visit', { visitsBefore: 0 }, {}, 'first_visit'],
    ['32 kg', { weightKg: 32 }, {}, 'needs_two'],
    ['a pelted zone', {}, { zones: [{ zone: 'back', matGrade: 4, skin: 'sound', crust: false }] }, 'matted'],
  ];
  for (const [name, dog, found, kind] of FACTS) it(name, () => expect(kinds(dog, found)).toContain(kind));
  it('are not there a step before: 31.9 kg, two tight zones, a joint that is free', () => {
    expect(kinds({ weightKg: 31.9 })).toEqual([]);
    const tight = (n: number): Partial<FeelOver> => ({
      zones: (['back', 'rump', 'neck'] as const).slice(0, n).map((zone) => ({ zone, matGrade: 3, skin: 'sound', crust: false })),
    });
    expect(kinds({}, tight(2))).toEqual([]);
    expect(kinds({}, tight(3))).toEqual(['matted']);
    expect(kinds({}, { joints: { hip_left: 'free' } })).toEqual([]);
  });
  it('each say what they change', () => {
    for (const k of DOG_KINDS) {
      expect(whatKindChanges(k).length).withContext(k).toBeGreaterThan(0);
      for (const r of whatKindChanges(k)) expect(sayReason(r)).not.toContain('…');
    }
    expect(whatKindChanges('puppy').length).toBe(2);
  });
  it('are asked for by name', () => {
    const found = dogKinds(aDog({ nose: 'short' }), NOTHING_FOUND, SPEC_DAY);
    expect([hasKind(found, 'short_nose'), hasKind(found, 'puppy')]).toEqual([true, false]);
  });
  it('name every illness', () => {
    for (const c of CONDITIONS) expect(ENGLISH.labels.condition[c].length).withContext(c).toBeGreaterThan(2);
  });
});
