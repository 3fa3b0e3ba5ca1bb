import { msToNoon } from './noon.js';

describe('msToNoon', () => {
  const dayOf = (ms: number): string => new Date(ms).toISOString();
  it('brings every minute of a day to its noon, the last one before midnight too', () => {
    for (let minute = 0; minute < 1440; minute++) {
      const now = Date.UTC(2026, 10, 30, 0, minute, 59, 999);
      expect(dayOf(now + msToNoon(now))).toBe('2026-11-30T12:00:00.000Z');
    }
  });
});
