import fc from 'fast-check';
import { clockOf, dayOf, isZone, momentOf } from './index.js';

const ZONES = ['UTC', 'Pacific/Auckland', 'America/St_Johns', 'Europe/Berlin', 'Australia/Lord_Howe', 'Asia/Kathmandu'];

describe('days of a place', () => {
  it('begin at its midnight', () => {
    expect(dayOf('2026-11-29T10:59:59.999Z', 'Pacific/Auckland')).toBe('2026-11-29');
    expect(dayOf('2026-11-29T11:00:00Z', 'Pacific/Auckland')).toBe('2026-11-30');
    expect(dayOf('2026-11-30T03:29:00Z', 'America/St_Johns')).toBe('2026-11-29');
    expect(clockOf('2026-11-30T03:29:00Z', 'America/St_Johns')).toBe('23:59');
    expect(clockOf('2026-11-30T00:00:00Z', 'UTC')).toBe('00:00');
  });

  it('have 23 and 25 hours when the clocks change', () => {
    // Directive 2000/84/EC: at 01:00 UTC on the last Sundays of March and October.
    expect(clockOf('2026-03-29T00:59:00Z', 'Europe/Berlin')).toBe('01:59');
    expect(clockOf('2026-03-29T01:00:00Z', 'Europe/Berlin')).toBe('03:00');
    const hours = (day: string, next: string): number =>
      (momentOf(next, '00:00', 'Europe/Berlin') - momentOf(day, '00:00', 'Europe/Berlin')) / 3_600_000;
    expect(hours('2026-03-29', '2026-03-30')).toBe(23);
    expect(hours('2026-10-25', '2026-10-26')).toBe(25);
    expect(hours('2026-11-01', '2026-11-02')).toBe(24);
  });

  it('give a time that is left out as one after the change, and one that comes twice as the first', () => {
    expect(momentOf('2026-03-29', '02:30', 'Europe/Berlin')).toBe(Date.parse('2026-03-29T01:30:00Z'));
    expect(momentOf('2026-10-25', '02:30', 'Europe/Berlin')).toBe(Date.parse('2026-10-25T00:30:00Z'));
  });

  it('come back from day and clock, in any place, but for an hour that comes twice', () => {
    const from = Date.UTC(2000, 0, 1) / 60_000;
    const to = Date.UTC(2040, 0, 1) / 60_000;
    fc.assert(
      fc.property(fc.integer({ min: from, max: to }), fc.constantFrom(...ZONES), (minute, zone) => {
        const ms = minute * 60_000;
        const back = momentOf(dayOf(ms, zone), clockOf(ms, zone), zone);
        expect([dayOf(back, zone), clockOf(back, zone)]).toEqual([dayOf(ms, zone), clockOf(ms, zone)]);
        expect([0, 30, 60]).toContain(Math.abs(ms - back) / 60_000);
      }),
      { numRuns: 400 },
    );
  });

  it('know which places there are', () => {
    expect([isZone('Europe/Berlin'), isZone('Middle/Nowhere'), isZone('')]).toEqual([true, false, false]);
    expect(() => momentOf('2026-13-01', '10:00', 'UTC')).toThrowError(RangeError);
    expect(() => dayOf('soon', 'UTC')).toThrowError(RangeError);
  });
});
