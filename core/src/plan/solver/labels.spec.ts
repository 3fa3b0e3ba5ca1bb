import fc from 'fast-check';
import { aProblem, aStep } from '../../testing/problems.js';
import { POSTS, TIERS } from '../../words/index.js';
import type { PlanProblem, SolverStep } from '../model.js';
import { burden } from '../objective.js';
import { simulate } from '../simulate.js';
import { chosenSteps, dominates, grow, insert, type Label, mannerOfSearch, type SearchManner } from './labels.js';
import { numbersOf } from './numbers.js';

/** Where the only or the first step is done: the first station after that at which the dog begins. */
const FIRST = 1;

const label = (strain: number, standing: number, minutes: number, points: number): Label => ({
  strain,
  standing,
  minutes,
  burden: points,
  lags: [],
  parent: undefined,
  step: -1,
  pause: 0,
  station: 0,
});
const step = (change: Partial<SolverStep> = {}): SolverStep => aStep('a', { tier: 'welfare', ...change });
const problem = (steps: readonly SolverStep[], change: Partial<PlanProblem> = {}): PlanProblem =>
  aProblem({ steps, sessionMinutes: 300, ...change });
const manner = (p: PlanProblem): SearchManner => mannerOfSearch(numbersOf(p));
const M = manner(problem([step()]));
const K = M.numbers.k;
const PRICE = M.minutePrice;
const least = (labels: readonly Label[]): number => Math.min(Infinity, ...labels.map((l) => l.burden));

const labels = fc
  .record({
    strain: fc.double({ min: 0, max: 60, noNaN: true }),
    standing: fc.integer({ min: 0, max: 20 }),
    minutes: fc.integer({ min: 0, max: 60 }),
    dose: fc.double({ min: 0, max: 80, noNaN: true }),
  })
  .map((r) => label(r.strain, r.standing, r.minutes, r.dose + PRICE * r.minutes));
const steps = fc
  .record({
    tier: fc.constantFrom(...TIERS),
    minutes: fc.integer({ min: 2, max: 9 }),
    ratePerMinute: fc.double({ min: 0.2, max: 5, noNaN: true }),
    post: fc.constantFrom(...POSTS),
    standing: fc.boolean(),
  })
  .map((r) => step(r));

describe('dominates', () => {
  it('holds when nothing is worse', () => {
    expect(dominates(label(10, 5, 10, 40), label(12, 5, 10, 40), M)).toBeTrue();
    expect(dominates(label(12, 5, 10, 40), label(10, 5, 10, 40), M)).toBeFalse();
  });
  it('holds against a dog that has rested before it had to: the rest can be taken later', () => {
    const now = label(40, 10, 10, 50);
    const rested = label(40 * Math.exp(-K * 5) + 0.001, 0, 15, 50 + 15 + 60);
    expect(dominates(now, rested, M)).toBeTrue();
  });
  it('does not hold when the rest would come too late for the clock', () => {
    expect(dominates(label(40, 10, 13, 50), label(22, 0, 15, 100), M)).toBeFalse();
  });

  it('asks for lags that are no longer, and for the same minute while a helper is still to come', () => {
    const waits = (lag: number, minutes = 10): Label => ({ ...label(10, 5, minutes, 40), lags: [lag] });
    expect(dominates(waits(2), waits(3), M)).toBeTrue();
    expect(dominates(waits(3), waits(2), M)).toBeFalse();
    expect(dominates(waits(0, 9), waits(0, 10), M)).toBeTrue();
    expect(dominates(waits(0, 9), waits(0, 10), M, { sameMinute: true, noRest: false })).toBeFalse();
  });

  it('is right: whatever step follows, the dominated label ends no better', () => {
    fc.assert(
      fc.property(labels, labels, fc.array(steps, { minLength: 1, maxLength: 2 }), (a, b, list) => {
        fc.pre(dominates(a, b, M));
        const p = problem(list);
        let [fromA, fromB]: [Label[], Label[]] = [[a], [b]];
        list.forEach((_, i) => {
          const at = numbersOf(p).steps[i]?.stations[0] ?? FIRST;
          fromA = fromA.flatMap((l) => grow(manner(p), l, at, i * 5, i));
          fromB = fromB.flatMap((l) => grow(manner(p), l, at, i * 5, i));
        });
        expect(least(fromA)).toBeLessThanOrEqual(least(fromB) + 1e-6);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('insert', () => {
  it('keeps no label that another one dominates', () => {
    fc.assert(
      fc.property(fc.array(labels, { maxLength: 30 }), (list) => {
        const bucket: Label[] = [];
        for (const l of list) insert(bucket, l, M);
        for (const a of bucket) for (const b of bucket) if (a !== b) expect(dominates(a, b, M) && dominates(b, a, M)).toBeFalse();
        for (const l of list) expect(bucket.some((k) => k === l || dominates(k, l, M))).toBeTrue();
      }),
      { numRuns: 150 },
    );
  });
});

describe('grow', () => {
  it('says what simulate says of the same step and breaks', () => {
    fc.assert(
      fc.property(steps, fc.integer({ min: 0, max: 40 }), (s, startStrain) => {
        const p = problem([s], { startStrain });
        for (const way of grow(manner(p), label(startStrain, 0, 0, 0), FIRST, 0, 0)) {
          const run = simulate(p, chosenSteps(way, numbersOf(p)));
          expect(run.broken).toBeUndefined();
          expect(way.minutes).toBeCloseTo(run.minutes, 9);
          expect(way.burden).toBeCloseTo(burden(run), 6);
          expect(way.strain).toBeCloseTo(run.stretches.at(-1)?.strainTo ?? -1, 9);
        }
      }),
      { numRuns: 300 },
    );
  });
  it('gives nothing when no rest is long enough', () =>
    expect(grow(manner(problem([step({ ratePerMinute: 40, minutes: 10 })])), label(10, 0, 0, 0), FIRST, 0, 0)).toEqual([]));
  it('takes a break before a part that would stand too long', () => {
    const ways = grow(manner(problem([step({ minutes: 8 })], { continuousStandingMinutes: 10 })), label(5, 6, 6, 18), FIRST, 0, 0);
    expect(ways.length).toBeGreaterThan(0);
    for (const w of ways) expect(chosenSteps(w, M.numbers)[0]?.breaks.some((b) => b > 0)).toBeTrue();
  });
  it('asks for no break from a dog that does not stand', () => {
    const ways = grow(
      manner(problem([step({ minutes: 8, standing: false, ratePerMinute: 0.5 })], { continuousStandingMinutes: 10 })),
      label(5, 9, 6, 18),
      FIRST,
      0,
      0,
    );
    expect(ways.some((w) => chosenSteps(w, M.numbers)[0]?.breaks.every((b) => b === 0))).toBeTrue();
  });
});
