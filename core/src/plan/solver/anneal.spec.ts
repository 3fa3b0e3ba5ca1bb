import { burden } from '../objective.js';
import { simulate } from '../simulate.js';
import { solve } from '../solve.js';
import { aProblem, aStep } from '../../testing/problems.js';
import { annealed } from './anneal.js';
import { anyOrder } from './best-of-set.js';
import { Budget } from './budget.js';
import { chosenSteps, type Label } from './labels.js';
import { numbersOf } from './numbers.js';
import { beforeOf, closedSetsOf } from './sub-problem.js';

/** A dog that comes down slowly, more work than it bears in one go, and some that has its place. */
const problem = aProblem({
  halfLifeMinutes: 15,
  sessionMinutes: 90,
  steps: [
    aStep('a', { minutes: 9, ratePerMinute: 2.4, tier: 'welfare', tool: 'clipper' }),
    aStep('b', { minutes: 5, ratePerMinute: 3.1, tier: 'welfare', standing: false }),
    aStep('c', { minutes: 7, ratePerMinute: 1.2, tool: 'brush', longestPart: 4 }),
    aStep('d', { minutes: 6, ratePerMinute: 0.8, postures: ['lying_left', 'standing'] }),
    aStep('e', { minutes: 4, ratePerMinute: 1.8, tool: 'clipper' }),
  ],
  order: [{ first: 'a', then: 'e', kind: 'before', rule: 'order.mats_before_bath' }],
  lags: [{ first: 'd', then: 'c', minutes: 8, rule: 'order.soak_first' }],
});
const numbers = numbersOf(problem);
const known = (): Label => {
  const sets = closedSetsOf(problem);
  if (typeof sets === 'string') throw new Error(sets);
  const found = anyOrder(numbers, sets, new Budget(100_000));
  if (typeof found === 'string') throw new Error(found);
  return found;
};
const runOf = (label: Label): ReturnType<typeof simulate> => simulate(problem, chosenSteps(label, numbers));

describe('annealed', () => {
  const found = annealed(numbers, beforeOf(problem), known(), new Budget(1_000_000));
  it('keeps every limit, as the plan’s meaning has it, and adds up as that does', () => {
    const run = runOf(found);
    expect(run.broken).toBeUndefined();
    expect(found.burden).toBeCloseTo(burden(run), 6);
    expect(found.minutes).toBeCloseTo(run.minutes, 6);
    expect(found.strain).toBeCloseTo(run.stretches[run.stretches.length - 1]!.strainTo, 6);
  });
  it('is better than the quickest plan, and never better than the best', () => {
    const best = solve({ ...problem, required: problem.steps.map((s) => s.id) });
    expect(best.proof).toBe('proven');
    expect(burden(runOf(found))).toBeLessThan(burden(runOf(known())));
    expect(burden(runOf(found))).toBeGreaterThanOrEqual(burden(best.value) - 1e-6);
    expect(burden(runOf(found))).toBeLessThan(1.02 * burden(best.value));
  });
  it('says the same each time, and leaves a plan alone when nothing may be spent', () => {
    expect(annealed(numbers, beforeOf(problem), known(), new Budget(1_000_000))).toEqual(found);
    expect(burden(runOf(annealed(numbers, beforeOf(problem), known(), new Budget(0))))).toBeCloseTo(burden(runOf(known())), 6);
  });
});
