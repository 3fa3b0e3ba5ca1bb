import type { SignalId } from '../words/index.js';
import { measureStrain, NOT_OBSERVED_AFTER_MINUTES, STOP_AT, type StrainEntry } from './index.js';

const at = (minute: number, signal: SignalId): StrainEntry => ({ kind: 'signal', minute, signal });
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
  it('holds a pause until a break has ended, and a stop for good', () => {
    expect(measureStrain([at(1, 'growl')], 0, 6, 30).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2)], 0, 6, 60).band).toBe('pause');
    expect(measureStrain([at(1, 'growl'), rest(2), goOn(30)], 0, 6, 31).band).toBe('settled');
    expect(measureStrain([at(1, 'snap'), rest(2), goOn(90)], 0, 6, 91).band).toBe('stop');
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
