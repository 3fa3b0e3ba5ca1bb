import { randomGamma, randomLcg } from 'd3-random';
import { aBlock, aDayOf, aDog, aPerson, aStretch, madeDay } from '../testing/a-day.js';
import { type DayStretch, drawDay, planDay } from './index.js';

describe('the chances of a day', () => {
  it('are those of its minutes: one dog, as likely longer as shorter', () => {
    const one = (at: number) =>
      aDayOf([aDog('one', [aBlock([aStretch(60)])], { arrives: { from: 540, to: 540 }, wishedBy: { at, weight: 1 } })], [aPerson('a')]);
    const chance = (at: number): number | undefined => {
      const problem = one(at);
      return drawDay(problem, planDay(problem, { rounds: 50 }).schedule, { lateMinutes: 0, days: 4_000 }).dogs[0]?.inTime;
    };
    expect(chance(600)).toBeCloseTo(0.5, 1);
    // ln(75 / 60) / 0.25 = 0.893: a standard normal is below that with 0.814.
    expect(Math.abs((chance(615) ?? 0) - 0.814)).toBeLessThan(0.02);
    expect(chance(540)).toBe(0);
  });

  it('fall for whoever comes after somebody who may take longer', () => {
    const at = (id: string, spread: number) => aDog(id, [aBlock([aStretch(60, { spread })])], { wishedBy: { at: 670, weight: 1 } });
    const of = (spread: number): number => {
      const problem = aDayOf(
        [
          { ...at('before', spread), arrives: { from: 540, to: 540 }, waitsAtMost: 0 },
          { ...at('after', 0.05), arrives: { from: 600, to: 600 } },
        ],
        [aPerson('a')],
      );
      return (
        drawDay(problem, planDay(problem, { rounds: 200 }).schedule, { lateMinutes: 0 }).dogs.find((d) => d.dog === 'after')?.inTime ?? 0
      );
    };
    expect(of(0.02)).toBeGreaterThan(0.95);
    expect(of(0.5)).toBeLessThan(0.8);
  });

  it('are told as they come, in a world whose minutes are drawn otherwise, to 5 points', () => {
    // The truth: a dog's day lies anywhere between a good and a bad one, and each stretch has gamma minutes; middle and variance are as told.
    const random = randomLcg(0.77);
    const truth = ({ minutes, spread }: DayStretch, ofDog: number): number => {
      const anywhere = Math.sqrt(3) * (2 / (1 + Math.exp(-1.702 * ofDog)) - 1);
      const own = 0.3 * spread ** 2;
      return minutes * Math.exp(spread * Math.sqrt(0.7) * anywhere) * randomGamma.source(random)(1 / own, own)();
    };
    const told: { said: number; came: number }[] = [];
    for (let seed = 1; seed <= 24; seed++) {
      const problem = madeDay(seed, 8, 3);
      const { schedule } = planDay(problem, { rounds: 150 });
      const said = drawDay(problem, schedule, { days: 400, seed: 0.1 });
      const came = drawDay(problem, schedule, { days: 400, seed: 0.9, minutesOf: truth });
      for (const d of said.dogs) {
        const then = came.dogs.find((c) => c.dog === d.dog)?.inTime;
        if (d.inTime !== undefined && then !== undefined) told.push({ said: d.inTime, came: then });
      }
    }
    expect(told.length).toBeGreaterThan(60);
    const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
    for (const [from, to] of [
      [0, 0.5],
      [0.5, 0.8],
      [0.8, 0.95],
      [0.95, 1.01],
    ] as const) {
      const bin = told.filter((t) => t.said >= from && t.said < to);
      if (bin.length >= 5)
        expect(Math.abs(mean(bin.map((t) => t.said)) - mean(bin.map((t) => t.came))))
          .withContext(`told ${from} to ${to}, ${bin.length} dogs`)
          .toBeLessThan(0.05);
    }
  });

  it('refuses no days', () => {
    const problem = madeDay(1, 2, 1);
    expect(() => drawDay(problem, planDay(problem, { rounds: 10 }).schedule, { days: 0 })).toThrowError(RangeError);
  });
});
