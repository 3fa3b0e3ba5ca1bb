import { aProblem, aStep } from '../testing/problems.js';
import { backInOrder, exchanged, riskOf, withoutTheRiskiest } from './give-up-work.js';
import { solutionOf } from './solution.js';

/** Two steps of welfare, of which the second needs the first, and two of what was asked for. */
const problem = aProblem({
  steps: [
    aStep('soak', { tier: 'welfare', worth: 1 }),
    aStep('crust', { tier: 'welfare', worth: 4 }),
    aStep('bath', { tier: 'asked', worth: 3 }),
    aStep('face', { tier: 'asked', worth: 2 }),
  ],
  order: [{ first: 'soak', then: 'crust', kind: 'requires', rule: 'order.natural' }],
});
const [SOAK, CRUST, BATH, FACE] = [1, 2, 4, 8] as const;
const ALL = SOAK | CRUST | BATH | FACE;
const limits = { stop: 0.05, bite: 0.01 };

describe('work that is given up', () => {
  const planned = (hardBySteps: readonly number[]) => ({
    solution: solutionOf(
      problem,
      problem.steps.map((_, step) => ({ step, breaks: [0] })),
      ALL,
      0,
      undefined,
      'best_found',
    ),
    reckoned: { stop: 0.06, bite: 0.005, hardBySteps },
  });
  it('is what was asked for before welfare, the most hard signs for its worth first, and no more than the limits ask for', () => {
    expect(withoutTheRiskiest(problem, ALL, 0, planned([4, 4, 0.1, 3]), limits)).toBe(SOAK | CRUST | BATH);
  });
  it('takes with it what needs it', () => {
    expect(withoutTheRiskiest(problem, SOAK | CRUST, 0, planned([5, 1, 0, 0]), limits)).toBe(0);
  });
  it('is never what is insisted on', () => {
    expect(withoutTheRiskiest(problem, FACE, FACE, planned([0, 0, 0, 9]), limits)).toBe(FACE);
  });
  it('comes back with what it needs, welfare first', () => {
    expect(backInOrder(problem, [SOAK | CRUST, FACE], 0)).toEqual([SOAK | CRUST, SOAK, FACE]);
    expect(backInOrder(problem, [CRUST], 0)).toEqual([SOAK | CRUST, CRUST]);
    expect(backInOrder(problem, [FACE], FACE)).toEqual([]);
  });
  it('comes back in exchange for what is worth less, and for nothing else', () => {
    expect(exchanged(problem, FACE, [BATH], 0)).toEqual([BATH]);
    expect(exchanged(problem, BATH, [FACE], 0)).toEqual([]);
    expect(exchanged(problem, FACE, [BATH], FACE)).toEqual([]);
  });
  it('is asked for as long as a chance lies above its limit', () => {
    expect(riskOf({ stop: 0.05, bite: 0.005, hardBySteps: [] }, limits)).toBeCloseTo(1, 9);
    expect(riskOf({ stop: 0.01, bite: 0.03, hardBySteps: [] }, limits)).toBeCloseTo(3, 9);
  });
});
