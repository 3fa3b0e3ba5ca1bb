import fc from 'fast-check';
import { aProblem, aStep } from '../testing/problems.js';
import { burden, type ChosenStep, simulate } from './index.js';
import { lessRest } from './less-rest.js';

const restOf = (plan: readonly ChosenStep[]): number => plan.flatMap((c) => c.breaks).reduce((a, b) => a + b, 0);

describe('lessRest', () => {
  const problem = aProblem({ steps: [aStep('a'), aStep('b'), aStep('c', { standing: false })] });
  const plan = (...breaks: number[]): ChosenStep[] => breaks.map((b, step) => ({ step, breaks: [b] }));

  it('gives back what does nothing for the dog', () => {
    expect(restOf(lessRest(problem, plan(20, 15, 10), () => true))).toBe(0);
  });
  it('stops where the plan would no longer be wanted', () => {
    expect(restOf(lessRest(problem, plan(20, 15, 10), (p) => restOf(p) >= 25))).toBe(25);
    const asItWas = plan(5, 5, 5);
    expect(lessRest(problem, asItWas, () => false)).toBe(asItWas);
  });
  it('leaves the rest that a limit asks for', () => {
    const short = { ...problem, continuousStandingMinutes: 7 };
    const left = lessRest(short, plan(10, 10, 10), () => true);
    expect(left.map((c) => c.breaks[0])).toEqual([0, 5, 0]);
    expect(simulate(short, left).broken).toBeUndefined();
  });
  it('never makes a plan heavier, longer or unsound', () => {
    const dogs = fc.record({
      rates: fc.array(fc.double({ min: 0.5, max: 4, noNaN: true }), { minLength: 3, maxLength: 3 }),
      breaks: fc.array(
        fc.nat(4).map((n) => 5 * n),
        { minLength: 3, maxLength: 3 },
      ),
      halfLifeMinutes: fc.integer({ min: 4, max: 25 }),
    });
    fc.assert(
      fc.property(dogs, ({ rates, breaks, halfLifeMinutes }) => {
        const hard = aProblem({
          halfLifeMinutes,
          steps: rates.map((ratePerMinute, i) => aStep(`s${i}`, { ratePerMinute, tier: 'welfare' })),
        });
        const before = simulate(hard, plan(...breaks));
        fc.pre(!before.broken);
        const after = simulate(
          hard,
          lessRest(hard, plan(...breaks), () => true),
        );
        expect(after.broken).toBeUndefined();
        expect(after.minutes).toBeLessThanOrEqual(before.minutes);
        expect(burden(after)).toBeLessThanOrEqual(burden(before) + 1e-9);
      }),
      { numRuns: 100 },
    );
  });
});
