import { priorRate, rateInterval90, rateMean, updateRate } from './index.js';

describe('gamma–Poisson rate', () => {
  it('adds events and exposure: Gamma(2, 30) + 3 in 42 min is Gamma(5, 72)', () =>
    expect(updateRate({ shape: 2, minutes: 30 }, 3, 42)).toEqual({ shape: 5, minutes: 72 }));
  it('has mean 0.0694444444 for Gamma(5, 72)', () => expect(rateMean({ shape: 5, minutes: 72 })).toBeCloseTo(0.0694444444, 10));

  // 5 % and 95 % quantiles from R `qgamma` (Wilson–Hilferty is an approximation: within 3 %).
  for (const [shape, minutes, low, high] of [
    [5, 72, 0.0273631884, 0.1271322087],
    [9.5, 359, 0.0140905474, 0.0419826284],
    [10, 369, 0.0147029965, 0.0425615621],
  ] as const) {
    it(`has the 90 % interval of Gamma(${shape}, ${minutes}) within 3 %`, () => {
      const [l, h] = rateInterval90({ shape, minutes });
      expect(Math.abs(l / low - 1)).toBeLessThan(0.03);
      expect(Math.abs(h / high - 1)).toBeLessThan(0.03);
    });
  }
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
  });
});
