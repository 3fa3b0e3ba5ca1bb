import { sayClock, sayDate, sayMoment } from './index.js';

describe('times and dates as a salon writes them', () => {
  it('have twenty-four hours, or twelve twice', () => {
    const twelve = ['00:00', '00:30', '09:05', '12:00', '12:30', '13:00', '23:59'].map((c) => sayClock(c, 'hours_12'));
    // Midnight is 12 am and noon 12 pm: Unicode CLDR, day period "h" of English.
    expect(twelve).toEqual(['12:00 am', '12:30 am', '9:05 am', '12:00 pm', '12:30 pm', '1:00 pm', '11:59 pm']);
    expect(sayClock('09:05', 'hours_24')).toBe('09:05');
    expect(sayClock('', 'hours_12')).toBe('');
  });

  it('have the day first, the month first, or the year first', () => {
    const day = '2027-01-07';
    expect(sayDate(day, 'day_month', 'weekday')).toBe('Thursday 7 January');
    expect(sayDate(day, 'month_day', 'weekday')).toBe('Thursday, January 7');
    expect(sayDate(day, 'year_month_day', 'weekday')).toBe('Thursday 2027-01-07');
    expect(sayDate(day, 'month_day', 'short')).toBe('Jan 7, 2027');
    expect(sayDate(day, 'year_month_day', 'short')).toBe('2027-01-07');
    expect(sayDate(day, 'day_month', 'weekday_year')).toBe('Thursday, 7 January 2027');
    expect(sayDate('never', 'day_month', 'weekday')).toBe('');
  });

  it('are those of the salon’s place', () => {
    const usual = { clock: 'hours_24', date: 'day_month' } as const;
    expect(sayMoment('2027-01-07T20:30:00Z', 'Pacific/Auckland', usual)).toBe('Friday 8 January, 09:30');
    expect(sayMoment('2027-01-07T20:30:00Z', 'America/St_Johns', { clock: 'hours_12', date: 'month_day' })).toBe(
      'Thursday, January 7, 5:00 pm',
    );
  });
});
