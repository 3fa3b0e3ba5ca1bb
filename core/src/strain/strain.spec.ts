import fc from 'fast-check';
import { SIGNAL_IDS } from '../words/index.js';
import { bandOf, minutesToReach, PAD_SIGNALS, recoveryPerMinute, SIGNALS, strainAfter, strainDoseAbove, worseBand } from './index.js';

/** dS/dt = r − kS in small steps (RK4): the slow twin of the closed form. */
function slowly(strain: number, rate: number, minutes: number, k: number, line: number): { strain: number; dose: number } {
  const n = 4000;
  const h = minutes / n;
  const f = (s: number): number => rate - k * s;
  let s = strain;
  let dose = 0;
  for (let i = 0; i < n; i++) {
    const k1 = f(s);
    const k2 = f(s + (h * k1) / 2);
    const k3 = f(s + (h * k2) / 2);
    const k4 = f(s + h * k3);
    const next = s + (h * (k1 + 2 * k2 + 2 * k3 + k4)) / 6;
    dose += (h * (Math.max(0, s - line) + Math.max(0, next - line))) / 2;
    s = next;
  }
  return { strain: s, dose };
}

describe('strain curve', () => {
  it('halves in one half-life of rest', () => expect(strainAfter(40, 0, 6, recoveryPerMinute(6))).toBeCloseTo(20, 10));

  it('agrees with step-by-step integration, curve and dose', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        fc.double({ min: 3, max: 15, noNaN: true }),
        (s, r, d, half) => {
          const k = recoveryPerMinute(half);
          const slow = slowly(s, r, d, k, 25);
          if (slow.strain > 100) return;
          expect(strainAfter(s, r, d, k)).toBeCloseTo(slow.strain, 5);
          expect(strainDoseAbove(s, r, d, k, 25)).toBeCloseTo(slow.dose, 2);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('is the same in one stretch or two', () => {
    const k = recoveryPerMinute(6);
    expect(strainAfter(strainAfter(10, 3, 4, k), 3, 5, k)).toBeCloseTo(strainAfter(10, 3, 9, k), 10);
  });

  it('rises with strain before it: what makes dominance valid', () => {
    const k = recoveryPerMinute(6);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (s, more) => strainAfter(s + more, 2, 7, k) >= strainAfter(s, 2, 7, k),
      ),
    );
  });

  it('says when a line is reached, or never', () => {
    expect(minutesToReach(40, 0, 20, Math.LN2 / 6)).toBeCloseTo(6, 10);
    expect(minutesToReach(10, 1, 50, Math.LN2 / 6)).toBe(Infinity);
  });

  it('refuses a half-life that is not positive', () => expect(() => recoveryPerMinute(0)).toThrowError(RangeError));
});

describe('bands', () => {
  for (const [strain, band] of [
    [0, 'settled'],
    [24.9, 'settled'],
    [25, 'watch'],
    [49.9, 'watch'],
    [50, 'pause'],
    [74.9, 'pause'],
    [75, 'stop'],
    [100, 'stop'],
  ] as const) {
    it(`${strain} is ${band}`, () => expect(bandOf(strain)).toBe(band));
  }
  it('keep the more careful one', () => expect(worseBand('watch', 'stop')).toBe('stop'));
});

describe('signals', () => {
  it('weigh as the ladder of aggression orders them (Shepherd, BSAVA 2009, from memory): a higher tier is never lighter', () => {
    const worst = (tier: string): number => Math.max(...SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier).map((s) => SIGNALS[s].points));
    const least = (tier: string): number => Math.min(...SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier).map((s) => SIGNALS[s].points));
    expect(worst('good')).toBeLessThan(0);
    expect(worst('early')).toBeLessThan(least('rising'));
    expect(worst('rising')).toBeLessThan(least('hard'));
    const rungs = (['growl', 'snap', 'bite'] as const).map((s) => SIGNALS[s].points);
    expect(rungs).toEqual([...rungs].sort((a, b) => a - b));
  });
  it('on the pad are eight, and hold a good sign and a hard one', () => {
    expect(new Set(PAD_SIGNALS).size).toBe(8);
    expect(PAD_SIGNALS.map((s) => SIGNALS[s].tier)).toEqual(jasmine.arrayContaining(['good', 'hard']));
  });
});
