import fc from 'fast-check';
import type { Mood, SignalId } from '../words/index.js';
import { measureStrain, NOT_OBSERVED_AFTER_MINUTES, STOP_AT, type StrainEntry } from './index.js';

const at = (minute: number, signal: SignalId): StrainEntry => ({ kind: 'signal', minute, signal });
const looks = (minute: number, mood: Mood): StrainEntry => ({ kind: 'state_seen', minute, mood });
const rest = (minute: number): StrainEntry => ({ kind: 'break_started', minute });
const goOn = (minute: number): StrainEntry => ({ kind: 'break_ended', minute });

describe('the measured meter', () => {
  it('halves in a break of one half-life, and not while the work goes on', () => {
    expect(measureStrain([rest(0), goOn(6)], 40, 6, 6).strain).toBeCloseTo(20, 9);
    expect(measureStrain([rest(0), goOn(6)], 40, 6, 60).strain).toBeCloseTo(20, 9);
    expect(measureStrain([], 40, 6, 60).strain).toBe(40);
    expect(measureStrain([rest(0)], 40, 6, 12).strain).toBeCloseTo(10, 9);
  });
  it('adds a signal to what is left then', () => {
    expect(measureStrain([rest(0), goOn(6), at(7, 'whale_eye')], 40, 6, 8).strain).toBeCloseTo(32, 9);
    expect(measureStrain([rest(0), at(6, 'whale_eye')], 40, 6, 12).strain).toBeCloseTo(16, 9);
  });
  it('reads nothing that comes later than now', () => {
    const entries = [at(1, 'yawn'), at(5, 'bite')];
    expect(measureStrain(entries, 10, 6, 4).hardSigns).toEqual([]);
    expect(measureStrain(entries, 10, 6, 5).hardSigns).toEqual(['bite']);
  });
  it('draws a break as a curve: a point each half minute, at its own time', () => {
    const { points } = measureStrain([rest(0), goOn(2)], 40, 6, 2);
    expect(points.map((p) => p.minute)).toEqual([0, 0, 0.5, 1, 1.5, 2, 2]);
    for (const p of points) expect(p.strain).toBeCloseTo(40 * 2 ** (-p.minute / 6), 9);
  });
  it('holds a pause until a break of five minutes with a good sign has ended, and a stop for good', () => {
    expect(measureStrain([at(1, 'growl')], 0, 6, 30).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2)], 0, 6, 60).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), looks(20, 'relaxed')], 0, 6, 25).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), looks(20, 'relaxed'), goOn(30)], 0, 6, 31).band).toBe('settled');
    expect(measureStrain([at(1, 'growl'), rest(2), looks(6, 'relaxed'), goOn(6.9)], 0, 6, 31).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), goOn(30)], 0, 6, 31).band).toBe('pause');
    // The good sign stands at the end of the five minutes; a look that is none takes it back.
    expect(measureStrain([at(1, 'growl'), rest(2), looks(4, 'relaxed'), goOn(30)], 0, 6, 31).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), looks(9, 'relaxed'), looks(12, 'tense'), goOn(30)], 0, 6, 31).band).toBe('pause');
    // Still is no good sign; a sign of strain after the good one takes it back.
    expect(measureStrain([at(1, 'growl'), rest(2), looks(20, 'still'), goOn(30)], 0, 6, 31).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), looks(9, 'relaxed'), at(10, 'yawn'), goOn(30)], 0, 6, 31).band).toBe('pause');
    expect(measureStrain([at(1, 'snap'), rest(2), goOn(90)], 0, 6, 91).band).toBe('stop');
  });
  it('lowers no band by minutes alone: in a break it takes two of them and a good sign', () => {
    const band = (...entries: StrainEntry[]): string => measureStrain([at(1, 'whale_eye'), at(1, 'whale_eye'), ...entries], 10, 6, 30).band;
    expect(band()).toBe('watch');
    expect(band(rest(2))).toBe('watch');
    expect(measureStrain([at(1, 'whale_eye'), at(1, 'whale_eye'), rest(2)], 10, 6, 30).bandHolds).toBeTrue();
    expect(band(rest(2), at(9, 'takes_treat'))).toBe('settled');
    expect(band(rest(2), looks(9, 'relaxed'), goOn(10))).toBe('settled');
    expect(band(rest(2), looks(9, 'tired_out'), goOn(10))).toBe('watch');
    // A good sign at once, and the minutes after it.
    expect(band(rest(2), at(2, 'soft_body'))).toBe('settled');
    // A minute of rest is none; the good sign that ends it counts as one outside a break does: by its own points.
    const short = [rest(2), at(3, 'takes_treat'), goOn(3)];
    expect(band(...short)).toBe('watch');
  });
  it('lowers a band with a good sign in the work, as far as its points reach', () => {
    const number = (m: number): StrainEntry[] => [at(1, 'whale_eye'), at(m, 'soft_body')];
    expect(measureStrain([at(1, 'whale_eye')], 14, 6, 30).band).toBe('watch');
    expect(measureStrain(number(3), 14, 6, 30).band).toBe('settled');
    expect(measureStrain([at(1, 'growl'), at(3, 'soft_body'), at(4, 'leans_in'), at(5, 'soft_body')], 0, 6, 30).band).toBe('pause');
  });
  it('holds in a break what was held before it, until the break counts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 40 }), fc.boolean(), (start, minutes, hard) => {
        const before = measureStrain(hard ? [at(1, 'growl')] : [], start, 6, 2).band;
        const after = measureStrain([...(hard ? [at(1, 'growl')] : []), rest(2), goOn(2 + minutes)], start, 6, 2 + minutes).band;
        expect(after).toBe(before);
      }),
    );
  });
  it('counts any second hard sign as the second time', () => {
    expect(measureStrain([at(1, 'growl'), at(2, 'growl')], 0, 6, 3).band).toBe('stop');
    expect(measureStrain([at(1, 'freeze'), rest(2), goOn(60), at(61, 'struggle')], 0, 6, 62).band).toBe('stop');
  });
  it('lifts the number to the band that a hard sign has set', () => {
    expect(measureStrain([at(1, 'growl')], 0, 6, 2).strain).toBe(50);
    expect(measureStrain([at(1, 'growl')], 45, 6, 2).strain).toBe(65);
    expect(measureStrain([at(1, 'bite')], 0, 6, 2).strain).toBe(STOP_AT);
    expect(measureStrain([at(1, 'bite')], 90, 6, 2).strain).toBe(100);
  });
  it('remembers the peak', () => expect(measureStrain([at(1, 'yelp'), rest(2), goOn(30)], 20, 6, 31).peak).toBe(34));
  it('says "not observed" after 5 minutes of work without an entry, never in a break', () => {
    expect(measureStrain([at(1, 'yawn')], 0, 6, 1 + NOT_OBSERVED_AFTER_MINUTES).observed).toBeTrue();
    expect(measureStrain([at(1, 'yawn')], 0, 6, 1.01 + NOT_OBSERVED_AFTER_MINUTES).observed).toBeFalse();
    expect(measureStrain([rest(1)], 0, 6, 40).observed).toBeTrue();
    expect(measureStrain([rest(1), goOn(20)], 0, 6, 26).minutesUnobserved).toBe(6);
  });
});
