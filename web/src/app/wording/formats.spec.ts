import { TestBed } from '@angular/core/testing';
import { reason, USUAL_FORMATS, type Formats } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import { clockOf, clockTime, dateOf, FORMATS, hourOf, kgOf, mmOf, sizeOf } from './formats';
import { dayInWords } from './time';
import { Words } from './words.service';

const OTHER: Formats = { length: 'inch', weight: 'lb', temperature: 'fahrenheit', clock: 'hours_12', date: 'month_day' };

describe('how a salon writes', () => {
  afterEach(() => FORMATS.set(USUAL_FORMATS));

  it('is kilograms, millimetres and twenty-four hours until it says otherwise', () => {
    expect([kgOf(7.5), mmOf(6), sizeOf(8, 5), clockTime('14:05'), clockOf(1450)]).toEqual(['7.5 kg', '6 mm', '8 × 5 mm', '14:05', '00:10']);
    FORMATS.set(OTHER);
    expect([kgOf(7.5), mmOf(6.35), sizeOf(25.4, 12.7), clockTime('14:05'), clockOf(1450)]).toEqual([
      '16.5 lb',
      '0.25 in',
      '1 × 0.5 in',
      '2:05 pm',
      '12:10 am',
    ]);
  });

  it('changes what is read', () => {
    FORMATS.set(OTHER);
    expect([hourOf(900), hourOf(0)]).toEqual(['3 pm', '12 am']);
    const clock = TestBed.inject(ClockService);
    clock.zone.set('UTC');
    expect(clock.timeOfDay('2026-12-01T14:05:00Z')).toBe('14:05');
    expect(clock.sayTime('2026-12-01T14:05:00Z')).toBe('2:05 pm');
    expect(clock.sayMoment('2026-12-01T14:05:00Z')).toBe('Tue, Dec 1, 2:05 pm');
  });

  it('is in dates and in every sentence at once', () => {
    const words = TestBed.inject(Words);
    const heavy = reason('hold.heavy_helper', { kg: 20 }, 1);
    expect([dateOf('2027-03-09', 'weekday'), dayInWords('2027-03-09', '2026-12-01')]).toEqual([
      'Tuesday 9 March',
      'Tuesday 9 March, in 14 weeks',
    ]);
    expect(words.say(heavy)).toContain('20 kg');
    FORMATS.set(OTHER);
    expect(dayInWords('2027-03-09', '2026-12-01')).toBe('Tuesday, March 9, in 14 weeks');
    expect(words.say(heavy)).toContain('44.1 lb');
  });
});
