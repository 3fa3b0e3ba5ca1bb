import { seeded } from '../../demo/src/random.js';
import { ASKED_KINDS, SATURDAY, saturdayOf } from './saturday.js';

describe('a Saturday of many salons', () => {
  const dogs = SATURDAY.people * SATURDAY.dogsEach;
  it('asks of a server what every dog of every salon comes to, whatever chance does', () => {
    for (const seed of [1, 2]) {
      const { total } = saturdayOf(10, seeded(seed).next);
      expect(total.entry).toBe(10 * dogs * SATURDAY.entriesOfVisit);
      expect(total.news).toBe(total.entry * (SATURDAY.screens - 1));
      expect(total.photograph).toBe(10 * dogs * SATURDAY.photographsOfVisit);
      expect(total.here).toBe((10 * dogs * SATURDAY.visitMinutes * 60) / 10);
    }
  });
  it('is busiest when dogs have just come, and at no time outside of its hours', () => {
    const { peak, peakAtS, total } = saturdayOf(200, seeded(3).next);
    const hour = peakAtS / 3600;
    expect(hour).toBeGreaterThan(SATURDAY.opensHour - 0.5);
    expect(hour).toBeLessThan(SATURDAY.opensHour + 10.5);
    for (const kind of ASKED_KINDS)
      expect(peak[kind])
        .withContext(kind)
        .toBeLessThan(total[kind] / 3600);
    expect(peak.entry).toBeGreaterThan(total.entry / (11 * 3600));
  });
  it('a second of its peak grows as salons do, and is smoother for many', () => {
    const per = (salons: number): number => saturdayOf(salons, seeded(4).next).peak.entry / salons;
    expect(per(2000)).toBeLessThan(per(10));
    expect(per(2000) / per(1000)).toBeGreaterThan(0.85);
    expect(per(2000) / per(1000)).toBeLessThan(1.1);
  });
  it('is the same for the same chance', () => expect(saturdayOf(5, seeded(7).next)).toEqual(saturdayOf(5, seeded(7).next)));
});
