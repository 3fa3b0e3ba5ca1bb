import fc from 'fast-check';
import jStat from 'jstat';
import {
  betaCdf,
  chiSquareQuantile,
  gammaCdf,
  gammaQuantile,
  kaplanMeier,
  logGamma,
  medianSurvival,
  poissonInterval,
  restrictedMean,
  type Spell,
  survivalAt,
  wilsonInterval,
} from './index.js';

const close = (got: number, want: number, relative: number): void => {
  expect(Math.abs(got - want))
    .withContext(`${got} against ${want}`)
    .toBeLessThanOrEqual(relative * Math.max(1e-12, Math.abs(want)));
};
const spells = (text: string): Spell[] => text.split(' ').map((t) => ({ time: Number(t.replace('+', '')), event: !t.endsWith('+') }));

describe('gamma functions', () => {
  // Factorials are exact.
  it('have ln 24 at 5, ln √π at one half, and 0 at 1 and 2', () => {
    close(logGamma(5), Math.log(24), 1e-13);
    close(logGamma(0.5), Math.log(Math.sqrt(Math.PI)), 1e-13);
    expect(logGamma(1)).toBeCloseTo(0, 12);
    expect(logGamma(2)).toBeCloseTo(0, 12);
    close(logGamma(0.1), 2.252712651734206, 1e-12);
    expect(() => logGamma(0)).toThrowError(RangeError);
  });

  // Published closed forms: shape 1 is the exponential distribution, shape 2 has 1 − e^(−x)(1 + x).
  it('agree with the closed forms of whole shapes on both sides of the switch', () => {
    for (const x of [0.01, 0.5, 1, 1.9, 2.1, 3, 8, 40]) {
      close(gammaCdf(1, x), 1 - Math.exp(-x), 1e-12);
      close(gammaCdf(2, x), 1 - Math.exp(-x) * (1 + x), 1e-11);
    }
    expect(gammaCdf(3, 0)).toBe(0);
    expect(gammaCdf(3, Infinity)).toBe(1);
    expect(() => gammaCdf(0, 1)).toThrowError(RangeError);
    expect(() => gammaCdf(1, -1)).toThrowError(RangeError);
  });

  // R `qgamma`; three other libraries agree to 11 digits.
  const R_QUANTILES: readonly (readonly [number, number, number, number, number])[] = [
    [5, 72, 0.0273631884, 0.0648737345, 0.1271322087],
    [2, 30, 0.0118453837, 0.0559448997, 0.1581288173],
    [9.5, 359, 0.0140905474, 0.0255399065, 0.0419826284],
    [10, 369, 0.0147029965, 0.0262024786, 0.0425615621],
  ];
  for (const [shape, rate, q5, q50, q95] of R_QUANTILES) {
    it(`has the quantiles of R for Gamma(${shape}, ${rate})`, () => {
      close(gammaQuantile(0.05, shape, rate), q5, 6e-9);
      close(gammaQuantile(0.5, shape, rate), q50, 6e-9);
      close(gammaQuantile(0.95, shape, rate), q95, 6e-9);
    });
  }

  it('agrees with the reference library jStat over shapes, rates and tails', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.2, max: 80, noNaN: true }),
        fc.double({ min: 0.05, max: 500, noNaN: true }),
        (p, shape, rate) => close(gammaQuantile(p, shape, rate), jStat.gamma.inv(p, shape, 1 / rate), 1e-6),
      ),
      { numRuns: 200 },
    );
  });

  it('is the inverse of its distribution, and keeps its ends', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 0.999, noNaN: true }), fc.double({ min: 0.3, max: 60, noNaN: true }), (p, shape) =>
        expect(gammaCdf(shape, gammaQuantile(p, shape, 1))).toBeCloseTo(p, 9),
      ),
      { numRuns: 100 },
    );
    expect(gammaQuantile(0, 2, 1)).toBe(0);
    expect(gammaQuantile(1, 2, 1)).toBe(Infinity);
    expect(() => gammaQuantile(1.1, 2, 1)).toThrowError(RangeError);
    expect(() => gammaQuantile(0.5, 0, 1)).toThrowError(RangeError);
    expect(() => gammaQuantile(0.5, 1, 0)).toThrowError(RangeError);
  });

  // Tables of the chi-square distribution: 5.991 and 7.378 with two degrees, 3.841 with one.
  it('has the printed chi-square values', () => {
    expect(chiSquareQuantile(0.95, 1)).toBeCloseTo(3.841459, 5);
    expect(chiSquareQuantile(0.95, 2)).toBeCloseTo(5.991465, 5);
    expect(chiSquareQuantile(0.975, 2)).toBeCloseTo(7.377759, 5);
  });
});

describe('betaCdf', () => {
  it('has the closed forms: 11/16 at ½ for (2, 3), x for (1, 1), x² for (2, 1)', () => {
    expect(betaCdf(0.5, 2, 3)).toBeCloseTo(0.6875, 12);
    for (const x of [0.1, 0.37, 0.8]) {
      expect(betaCdf(x, 1, 1)).toBeCloseTo(x, 12);
      expect(betaCdf(x, 2, 1)).toBeCloseTo(x * x, 12);
    }
    expect(betaCdf(0, 3, 4)).toBe(0);
    expect(betaCdf(1, 3, 4)).toBe(1);
    expect(() => betaCdf(1.1, 1, 1)).toThrowError(RangeError);
    expect(() => betaCdf(0.5, 0, 1)).toThrowError(RangeError);
    expect(() => betaCdf(0.5, 1, 0)).toThrowError(RangeError);
  });
  it('agrees with jStat, and mirrors itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.double({ min: 0.3, max: 60, noNaN: true }),
        fc.double({ min: 0.3, max: 60, noNaN: true }),
        (x, a, b) => {
          expect(betaCdf(x, a, b)).toBeCloseTo(jStat.beta.cdf(x, a, b), 6);
          expect(betaCdf(x, a, b)).toBeCloseTo(1 - betaCdf(1 - x, b, a), 9);
        },
      ),
      { numRuns: 200 },
    );
  });
});

// Garwood 1936, Biometrika 28:437–442; values reproduced with R `qchisq` and `poisson.test`.
describe('poissonInterval', () => {
  const GARWOOD: readonly (readonly [number, number, number])[] = [
    [0, 0, 3.688879],
    [1, 0.025318, 5.571643],
    [2, 0.242209, 7.224688],
    [3, 0.618672, 8.767273],
    [4, 1.089865, 10.241589],
    [5, 1.623486, 11.668332],
    [6, 2.201894, 13.059474],
    [7, 2.814363, 14.422675],
    [8, 3.453832, 15.763189],
    [9, 4.115373, 17.084803],
    [10, 4.795389, 18.390356],
    [20, 12.21652, 30.888378],
    [50, 37.110964, 65.918767],
    [100, 81.363991, 121.626794],
  ];
  for (const [count, low, high] of GARWOOD) {
    it(`of ${count} events is ${low} to ${high}`, () => {
      expect(poissonInterval(count)[0]).toBeCloseTo(low, 5);
      expect(poissonInterval(count)[1]).toBeCloseTo(high, 5);
    });
  }
  it('of 90 % has the values of R, and the rule of three at 0 (Hanley & Lippman-Hand 1983)', () => {
    expect(poissonInterval(0, 0.9)[1]).toBeCloseTo(2.995732, 6);
    expect(poissonInterval(1, 0.9)[0]).toBeCloseTo(0.051293, 6);
    expect(poissonInterval(5, 0.9)[1]).toBeCloseTo(10.513035, 5);
    expect(poissonInterval(10, 0.9)[0]).toBeCloseTo(5.425406, 5);
  });
  it('refuses half events and certainty', () => {
    for (const [count, confidence] of [
      [1.5, 0.95],
      [-1, 0.95],
      [1, 1],
      [1, 0],
    ] as const)
      expect(() => poissonInterval(count, confidence)).toThrowError(RangeError);
  });
});

// Newcombe 1998, Statistics in Medicine 17:857–872, Table I; the rest computed with R.
describe('wilsonInterval', () => {
  const NEWCOMBE: readonly (readonly [number, number, number, number])[] = [
    [81, 263, 0.255289, 0.36621],
    [15, 148, 0.062386, 0.160487],
    [0, 20, 0, 0.161125],
    [1, 29, 0.006113, 0.171755],
    [0, 10, 0, 0.277533],
    [5, 10, 0.236593, 0.763407],
    [10, 10, 0.722467, 1],
    [3, 50, 0.020615, 0.162171],
    [2, 7, 0.082219, 0.641066],
  ];
  for (const [hits, trials, low, high] of NEWCOMBE) {
    it(`of ${hits} in ${trials} is ${low} to ${high}`, () => {
      expect(wilsonInterval(hits, trials)[0]).toBeCloseTo(low, 5);
      expect(wilsonInterval(hits, trials)[1]).toBeCloseTo(high, 5);
    });
  }
  it('is exact at the ends, and refuses what cannot be', () => {
    expect(wilsonInterval(0, 10)[0]).toBe(0);
    expect(wilsonInterval(10, 10)[1]).toBe(1);
    for (const [hits, trials] of [
      [1, 0],
      [-1, 5],
      [6, 5],
    ] as const)
      expect(() => wilsonInterval(hits, trials)).toThrowError(RangeError);
  });
});

// Freireich et al. 1963, Blood 21:699–716, remission weeks; estimates by R `survival` 3.5-3.
describe('kaplanMeier', () => {
  const drug = kaplanMeier(spells('6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+'));
  const placebo = kaplanMeier(spells('1 1 2 2 3 4 4 5 5 8 8 8 8 11 11 12 12 15 17 22 23'));
  const FREIREICH: readonly (readonly [number, number, number, number, number])[] = [
    [6, 21, 3, 0.8571428571, 0.07636035483],
    [7, 17, 1, 0.8067226891, 0.08693528518],
    [10, 15, 1, 0.7529411765, 0.09634965299],
    [13, 12, 1, 0.6901960784, 0.10681470778],
    [16, 11, 1, 0.6274509804, 0.11405386526],
    [22, 7, 1, 0.5378151261, 0.12823375169],
    [23, 6, 1, 0.4481792717, 0.13459145676],
  ];
  FREIREICH.forEach(([time, atRisk, events, survival, error], i) => {
    it(`has the published estimate at ${time} weeks`, () => {
      const step = drug[i]!;
      expect([step.time, step.atRisk, step.events]).toEqual([time, atRisk, events]);
      expect(step.survival).toBeCloseTo(survival, 9);
      expect(step.standardError).toBeCloseTo(error, 9);
    });
  });
  it('has the log-log limits of R', () => {
    const at = (t: number) => drug.find((s) => s.time === t)!;
    expect([at(6).low, at(6).high]).toEqual([jasmine.any(Number), jasmine.any(Number)]);
    expect(at(6).low).toBeCloseTo(0.6197179553, 8);
    expect(at(6).high).toBeCloseTo(0.9515517476, 8);
    expect(at(10).low).toBeCloseTo(0.5031995108, 8);
    expect(at(23).high).toBeCloseTo(0.6801426285, 8);
  });
  it('has the medians 23 and 8 weeks', () => {
    expect(medianSurvival(drug)).toBe(23);
    expect(medianSurvival(placebo)).toBe(8);
  });
  it('has the restricted means 23.287 to 35 weeks, 21.046 to 30, and the plain mean without censoring', () => {
    expect(restrictedMean(drug, 35)).toBeCloseTo(23.287394958, 8);
    expect(restrictedMean(drug, 30)).toBeCloseTo(21.046498599, 8);
    expect(restrictedMean(placebo, 23)).toBeCloseTo(8.666666667, 8);
  });
  it('says nothing of the error when nobody is left', () => {
    const last = placebo[placebo.length - 1]!;
    expect(last.survival).toBe(0);
    expect([last.standardError, last.low, last.high].every(Number.isNaN)).toBeTrue();
  });
  it('counts a spell censored at a time as at risk at that time (hand fixture)', () => {
    const s = kaplanMeier(spells('4 6 6+ 9 12+ 15 15 20+'));
    expect(s.map((x) => Number(x.survival.toFixed(4)))).toEqual([0.875, 0.75, 0.6, 0.2]);
    expect(s[0]!.standardError).toBeCloseTo(0.1169267933, 9);
    expect(s[3]!.low).toBeCloseTo(0.009583793849, 9);
    expect(restrictedMean(s, 20)).toBeCloseTo(12.6, 9);
    expect([survivalAt(s, 3.9), survivalAt(s, 4), survivalAt(s, 14), survivalAt(s, 99)].map((x) => Number(x.toFixed(4)))).toEqual([
      1, 0.875, 0.6, 0.2,
    ]);
  });
  it('takes the middle where the curve lies on one half, and no median while it stays above', () => {
    expect(medianSurvival(kaplanMeier(spells('1 2 3 4')))).toBe(2.5);
    expect(medianSurvival(kaplanMeier(spells('1 2 2+')))).toBeCloseTo(2, 12);
    expect(medianSurvival(kaplanMeier(spells('1 9+ 9+ 9+')))).toBeUndefined();
    expect(medianSurvival([])).toBeUndefined();
    expect(restrictedMean([], 10)).toBe(10);
  });
  it('refuses a negative time', () => expect(() => kaplanMeier([{ time: -1, event: true }])).toThrowError(RangeError));
  it('never rises, and without censoring is the share that is left', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 40 }), (times) => {
        const steps = kaplanMeier(times.map((time) => ({ time, event: true })));
        for (const s of steps) expect(s.survival).toBeCloseTo(times.filter((t) => t > s.time).length / times.length, 9);
      }),
    );
  });
});
