import { aboutMinutes, dayInWords, money, stopwatch } from './time';

describe('wording', () => {
  it('says near days as people do', () => {
    expect(dayInWords('2026-11-25', '2026-11-25')).toBe('today');
    expect(dayInWords('2026-11-26', '2026-11-25')).toBe('tomorrow');
    expect(dayInWords('2026-11-30', '2026-11-25')).toBe('Monday 30 November, in 5 days');
    expect(dayInWords('2027-01-06', '2026-11-25')).toBe('Wednesday 6 January, in 6 weeks');
    expect(dayInWords('2026-10-14', '2026-11-25')).toContain('6 weeks ago');
  });
  it('counts seconds and hours', () => {
    expect(stopwatch(247)).toBe('4:07');
    expect(stopwatch(3847)).toBe('1:04:07');
    expect(stopwatch(-5)).toBe('0:00');
  });
  it('gives minutes their range, and money its coin', () => {
    expect(aboutMinutes(8, [5, 12])).toBe('about 8 min (5 to 12)');
    expect(money(720, 'EUR')).toBe('€7.20');
  });
});
