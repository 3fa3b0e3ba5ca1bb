import fc from 'fast-check';
import { COATS } from '../../words/index.js';
import { adviseBaths, brushingsAWeek, growthMm, longestCutFor, weeksForLength } from './index.js';

// Common practice, no source: coat grows about 12 mm a month; who comes in seven months is cut shorter than who comes in six weeks.
describe('length and interval', () => {
  it('grows 12 mm a month', () => {
    expect(growthMm(365.2425 / 12 / 7)).toBeCloseTo(12, 12);
    expect(growthMm(0)).toBe(0);
    expect(growthMm(6)).toBeCloseTo(16.56, 2);
  });
  it('leaves less for a later return', () => {
    expect(longestCutFor('curly', 6, false).atMostMm).toBeCloseTo(18.44, 2);
    expect(longestCutFor('curly', 30, false).atMostMm).toBe(1.5);
    expect(longestCutFor('curly', 6, true).atMostMm).toBeCloseTo(26.72, 2);
    expect(longestCutFor('smooth', 30, false).atMostMm).toBe(Infinity);
    expect(longestCutFor('smooth', 30, false).reasons[0]!.rule).toBe('next.length_free');
    expect(longestCutFor('wool', 6, false).reasons[0]!.rule).toBe('next.length_for_weeks');
    expect(() => longestCutFor('curly', 0, false)).toThrowError(RangeError);
  });
  it('brings a longer cut back sooner', () => {
    expect(weeksForLength('curly', 9, false).weeks).toBe(9);
    expect(weeksForLength('curly', 20, false).weeks).toBe(5);
    expect(weeksForLength('curly', 20, true).weeks).toBe(10);
    expect(weeksForLength('curly', 60, false).weeks).toBe(1);
    expect(weeksForLength('double', 60, false).weeks).toBe(Infinity);
    expect(() => weeksForLength('curly', 0, false)).toThrowError(RangeError);
    const why = (...args: Parameters<typeof weeksForLength>): [string, object][] =>
      weeksForLength(...args).reasons.map((r) => [r.rule, r.facts]);
    expect(why('curly', 9, false)).toEqual([['next.weeks_for_length', { weeks: 9, mm: 9, limit: 35, coat: 'curly' }]]);
    expect(why('double', 60, false)).toEqual([['next.length_free', { coat: 'double' }]]);
  });
  it('are each other’s answer: what may be left for some weeks must be back in those weeks', () => {
    fc.assert(
      fc.property(fc.constantFrom(...COATS), fc.integer({ min: 1, max: 8 }), fc.boolean(), (coat, weeks, brushed) => {
        const { atMostMm } = longestCutFor(coat, weeks, brushed);
        if (!Number.isFinite(atMostMm) || atMostMm <= 1.5) return;
        expect(weeksForLength(coat, atMostMm - 1e-6, brushed).weeks).toBeGreaterThanOrEqual(weeks);
        expect(longestCutFor(coat, weeks + 4, brushed).atMostMm).toBeLessThanOrEqual(atMostMm);
      }),
    );
  });
  it('has baths at least 4 weeks apart, or six brushings in between', () => {
    expect(adviseBaths(4, 0).ok).toBeTrue();
    expect(adviseBaths(3.9, 0).ok).toBeFalse();
    expect(adviseBaths(2, 3).ok).toBeTrue();
    expect(adviseBaths(2, 2.9).ok).toBeFalse();
    expect(adviseBaths(2, 1).reasons[0]!.rule).toBe('next.baths_too_often');
    expect(adviseBaths(6, 1).reasons[0]!.rule).toBe('next.baths_fine');
    expect(adviseBaths(6, 1).brushingsNeeded).toBe(6);
    expect(() => adviseBaths(0, 1)).toThrowError(RangeError);
    expect(() => adviseBaths(1, -1)).toThrowError(RangeError);
  });
  it('asks for more brushing the longer the coat', () => {
    expect([5, 15, 25].map((mm) => brushingsAWeek('wool', mm))).toEqual([1, 2, 4]);
    expect([brushingsAWeek('double', 40), brushingsAWeek('smooth', 40)]).toEqual([2, 1]);
  });
});
