import { randomLcg } from 'd3-random';
import { calibrationOf, groupOf, minutesToldAgainstCame, type ToldChance, toldVisitsOf } from './index.js';
import { emptyVisit, summarize, type VisitSummary } from '../visit/index.js';

const times = (count: number, told: number, came: boolean): ToldChance[] => Array.from({ length: count }, () => ({ told, came }));

describe('told against came', () => {
  it('gives Wilson’s interval: 8 of 10 lie between 54 and 93 % in nine of ten', () => {
    // By hand: z² = 2.7055, centre (0.8 + 0.1353) / 1.2706, half 1.6449 · √(0.016 + 0.006764) / 1.2706.
    const g = groupOf([...times(8, 0.7, true), ...times(2, 0.7, false)]);
    expect(g.told).toBeCloseTo(0.7, 12);
    expect(g.came).toBe(0.8);
    expect(g.range90[0]).toBeCloseTo(0.5408, 3);
    expect(g.range90[1]).toBeCloseTo(0.9314, 3);
  });
  it('scores as Brier did: rain told at 0.7 that came in 8 of 10 scores 0.17, and a fifth of that more than its own share', () => {
    const c = calibrationOf([...times(8, 0.7, true), ...times(2, 0.7, false)]);
    expect(c.brier).toBeCloseTo((8 * 0.09 + 2 * 0.49) / 10, 12);
    expect(c.skill).toBeCloseTo(1 - 0.17 / 0.16, 12);
    expect(calibrationOf([...times(3, 1, true), ...times(3, 0, false)])).toEqual(jasmine.objectContaining({ brier: 0, skill: 1 }));
  });
  it('has no skill to tell of where it always or never came, and no group of nothing', () => {
    expect(calibrationOf(times(4, 0.3, true)).skill).toBeUndefined();
    expect(calibrationOf([])).toEqual({ count: 0, groups: [], brier: 0, skill: undefined });
    expect(() => groupOf([])).toThrowError(RangeError);
    expect(() => minutesToldAgainstCame([])).toThrowError(RangeError);
  });
  it('covers chances that are true, in groups that rise', () => {
    const random = randomLcg(0.4);
    const told = Array.from({ length: 4000 }, () => {
      const chance = random() ** 2;
      return { told: chance, came: random() < chance };
    });
    const { groups, skill } = calibrationOf(told);
    expect(groups.map((g) => g.count)).toEqual([800, 800, 800, 800, 800]);
    for (const g of groups) expect(Math.abs(g.came - g.told)).toBeLessThan(0.05);
    expect(groups.map((g) => g.told)).toEqual([...groups.map((g) => g.told)].sort((a, b) => a - b));
    expect(skill).toBeGreaterThan(0.2);
  });

  describe('of visits', () => {
    const visit = (change: Partial<VisitSummary>): VisitSummary => ({
      ...summarize(emptyVisit('a')),
      outcome: 'finished',
      minutes: 90,
      peak: 30,
      told: { minutes: 100, minutesRange: [80, 120], peak: 28, chances: { visits: 10_000, inTime: 0.9, pause: 0.2, stop: 0.02 } },
      ...change,
    });
    it('reads what was told with the plan, and what the visit came to', () => {
      const [calm, hard, late] = toldVisitsOf(
        [visit({}), visit({ peak: 80, outcome: 'stopped', minutes: 40 }), visit({ peak: 50, minutes: 130 })],
        () => 120,
      );
      expect([calm!.inTime.came, calm!.pause.came, calm!.stop.came]).toEqual([true, false, false]);
      expect([hard!.inTime.came, hard!.pause.came, hard!.stop.came]).toEqual([false, true, true]);
      expect([late!.inTime.came, late!.pause.came, late!.stop.came]).toEqual([false, true, false]);
      expect([calm!.inTime.told, calm!.pause.told, calm!.stop.told]).toEqual([0.9, 0.2, 0.02]);
    });
    it('leaves out visits that told nothing, go on, or never came to the table', () => {
      const without = [
        visit({ told: null }),
        visit({ outcome: null }),
        visit({ outcome: 'not_today' }),
        visit({ told: { minutes: 100, minutesRange: [80, 120], peak: 28, chances: null } }),
      ];
      expect(toldVisitsOf(without, () => 120)).toEqual([]);
      expect(toldVisitsOf([visit({})], () => undefined)).toEqual([]);
    });
    it('says how much longer visits took, and how many ended within what was told', () => {
      const of = (came: number) => ({ minutes: { told: 100, range: [80, 120] as const, came } });
      const { bias, within } = minutesToldAgainstCame([of(110), of(110), of(130), of(100)]);
      expect(bias).toBeCloseTo((1.1 * 1.1 * 1.3) ** 0.25 - 1, 12);
      expect(within).toBe(0.75);
    });
  });
});
