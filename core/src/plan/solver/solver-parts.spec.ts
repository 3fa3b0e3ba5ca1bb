import fc from 'fast-check';
import { recoveryPerMinute, strainAfter, strainDoseAbove, WATCH_AT } from '../../strain/index.js';
import { aProblem, aStep } from '../../testing/problems.js';
import { POSTS, TIERS } from '../../words/index.js';
import { BREAK_STEP_MINUTES } from '../model.js';
import { burden } from '../objective.js';
import { precedenceOf } from '../precedence.js';
import { simulate } from '../simulate.js';
import { solveInOrder } from '../solve-in-order.js';
import { solve } from '../solve.js';
import { boundTable, roomForBreaks } from './bound-table.js';
import { Budget } from './budget.js';
import { closedSets } from './closed-sets.js';
import { leastBurden } from './least-burden.js';
import { nearestOrder } from './nearest-order.js';
import { doseOf, doseSlopeOf, numbersOf, restDose } from './numbers.js';
import { compareWorth, SetsByWorth, worthOfSet } from './sets-by-worth.js';
import { stepCells } from './step-cells.js';
import { beforeOf, closedSetsOf, nearOrder, subProblem } from './sub-problem.js';

const problems = fc
  .record({
    steps: fc.array(
      fc.record({
        tier: fc.constantFrom(...TIERS),
        worth: fc.integer({ min: 1, max: 4 }),
        minutes: fc.integer({ min: 2, max: 14 }),
        ratePerMinute: fc.double({ min: 0.5, max: 4, noNaN: true }),
        post: fc.constantFrom(...POSTS),
        standing: fc.boolean(),
      }),
      { minLength: 2, maxLength: 6 },
    ),
    pairs: fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 4 }),
    sessionMinutes: fc.integer({ min: 15, max: 120 }),
  })
  .map(({ steps, pairs, sessionMinutes }) =>
    aProblem({
      sessionMinutes,
      steps: steps.map((s, i) => ({ id: `s${i}`, ...s })),
      order: pairs
        .filter(([a, b]) => a < b && b < steps.length)
        .map(([a, b]) => ({ first: `s${a}`, then: `s${b}`, kind: 'before' as const, rule: 'order.mats_before_bath' as const })),
    }),
  );

describe('doseSlopeOf', () => {
  it('never rises above the curve that it touches: dose is convex in the strain before it', () => {
    const any = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(any(0, 70), any(0, 10), any(0, 6), any(0.5, 40), any(2, 30), (strain, more, rate, minutes, halfLife) => {
        const k = recoveryPerMinute(halfLife);
        const dose = (from: number): number => doseOf(from, endOf(from), rate, minutes, k);
        const endOf = (from: number): number => from * Math.exp(-k * minutes) + (rate / k) * (1 - Math.exp(-k * minutes));
        const slope = doseSlopeOf(strain, endOf(strain), rate, minutes, k);
        expect(dose(strain) + slope * more).toBeLessThanOrEqual(dose(strain + more) + 1e-6);
        expect(slope).toBeLessThanOrEqual(minutes + 1e-9);
      }),
      { numRuns: 400 },
    );
    expect(doseSlopeOf(60, 60, 0, 10, 1e-9)).toBeCloseTo(10, 6);
  });
});

describe('doseOf', () => {
  it('is the area above the line that the closed form gives, from the two ends alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 75, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        (strain, rate, minutes, halfLife) => {
          const k = recoveryPerMinute(halfLife);
          fc.pre(strain * Math.exp(-k * minutes) + (rate / k) * (1 - Math.exp(-k * minutes)) < 100);
          const end = strainAfter(strain, rate, minutes, k);
          expect(doseOf(strain, end, rate, minutes, k)).toBeCloseTo(strainDoseAbove(strain, rate, minutes, k, WATCH_AT), 6);
          expect(restDose(strain, minutes, k)).toBeCloseTo(strainDoseAbove(strain, 0, minutes, k, WATCH_AT), 6);
        },
      ),
    );
  });
});

describe('closedSets', () => {
  it('lists 2 to the n sets without rules, n + 1 in a chain', () => {
    const free = closedSets([0, 0, 0, 0], [1, 2, 3, 4], 100);
    const chain = closedSets([0, 1, 3, 7], [1, 2, 3, 4], 100);
    expect(free !== 'circle' && free !== 'too_many' && free.masks.length).toBe(16);
    expect(chain !== 'circle' && chain !== 'too_many' && [...chain.worked]).toEqual([0, 1, 3, 6, 10]);
  });
  it('says when there are too many, and when rules go round in a circle', () => {
    expect(closedSets([0, 0, 0, 0, 0], [1, 1, 1, 1, 1], 20)).toBe('too_many');
    expect(closedSets([2, 1], [1, 1], 20)).toBe('circle');
  });
  it('is what all subsets say, when each is asked whether it is closed', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const before = beforeOf(problem);
        const sets = closedSetsOf(problem);
        if (typeof sets === 'string') throw new Error(sets);
        const all = Array.from({ length: 2 ** problem.steps.length }, (_, mask) => mask).filter((mask) =>
          before.every((need, i) => !(mask & (1 << i)) || (mask & need) === need),
        );
        expect([...sets.masks].sort((a, b) => a - b)).toEqual(all);
      }),
      { numRuns: 60 },
    );
  });
});

describe('boundTable', () => {
  it('is never above the best plan, and closes in on it as cells get finer', () => {
    let coarseSum = 0;
    let fineSum = 0;
    fc.assert(
      fc.property(problems, (problem) => {
        const all = { ...problem, required: problem.steps.map((s) => s.id) };
        const found = solve(all);
        fc.pre(found.proof === 'proven');
        const sets = closedSetsOf(all);
        if (typeof sets === 'string') throw new Error(sets);
        const numbers = numbersOf(all);
        const at = (strainCells: number, standingCells: number): number =>
          boundTable(numbers, sets, { minutePrice: 3, dose: true, standingCells, cells: stepCells(numbers, strainCells) }).atStart;
        const [coarse, fine] = [at(10, 2), at(150, 10)];
        const best = burden(found.value);
        expect(coarse).toBeLessThanOrEqual(best + 1e-6);
        expect(fine).toBeLessThanOrEqual(best + 1e-6);
        expect(leastBurden(numbers)).toBeLessThanOrEqual(best + 1e-6);
        coarseSum += coarse / best;
        fineSum += fine / best;
      }),
      { numRuns: 80, seed: 11 },
    );
    expect(fineSum).toBeGreaterThan(coarseSum);
  });
  it('that counts breaks is never above the best plan within the session, nor below the table that does not', () => {
    let above = 0;
    fc.assert(
      fc.property(problems, fc.integer({ min: 6, max: 25 }), (problem, halfLifeMinutes) => {
        const all = { ...problem, halfLifeMinutes, required: problem.steps.map((s) => s.id) };
        const found = solve(all);
        fc.pre(found.proof === 'proven');
        const sets = closedSetsOf(all);
        if (typeof sets === 'string') throw new Error(sets);
        const numbers = numbersOf(all);
        const breaks = roomForBreaks(numbers, sets)(0, 0, numbers.session);
        expect(breaks).toBeGreaterThanOrEqual(found.chosen.flatMap((c) => c.breaks).reduce((a, b) => a + b, 0) / BREAK_STEP_MINUTES);
        const question = { minutePrice: 3, dose: true, standingCells: 2, cells: stepCells(numbers, 48) };
        const [counted, free] = [boundTable(numbers, sets, { ...question, breaks }).atStart, boundTable(numbers, sets, question).atStart];
        expect(counted).toBeLessThanOrEqual(burden(found.value) + 1e-6);
        expect(counted).toBeGreaterThanOrEqual(free - 1e-6);
        if (counted > 1.02 * free) above++;
      }),
      { numRuns: 120, seed: 12 },
    );
    expect(above).toBeGreaterThan(4);
  });
  it('of minutes alone is never above the minutes of any plan', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const numbers = numbersOf(problem);
        const sets = closedSetsOf(problem);
        if (typeof sets === 'string') throw new Error(sets);
        const table = boundTable(numbers, sets, { minutePrice: 1, dose: false, standingCells: 4, cells: stepCells(numbers, 30) });
        const order = sets.masks.length > 0 ? nearestOrder(numbers, beforeOf(problem)) : [];
        const found = solveInOrder({ ...problem, sessionMinutes: Infinity }, order);
        if (found) expect(table.atStart).toBeLessThanOrEqual(found.value.minutes + 1e-6);
      }),
      { numRuns: 80 },
    );
  });
});

describe('SetsByWorth', () => {
  it('gives every set that could be done, the most worth first', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const full = 2 ** problem.steps.length - 1;
        const sets = new SetsByWorth(problem, precedenceOf(problem), full, 0);
        const given: number[] = [];
        for (let mask = sets.next(); mask !== undefined; mask = sets.next()) given.push(mask);
        expect(new Set(given).size).toBe(given.length);
        given.forEach((mask, i) => {
          const next = given[i + 1];
          if (next !== undefined) expect(compareWorth(worthOfSet(problem, mask), worthOfSet(problem, next))).toBeGreaterThanOrEqual(0);
        });
        // What any order does within the limits is among them.
        for (let mask = 0; mask <= full; mask++) {
          const sub = subProblem(problem, mask);
          const order = nearestOrder(numbersOf(sub.problem), beforeOf(sub.problem));
          const found = order.length > 0 && solveInOrder(sub.problem, order);
          if (found) expect(given).toContain(mask);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('nearOrder', () => {
  it('with a width of 1 leaves one order, with a wide one all', () => {
    const before = [0, 0, 0, 0];
    const one = closedSets(nearOrder(before, [2, 0, 3, 1], 1), [1, 1, 1, 1], 100);
    const all = closedSets(nearOrder(before, [2, 0, 3, 1], 4), [1, 1, 1, 1], 100);
    expect(one !== 'circle' && one !== 'too_many' && one.masks).toEqual([0, 4, 5, 13, 15]);
    expect(all !== 'circle' && all !== 'too_many' && all.masks.length).toBe(16);
  });
  it('keeps the order itself', () => {
    const problem = aProblem({ steps: Array.from({ length: 8 }, (_, i) => aStep(`s${i}`)) });
    const order = nearestOrder(numbersOf(problem), beforeOf(problem));
    expect([...order].sort()).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    const found = solveInOrder(problem, order);
    expect(found && simulate(problem, found.chosen).broken).toBeUndefined();
  });
});

describe('Budget', () => {
  it('ends by labels, by the clock, and with the whole it is a part of', () => {
    const labels = new Budget(10);
    expect([labels.spend(10), labels.spend(1)]).toEqual([true, false]);
    let now = 0;
    const timed = new Budget(Infinity, () => now, 50);
    expect(timed.spend(1)).toBeTrue();
    now = 60;
    expect(timed.spend(300)).toBeFalse();
    const whole = new Budget(5);
    const part = whole.part(100);
    expect(part.spend(6)).toBeFalse();
    expect([whole.looked, whole.empty(), part.empty()]).toEqual([6, true, true]);
  });
});
