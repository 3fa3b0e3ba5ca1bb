import fc from 'fast-check';
import { ratesByPlace, type SeenWork, STRAIN_STEP_ENDS, strainStep } from './index.js';

const work = (change: Partial<SeenWork<'a' | 'b'>>): SeenWork<'a' | 'b'> => ({
  activity: 'a',
  group: 'feet',
  tool: 'nail_tool',
  posture: 'lying',
  minutes: 10,
  points: 20,
  ...change,
});

describe('rates by place', () => {
  it('add up what was done with one tool in one place and posture, the hardest first', () => {
    const rates = ratesByPlace(
      [
        work({}),
        work({ activity: 'b', minutes: 5, points: 1 }),
        work({ tool: 'clipper', group: 'body', minutes: 20, points: 200 }),
        work({ minutes: 0, points: 0 }),
      ],
      () => 1,
    );
    expect(rates.map((r) => [r.tool, r.minutes, r.points])).toEqual([
      ['clipper', 20, 200],
      ['nail_tool', 15, 21],
    ]);
  });

  it('lie between the prior and what was seen, surer with every minute', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 200 }),
        (prior, minutes, points) => {
          const rate = (times: number) => ratesByPlace([work({ minutes: minutes * times, points: points * times })], () => prior)[0]!;
          const one = rate(1);
          const raw = points / minutes;
          expect(one.mean).toBeGreaterThanOrEqual(Math.min(prior, raw) - 1e-9);
          expect(one.mean).toBeLessThanOrEqual(Math.max(prior, raw) + 1e-9);
          expect(one.interval90[0]).toBeLessThanOrEqual(one.mean);
          expect(one.interval90[1]).toBeGreaterThanOrEqual(one.mean);
          expect(Math.abs(rate(50).mean - raw)).toBeLessThanOrEqual(Math.abs(one.mean - raw) + 1e-9);
        },
      ),
    );
  });

  it('come in five steps for the map', () => {
    expect([0, 0.5, 1.2, 2.2, 3.5, 99].map(strainStep)).toEqual([1, 2, 3, 4, 5, 5]);
    expect([...STRAIN_STEP_ENDS]).toEqual([...STRAIN_STEP_ENDS].sort((a, b) => a - b));
  });
});
