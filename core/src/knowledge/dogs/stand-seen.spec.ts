import fc from 'fast-check';
import { NOTHING_FOUND } from '../../findings/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { sayReason } from '../../testing/english.js';
import { dogKinds, type DogFacts, standingLimits } from './index.js';
import { GUESS_SPREAD, learnStanding, SEEN_SPREAD, type StandSeen } from './stand-seen.js';

const stood = (minutes: number): StandSeen => ({ minutes, tired: false });
const tired = (minutes: number): StandSeen => ({ minutes, tired: true });

describe('how long a dog stands', () => {
  it('is not learned from nothing, nor from a moment', () => {
    expect(learnStanding(20, GUESS_SPREAD, [])).toBeUndefined();
    expect(learnStanding(20, GUESS_SPREAD, [tired(0.5)])).toBeUndefined();
  });
  it('agrees with a fine sum in another language (Python, 4,001 middles)', () => {
    const cases: readonly (readonly [number, number, readonly StandSeen[], readonly number[]])[] = [
      [20, GUESS_SPREAD, [tired(12)], [11.181, 8.124, 31.265]],
      [20, GUESS_SPREAD, [tired(12), tired(9), stood(10)], [9.657, 7.245, 22.915]],
      [10, SEEN_SPREAD, [stood(14), stood(15), stood(9)], [10, 9.782, 31.117]],
    ];
    for (const [counted, spread, stands, [minutes, from, to]] of cases) {
      const l = learnStanding(counted, spread, stands)!;
      expect(l.minutes / (minutes ?? 0)).toBeCloseTo(1, 2);
      expect(l.range[0] / (from ?? 0)).toBeCloseTo(1, 2);
      expect(l.range[1] / (to ?? 0)).toBeCloseTo(1, 2);
    }
  });
  it('falls with each stand that ended tired, and is never raised: silence is no leave', () => {
    const stand = fc.record({ minutes: fc.double({ min: 1, max: 60, noNaN: true }), tired: fc.boolean() });
    fc.assert(
      fc.property(fc.array(stand, { minLength: 1, maxLength: 8 }), (stands) => {
        const l = learnStanding(20, GUESS_SPREAD, stands)!;
        expect(l.range[0]).toBeLessThan(l.range[1]);
        expect(l.minutes).toBeLessThanOrEqual(20);
        expect(learnStanding(20, GUESS_SPREAD, [...stands, tired(l.range[0] / 2 + 1)])!.minutes).toBeLessThanOrEqual(l.minutes + 1e-9);
        expect(learnStanding(20, GUESS_SPREAD, [...stands, stood(1)])!.minutes).toBeLessThanOrEqual(l.minutes + 0.05);
      }),
      { numRuns: 60 },
    );
  });

  const limits = (dog: Partial<DogFacts>) => {
    const d = aDog(dog);
    return standingLimits(d, dogKinds(d, NOTHING_FOUND, SPEC_DAY), NOTHING_FOUND, SPEC_DAY);
  };
  it('takes the place of the guess in the plan, says how often it was seen, and shortens the whole visit on its feet', () => {
    const l = limits({ stands: [tired(8), tired(9), stood(7)] });
    expect(l.continuousMinutes).toBeLessThan(10);
    expect(l.totalMinutes / limits({}).totalMinutes).toBeCloseTo(l.continuousMinutes / 20, 6);
    expect(l.known).toBe('seen');
    expect(l.reasons.map(sayReason)).toEqual([
      jasmine.stringMatching(/^Moss stood 3 times here, 2 times until it was tired out: [\d.]+ min/),
    ]);
    expect(limits({ stands: [stood(19)] }).reasons.map(sayReason)).toEqual([
      jasmine.stringMatching(/^Moss stood 1 time here, never until/),
    ]);
  });
  it('goes before what the file says when the dog tired sooner, and lengthens nothing', () => {
    expect(limits({ standingSeenMinutes: 30, stands: [tired(12), tired(12), tired(11)] }).continuousMinutes).toBeLessThan(20);
    expect(limits({ born: '2026-09-01', stands: [stood(40), stood(40)] }).continuousMinutes).toBe(5);
    expect(limits({ stands: [stood(40), stood(40)] }).continuousMinutes).toBe(20);
  });
});
