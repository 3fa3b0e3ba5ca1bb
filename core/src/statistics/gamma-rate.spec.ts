import fc from 'fast-check';
import { chanceHigher, chanceOfQuiet, priorRate, rateInterval90, rateMean, updateRate } from './index.js';

describe('gamma–Poisson rate', () => {
  it('adds events and exposure: Gamma(2, 30) + 3 in 42 min is Gamma(5, 72)', () =>
    expect(updateRate({ shape: 2, minutes: 30 }, 3, 42)).toEqual({ shape: 5, minutes: 72 }));
  it('has mean 0.0694444444 for Gamma(5, 72)', () => expect(rateMean({ shape: 5, minutes: 72 })).toBeCloseTo(0.0694444444, 10));

  // 5 % and 95 % quantiles from R `qgamma`.
  for (const [shape, minutes, low, high] of [
    [5, 72, 0.0273631884, 0.1271322087],
    [9.5, 359, 0.0140905474, 0.0419826284],
    [10, 369, 0.0147029965, 0.0425615621],
  ] as const) {
    it(`has the exact 90 % interval of Gamma(${shape}, ${minutes})`, () => {
      const [l, h] = rateInterval90({ shape, minutes });
      expect(l).toBeCloseTo(low, 9);
      expect(h).toBeCloseTo(high, 9);
    });
  }
  // Predictive chance P(T > t) of the Lomax distribution, computed in R.
  it('has the published chance of quiet minutes, never less than the rate’s mean would give', () => {
    const rate = { shape: 5, minutes: 72 };
    expect(chanceOfQuiet(rate, 5)).toBeCloseTo(0.7148400167, 9);
    expect(chanceOfQuiet(rate, 10)).toBeCloseTo(0.5219071183, 9);
    expect(chanceOfQuiet(rate, 20)).toBeCloseTo(0.2935778904, 9);
    expect(chanceOfQuiet({ shape: 2, minutes: 30 }, 10)).toBeCloseTo(0.5625, 12);
    for (const t of [1, 5, 30]) expect(chanceOfQuiet(rate, t)).toBeGreaterThanOrEqual(Math.exp(-rateMean(rate) * t));
    expect(() => chanceOfQuiet(rate, -1)).toThrowError(RangeError);
  });
  it('knows which of two rates is higher: a half when they are alike, and the two chances make one', () => {
    expect(chanceHigher({ shape: 3, minutes: 10 }, { shape: 3, minutes: 10 })).toBeCloseTo(0.5, 12);
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (a, b, c, d) => {
          const x = { shape: a, minutes: b };
          const y = { shape: c, minutes: d };
          expect(chanceHigher(x, y) + chanceHigher(y, x)).toBeCloseTo(1, 8);
          expect(chanceHigher(x, y, 2)).toBeLessThanOrEqual(chanceHigher(x, y) + 1e-9);
        },
      ),
      { numRuns: 100 },
    );
  });
  // Two exponentials: P(X > c·Y) = 1 / (1 + c·b₁/b₂).
  it('has the closed form of two exponentials', () =>
    expect(chanceHigher({ shape: 1, minutes: 4 }, { shape: 1, minutes: 6 }, 1.5)).toBeCloseTo(1 / (1 + (1.5 * 4) / 6), 10));
  it('moves from the prior to what was seen as minutes grow', () => {
    const prior = priorRate(2);
    expect(rateMean(prior)).toBeCloseTo(2, 12);
    expect(rateMean(updateRate(prior, 4, 1))).toBeGreaterThan(2);
    expect(rateMean(updateRate(prior, 400, 400))).toBeCloseTo(1, 1);
  });
  it('grows narrower with evidence', () => {
    const width = ([a, b]: readonly [number, number]): number => b - a;
    expect(width(rateInterval90(updateRate(priorRate(2), 40, 20)))).toBeLessThan(width(rateInterval90(priorRate(2))));
  });
  it('refuses what cannot be', () => {
    expect(() => priorRate(0)).toThrowError(RangeError);
    expect(() => updateRate(priorRate(1), -1, 5)).toThrowError(RangeError);
    expect(() => updateRate(priorRate(1), 1, -5)).toThrowError(RangeError);
  });
});
