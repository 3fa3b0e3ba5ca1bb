import fc from 'fast-check';
import { changeoverModel, type Highs, highs, knapsackModel, optimum, orderingModel } from '../testing/highs-models.js';
import { NO_RECOVERY_MINUTES, plainProblem, weightedCompletion, weightedJobs } from '../testing/linear-problems.js';
import { POSTS } from '../words/index.js';
import type { OrderKind, OrderRule } from '../work/index.js';
import { simulate, solve } from './index.js';

/** 0-1 knapsacks p01 to p07 of J. Burkardt's collection (Florida State University); data and optima from memory, optima computed anew. */
const KNAPSACKS: readonly { name: string; capacity: number; weights: readonly number[]; profits: readonly number[]; best: number }[] = [
  {
    name: 'p01',
    capacity: 165,
    weights: [23, 31, 29, 44, 53, 38, 63, 85, 89, 82],
    profits: [92, 57, 49, 68, 60, 43, 67, 84, 87, 72],
    best: 309,
  },
  { name: 'p02', capacity: 26, weights: [12, 7, 11, 8, 9], profits: [24, 13, 23, 15, 16], best: 51 },
  { name: 'p03', capacity: 190, weights: [56, 59, 80, 64, 75, 17], profits: [50, 50, 64, 46, 50, 5], best: 150 },
  { name: 'p04', capacity: 50, weights: [31, 10, 20, 19, 4, 3, 6], profits: [70, 20, 39, 37, 7, 5, 10], best: 107 },
  { name: 'p05', capacity: 104, weights: [25, 35, 45, 5, 25, 3, 2, 2], profits: [350, 400, 450, 20, 70, 8, 5, 5], best: 900 },
  { name: 'p06', capacity: 170, weights: [41, 50, 49, 59, 55, 57, 60], profits: [442, 525, 511, 593, 546, 564, 617], best: 1735 },
  {
    name: 'p07',
    capacity: 750,
    weights: [70, 73, 77, 80, 82, 87, 90, 94, 98, 106, 110, 113, 115, 118, 120],
    profits: [135, 139, 149, 150, 156, 163, 173, 184, 192, 201, 210, 214, 221, 229, 240],
    best: 1458,
  },
];

// M. Pinedo, Scheduling: Theory, Algorithms, and Systems, example 3.1.5 (1 | chains | Σ w_j C_j); data from memory, optimum computed anew.
const WEIGHTS = [6, 18, 12, 8, 8, 17, 18];
const MINUTES = [3, 6, 6, 5, 4, 8, 10];
const CHAINS = [
  [1, 2, 3, 4],
  [5, 6, 7],
];

describe('published results that are special cases of the plan', () => {
  for (const k of KNAPSACKS)
    it(`which steps: knapsack ${k.name} is worth ${k.best}`, () => {
      const found = solve(
        plainProblem(
          k.weights.map((minutes, i) => ({ minutes, worth: k.profits[i] ?? 0 })),
          { sessionMinutes: k.capacity },
        ),
      );
      expect([found.value.welfare, found.proof]).toEqual([k.best, 'proven']);
    });

  it('in which order: weighted chains come to 1967, in the one order that does', () => {
    const found = solve(weightedJobs(WEIGHTS, MINUTES, CHAINS));
    const order = found.chosen.map((c) => c.step);
    expect(weightedCompletion(WEIGHTS, MINUTES, order)).toBe(1967);
    expect([...order].reverse().map((i) => i + 1)).toEqual([1, 2, 5, 6, 3, 7, 4]);
    expect(found.proof).toBe('proven');
  });

  // W. E. Smith 1956, Various optimizers for single-stage production: by weight over length.
  it('in which order: the same jobs without chains come to 1942', () =>
    expect(
      weightedCompletion(
        WEIGHTS,
        MINUTES,
        solve(weightedJobs(WEIGHTS, MINUTES, [])).chosen.map((c) => c.step),
      ),
    ).toBe(1942));
});

describe('against an independent exact solver', () => {
  let solver: Highs;
  beforeAll(async () => (solver = await highs()));

  const pairs = (n: number): fc.Arbitrary<{ a: number; b: number; kind: OrderKind }[]> =>
    fc
      .array(fc.record({ a: fc.nat(n - 1), b: fc.nat(n - 1), kind: fc.constantFrom<OrderKind>('before', 'requires', 'finishes') }), {
        maxLength: n,
      })
      .map((list) => list.filter((p) => p.a < p.b));
  const rules = (list: readonly { a: number; b: number; kind: OrderKind }[], n: number): OrderRule[] =>
    list
      .filter((p) => p.b < n)
      .map((p) => ({
        first: `s${String(p.a + 1).padStart(2, '0')}`,
        then: `s${String(p.b + 1).padStart(2, '0')}`,
        kind: p.kind,
        rule: 'order.mats_before_bath' as const,
      }));

  it('chooses steps worth as much, with steps that need others', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 12 }), worth: fc.integer({ min: 1, max: 9 }) }), {
          minLength: 4,
          maxLength: 14,
        }),
        pairs(14),
        fc.integer({ min: 10, max: 60 }),
        (steps, list, sessionMinutes) => {
          const problem = plainProblem(steps, { sessionMinutes, order: rules(list, steps.length) });
          expect(solve(problem).value.welfare).toBeCloseTo(optimum(solver, knapsackModel(problem)), 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('finds an order of as little dose when strain only adds up', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 10 }), weight: fc.integer({ min: 1, max: 20 }) }), {
          minLength: 3,
          maxLength: 6,
        }),
        pairs(6),
        (jobs, list) => {
          const problem = plainProblem(
            jobs.map((j) => ({ minutes: j.minutes, ratePerMinute: (0.1 * j.weight) / j.minutes })),
            { startStrain: 26, halfLifeMinutes: NO_RECOVERY_MINUTES, order: rules(list, jobs.length) },
          );
          const found = solve({ ...problem, required: problem.steps.map((s) => s.id) });
          const minutes = jobs.reduce((sum, j) => sum + j.minutes, 0);
          // What every order has: the strain brought, and half of what a step adds while it lasts.
          const always = minutes + jobs.reduce((sum, j) => sum + (0.1 * j.weight * j.minutes) / 2, 0);
          expect(found.value.dose - always).toBeCloseTo(optimum(solver, orderingModel(problem)), 4);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('finds an order of as few minutes between places', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ post: fc.constantFrom(...POSTS), minutes: fc.integer({ min: 1, max: 9 }) }), { minLength: 2, maxLength: 5 }),
        pairs(5),
        (steps, list) => {
          const problem = plainProblem(steps, { order: rules(list, steps.length) });
          const found = solve({ ...problem, required: problem.steps.map((s) => s.id) });
          const work = steps.reduce((sum, s) => sum + s.minutes, 0);
          expect(simulate(problem, found.chosen).broken).toBeUndefined();
          expect(found.value.minutes - work).toBeCloseTo(optimum(solver, changeoverModel(problem)), 6);
        },
      ),
      { numRuns: 20 },
    );
  });
});
