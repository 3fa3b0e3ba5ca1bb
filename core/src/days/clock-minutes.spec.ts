import { clockOfMinute, minuteOfDay } from './index.js';

describe('a clock in minutes from midnight', () => {
  it('is read and said the same', () => {
    expect([0, 5, 570, 845, 1439].map(clockOfMinute)).toEqual(['00:00', '00:05', '09:30', '14:05', '23:59']);
    for (let minute = 0; minute < 1440; minute++) expect(minuteOfDay(clockOfMinute(minute))).toBe(minute);
  });
  it('goes on over midnight, both ways', () => {
    expect([1450, -10, 2890].map(clockOfMinute)).toEqual(['00:10', '23:50', '00:10']);
  });
});
