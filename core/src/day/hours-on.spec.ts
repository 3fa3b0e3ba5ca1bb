import { NO_OPENING, type Opening, type Week } from '../contract/index.js';
import { isOff, openDayNear, openOn, weekdayOf, worksOn } from './index.js';

const late: Week = [null, ...Array<{ from: string; to: string }>(6).fill({ from: '12:00', to: '20:00' })];
const anybody = { week: null, off: [] };

describe('hours of a day', () => {
  it('knows the day of the week, in ISO’s order', () => {
    // ISO 8601: 2026-W01 begins on Monday, 29 December 2025; 4 January is always in week 1.
    expect(['2025-12-29', '2026-01-04', '2026-11-30', '2028-02-29'].map(weekdayOf)).toEqual([0, 6, 0, 1]);
  });
  it('are the salon’s, but on days that it is shut', () => {
    const opening: Opening = { ...NO_OPENING, closed: [{ from: '2026-12-24', to: '2026-12-26' }] };
    expect(openOn(opening, '2026-12-23')).toEqual({ from: 540, to: 1020 });
    expect(openOn(opening, '2026-12-24')).toBeUndefined();
    expect(openOn(opening, '2026-12-26')).toBeUndefined();
    expect(openOn(opening, '2026-12-27')).withContext('a Sunday').toBeUndefined();
    expect(openOn(opening, '2026-12-28')).toBeDefined();
  });
  it('finds the open day nearest to one, rather before it, never before the first that can be offered', () => {
    const near = (day: string, notBefore = '2026-01-01', closed = NO_OPENING.closed) =>
      openDayNear({ ...NO_OPENING, closed }, day, notBefore);
    expect(near('2026-11-28')).toBe('2026-11-28');
    expect(near('2026-11-29')).withContext('a Sunday').toBe('2026-11-28');
    expect(near('2026-11-29', '2026-11-29')).toBe('2026-11-30');
    expect(near('2026-12-25', '2026-12-20', [{ from: '2026-12-20', to: '2027-01-03' }])).toBe('2027-01-04');
    expect(near('2026-12-25', '2026-12-20', [{ from: '2026-01-01', to: '2027-12-31' }])).toBe('2026-12-25');
  });
  it('are one’s own as far as the salon is open', () => {
    expect(worksOn(NO_OPENING, { week: late, off: [] }, '2026-12-01')).toEqual({ from: 720, to: 1020 });
    expect(worksOn(NO_OPENING, { week: late, off: [] }, '2026-11-30'))
      .withContext('not on Mondays')
      .toBeUndefined();
    expect(worksOn(NO_OPENING, anybody, '2026-11-30')).toEqual({ from: 540, to: 1020 });
    const night: Week = late.map(() => ({ from: '18:00', to: '22:00' }));
    expect(worksOn(NO_OPENING, { week: night, off: [] }, '2026-12-01')).toBeUndefined();
  });
  it('are none on days off, the first and the last of them too', () => {
    const off = [{ from: '2026-12-01', to: '2026-12-03' }];
    expect(['2026-11-30', '2026-12-01', '2026-12-03', '2026-12-04'].map((d) => isOff(off, d))).toEqual([false, true, true, false]);
    expect(worksOn(NO_OPENING, { week: null, off }, '2026-12-02')).toBeUndefined();
  });
});
