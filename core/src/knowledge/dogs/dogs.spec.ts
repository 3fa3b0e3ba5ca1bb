import { type FeelOver, NOTHING_FOUND } from '../../findings/index.js';
import { ENGLISH } from '../../locales/en/index.js';
import { duration } from '../../locales/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { ageOf, ageWeeks, type DogFacts, dogFactsOf, dogKinds, hasKind, lifeStage, standingLimits } from './index.js';

const kinds = (dog: Partial<DogFacts> = {}, found: Partial<FeelOver> = {}): string[] =>
  dogKinds(aDog(dog), { ...NOTHING_FOUND, ...found }, SPEC_DAY).map((k) => k.kind);

describe('life stage', () => {
  // AAHA Canine Life Stage Guidelines 2019 (JAAHA 55:267–290, from memory): puppy to the end of rapid growth, senior in the last 25 % of expected life.
  it('is puppy to nine months', () => {
    expect(lifeStage({ born: '2026-03-01', weightKg: 10 }, SPEC_DAY)).toBe('puppy');
    expect(lifeStage({ born: '2026-02-01', weightKg: 10 }, SPEC_DAY)).toBe('young_adult');
  });
  it('is senior in the last quarter, earlier for heavy dogs', () => {
    const born = '2017-11-01';
    expect(lifeStage({ born, weightKg: 50 }, SPEC_DAY)).toBe('senior');
    expect(lifeStage({ born, weightKg: 8 }, SPEC_DAY)).toBe('mature_adult');
  });
  it('says ages as people do', () => {
    expect(duration(ENGLISH, ageOf('2026-09-02', SPEC_DAY))).toBe('12 weeks');
    expect(duration(ENGLISH, ageOf('2025-11-01', SPEC_DAY))).toBe('12 months');
    expect(duration(ENGLISH, ageOf('2014-01-01', SPEC_DAY))).toBe('12 years');
    expect(duration(ENGLISH, ageOf('2024-12-01', SPEC_DAY))).toBe('23 months');
    expect(duration(ENGLISH, ageOf('2024-11-01', SPEC_DAY))).toBe('2 years');
    expect(ageWeeks('2027-01-01', SPEC_DAY)).toBe(0);
  });
});

describe('dogKinds', () => {
  it('finds nothing in a healthy grown dog that was here before', () => expect(kinds()).toEqual([]));
  it('finds a first visit', () => expect(kinds({ visitsBefore: 0 })).toContain('first_visit'));
  it('says what each rests on', () => {
    const because = dogKinds(aDog({ visitsBefore: 0, weightKg: 40 }), NOTHING_FOUND, SPEC_DAY).map((k) => [
      k.because.rule,
      k.because.facts,
    ]);
    expect(because).toContain(['kind.first_visit', { name: aDog().name }]);
    expect(because).toContain(['kind.heavy', { kg: 40 }]);
  });
  it('finds a bite history from the file and from today', () => {
    expect(kinds({ biteHistory: true })).toContain('bite_history');
    expect(kinds({}, { biteTold: true })).toContain('bite_history');
  });
  it('finds a matted dog from three tight zones or one sheet', () => {
    const tight = (zone: 'back' | 'belly' | 'neck', matGrade: 3 | 4) => ({ zone, matGrade, skin: 'sound' as const, crust: false });
    expect(kinds({}, { zones: [tight('back', 3), tight('belly', 3)] })).not.toContain('matted');
    expect(kinds({}, { zones: [tight('back', 3), tight('belly', 3), tight('neck', 3)] })).toContain('matted');
    expect(kinds({}, { zones: [tight('back', 4)] })).toContain('matted');
  });
  it('finds sore joints, lumps, thin skin, short nose, two people', () => {
    expect(kinds({}, { joints: { hip_left: 'stiff' } })).toContain('sore_joints');
    expect(kinds({ conditions: ['steroids'] })).toContain('thin_skin');
    expect(kinds({ nose: 'short' })).toContain('short_nose');
    expect(kinds({ weightKg: 40 })).toContain('needs_two');
    expect(
      kinds({}, { marks: [{ markId: 'm', zone: 'back', lengthMm: 5, widthMm: 5, border: 'regular', surface: 'smooth', isNew: true }] }),
    ).toContain('lumps');
  });
  it('gives each kind a reason', () => {
    for (const k of dogKinds(aDog({ born: '2012-01-01', biteHistory: true }), NOTHING_FOUND, SPEC_DAY))
      expect(k.because.rule).toMatch(/^kind\./);
  });
  it('is asked by name', () => expect(hasKind(dogKinds(aDog({ nose: 'short' }), NOTHING_FOUND, SPEC_DAY), 'short_nose')).toBeTrue());
});

describe('standingLimits', () => {
  const limits = (dog: Partial<DogFacts> = {}, found: Partial<FeelOver> = {}) => {
    const d = aDog(dog);
    const f = { ...NOTHING_FOUND, ...found };
    return standingLimits(d, dogKinds(d, f, SPEC_DAY), f, SPEC_DAY);
  };
  it('is a guess until it was seen', () => {
    expect(limits().known).toBe('guess');
    expect(limits({ standingSeenMinutes: 26 }).continuousMinutes).toBe(26);
  });
  it('gives a puppy under 16 weeks 20 min of work and 5 on its feet, later 30 and 10 (our default)', () => {
    expect(limits({ born: '2026-09-01' })).toEqual(jasmine.objectContaining({ workMinutes: 20, continuousMinutes: 5 }));
    expect(limits({ born: '2026-06-01' })).toEqual(jasmine.objectContaining({ workMinutes: 30, continuousMinutes: 10 }));
  });
  it('never grows with a sorer joint', () => {
    const free = limits();
    const stiff = limits({}, { joints: { hip_left: 'stiff' } });
    const painful = limits({}, { joints: { hip_left: 'painful' } });
    expect(stiff.continuousMinutes).toBeLessThan(free.continuousMinutes);
    expect(painful.continuousMinutes).toBeLessThan(stiff.continuousMinutes);
    expect(painful.totalMinutes).toBeLessThan(stiff.totalMinutes);
  });
});

describe('dogFactsOf', () => {
  it('reads what was not seen as unknown', () =>
    expect(dogFactsOf({ ...aDog(), standingSeenMinutes: null }, 4)).toEqual(
      jasmine.objectContaining({ standingSeenMinutes: undefined, visitsBefore: 4 }),
    ));
});
