import { type FeelOver, findingIn, NOTHING_FOUND } from '../../findings/index.js';
import { ENGLISH } from '../../locales/en/index.js';
import { duration } from '../../locales/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { ageOf, type DogFacts, dogKinds, expectedLifeYears, lifeStage, standingLimits } from './index.js';

const limits = (dog: Partial<DogFacts> = {}, found: Partial<FeelOver> = {}) => {
  const facts = aDog(dog);
  const feelOver = { ...NOTHING_FOUND, ...found };
  return standingLimits(facts, dogKinds(facts, feelOver, SPEC_DAY), feelOver, SPEC_DAY);
};

// Our defaults, until the dog's own minutes were seen.
describe('standing minutes', () => {
  it('are 20 at a time and 100 in all for a grown dog, as a guess', () => {
    const l = limits();
    expect([l.continuousMinutes, l.totalMinutes, l.workMinutes, l.known]).toEqual([20, 100, Infinity, 'guess']);
    expect(l.reasons.map((r) => r.rule)).toEqual(['standing.guess']);
  });
  it('are 10 and 35 for a senior', () => {
    const l = limits({ born: '2010-01-01' });
    expect([l.continuousMinutes, l.totalMinutes, l.workMinutes]).toEqual([10, 35, Infinity]);
    expect(l.reasons.map((r) => r.rule)).toEqual(['standing.senior', 'standing.guess']);
  });
  it('change for a puppy on the day it is 16 weeks old', () => {
    const l = limits({ born: '2026-08-05' });
    expect([l.continuousMinutes, l.totalMinutes, l.workMinutes]).toEqual([10, 30, 30]);
    expect(limits({ born: '2026-08-06' }).continuousMinutes).toBe(5);
  });
  it('are replaced by what was seen, never beyond a puppy’s cap', () => {
    const l = limits({ standingSeenMinutes: 40 });
    expect([l.continuousMinutes, l.totalMinutes, l.known]).toEqual([40, 120, 'seen']);
    expect(limits({ standingSeenMinutes: 6 }).continuousMinutes).toBe(6);
    expect(limits({ standingSeenMinutes: 6 }).totalMinutes).toBe(100);
    expect(limits({ born: '2026-08-06', standingSeenMinutes: 30 }).continuousMinutes).toBe(5);
    expect(limits({ born: '2010-01-01', standingSeenMinutes: 15 }).totalMinutes).toBe(45);
  });
  it('are cut by a stiff or painful hip, knee or back, and by no other joint', () => {
    for (const joint of ['hip_left', 'hip_right', 'knee_left', 'knee_right', 'back'] as const) {
      const stiff = limits({}, { joints: { [joint]: 'stiff' } });
      expect([stiff.continuousMinutes, stiff.totalMinutes]).withContext(joint).toEqual([8, 30]);
      const painful = limits({}, { joints: { [joint]: 'painful' } });
      expect([painful.continuousMinutes, painful.totalMinutes]).withContext(joint).toEqual([5, 20]);
    }
    expect(limits({}, { joints: { elbow_left: 'painful' } }).continuousMinutes).toBe(20);
    expect(limits({ standingSeenMinutes: 4 }, { joints: { back: 'stiff' } }).continuousMinutes).toBe(4);
  });
});

// AAHA Canine Life Stage Guidelines 2019 (from memory): senior in the last quarter of the expected life; the years by weight are ours.
describe('stages at their edges', () => {
  it('expects fewer years of a heavier dog', () =>
    expect([9.9, 10, 24.9, 25, 44.9, 45].map(expectedLifeYears)).toEqual([14.5, 13, 13, 11, 11, 9]));
  it('changes at nine months, three years, and three quarters of life', () => {
    const stage = (years: number, weightKg = 18): string => {
      const born = new Date(Date.parse(SPEC_DAY) - years * 365.2425 * 86_400_000).toISOString();
      return lifeStage({ born, weightKg }, SPEC_DAY);
    };
    expect([0.74, 0.76, 2.99, 3.01, 9.74, 9.76].map((y) => stage(y))).toEqual([
      'puppy',
      'young_adult',
      'young_adult',
      'mature_adult',
      'mature_adult',
      'senior',
    ]);
    expect(stage(8, 50)).toBe('senior');
    expect(stage(8, 8)).toBe('mature_adult');
  });
  it('says weeks to 20, months to two years, then years', () => {
    expect(duration(ENGLISH, ageOf('2026-07-09', SPEC_DAY))).toBe('19 weeks');
    expect(duration(ENGLISH, ageOf('2026-07-08', SPEC_DAY))).toBe('4 months');
    expect(duration(ENGLISH, ageOf('2024-11-27', SPEC_DAY))).toBe('23 months');
    expect(duration(ENGLISH, ageOf('2024-11-20', SPEC_DAY))).toBe('2 years');
  });
});

describe('what was found', () => {
  it('is read by zone; nothing found is sound', () => {
    const felt = { zone: 'back' as const, matGrade: 2 as const, skin: 'red' as const, crust: false };
    const feelOver = { ...NOTHING_FOUND, zones: [{ ...felt, zone: 'rump' as const, matGrade: 4 as const }, felt] };
    expect(findingIn(feelOver, 'back')).toEqual(felt);
    expect(findingIn(feelOver, 'neck')).toEqual({ zone: 'neck', matGrade: 0, skin: 'sound', crust: false });
  });
  it('is named in the kinds: which joints, what it reacts to, how many tight zones', () => {
    const because = (dog: Partial<DogFacts>, found: Partial<FeelOver> = {}) =>
      dogKinds(aDog(dog), { ...NOTHING_FOUND, ...found }, SPEC_DAY)[0]!.because.facts;
    expect(because({}, { joints: { hip_left: 'stiff', back: 'painful', neck: 'free' } })).toEqual({ joints: ['back', 'hip_left'] });
    expect(because({ triggers: [{ cause: 'nails' }, { cause: 'dryer' }] })).toEqual({ causes: ['nails', 'dryer'] });
    expect(dogKinds(aDog(), { ...NOTHING_FOUND, mood: 'frantic' }, SPEC_DAY)[0]!.because.rule).toBe('kind.frantic');
    const zone = (z: 'back' | 'rump', matGrade: 1 | 4) => ({ zone: z, matGrade, skin: 'sound' as const, crust: false });
    expect(because({}, { zones: [zone('back', 4), zone('rump', 1)] })).toEqual({ count: 1 });
  });
});
