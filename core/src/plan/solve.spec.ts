import fc from 'fast-check';
import { comparePlans } from '../testing/compare-plans.js';
import { aProblem, aStep } from '../testing/problems.js';
import { type DogPosture, POSTS, TIERS } from '../words/index.js';
import type { OrderKind } from '../work/index.js';
import {
  BREAK_STEP_MINUTES,
  burden,
  type ChosenStep,
  partsOf,
  type PlanProblem,
  type PlanValue,
  simulate,
  solve,
  solveInOrder,
  STRAIN_CEILING,
  worthOf,
} from './index.js';
import { withoutLooks } from './solver/with-looks.js';

/** Longer breaks are never better in the problems of this file: strain halves every 6 minutes. */
const LONGEST_BREAK = 30;

/** Time and feet that can run short. */
const scarce = (change: Partial<PlanProblem>): PlanProblem => aProblem({ totalStandingMinutes: 100, sessionMinutes: 120, ...change });

/** Looks that nothing needs and nobody holds by hand. */
const isLook = (problem: PlanProblem, i: number): boolean => (withoutLooks(problem) & (1 << i)) === 0;

/**
 * Every order of every subset, with every choice of breaks: the slow twin. Uses only `simulate`, which says what a plan means.
 * @param base work that stays, and what dose and peak must not pass when looks are in it; without it looks are left out
 */
function byBruteForce(
  problem: PlanProblem,
  base?: { readonly dose: number; readonly peak: number; readonly work: readonly string[] },
): PlanValue {
  let best: PlanValue = { welfare: 0, asked: 0, looks: 0, dose: 0, minutes: 0 };
  const lengths = Array.from({ length: LONGEST_BREAK / BREAK_STEP_MINUTES + 1 }, (_, i) => i * BREAK_STEP_MINUTES);
  const visit = (chosen: ChosenStep[], mask: number): void => {
    const run = simulate(problem, chosen);
    const value = { ...worthOf(problem, mask), dose: run.dose, minutes: run.minutes };
    const held = (problem.required ?? []).every((id) => problem.steps.some((s, i) => s.id === id && mask & (1 << i)));
    const calm =
      !base ||
      (run.dose <= base.dose + 1e-3 &&
        run.peak <= base.peak + 1e-6 &&
        problem.steps.every((s, i) => (isLook(problem, i) || mask & (1 << i) ? true : !base.work.includes(s.id))));
    if (held && !run.broken && calm && comparePlans(value, best) < 0) best = value;
    // A prefix may be unfinished (a wet dog), but no limit may be broken on the way.
    if (run.broken && run.broken.step !== -1) return;
    problem.steps.forEach((s, i) => {
      if (mask & (1 << i) || (!base && isLook(problem, i))) return;
      const parts = partsOf(s, problem.continuousStandingMinutes).count;
      const all = (posture: ChosenStep['posture'], breaks: number[]): void => {
        if (breaks.length === parts) visit([...chosen, { step: i, breaks, posture }], mask | (1 << i));
        else for (const b of lengths) all(posture, [...breaks, b]);
      };
      for (const posture of s.postures ?? [undefined]) all(posture, []);
    });
  };
  visit([], 0);
  return best;
}

function withHelperAlways({ helperWindows: _some, ...rest }: PlanProblem): PlanProblem {
  return rest;
}

const problems = fc
  .record({
    steps: fc.array(
      fc.record({
        tier: fc.constantFrom(...TIERS),
        worth: fc.integer({ min: 1, max: 3 }),
        minutes: fc.integer({ min: 2, max: 10 }),
        ratePerMinute: fc.double({ min: 0.5, max: 6, noNaN: true }),
        post: fc.constantFrom(...POSTS),
        standing: fc.boolean(),
        helper: fc.boolean(),
        noBreakBefore: fc.boolean(),
        tool: fc.constantFrom('clipper', 'brush'),
        postures: fc.constantFrom<readonly DogPosture[]>(
          ['standing'],
          ['standing'],
          ['sitting'],
          ['lap'],
          ['lying_right'],
          ['standing'],
          ['lying_left', 'lying_right'],
        ),
        longestPart: fc.constantFrom(10, 10, 10, 4),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    pairs: fc.array(fc.record({ a: fc.nat(3), b: fc.nat(3), kind: fc.constantFrom<OrderKind>('before', 'requires', 'finishes') }), {
      maxLength: 3,
    }),
    lag: fc.option(fc.record({ a: fc.nat(3), b: fc.nat(3), minutes: fc.integer({ min: 1, max: 14 }), runs: fc.boolean() }), {
      nil: undefined,
    }),
    helperWindows: fc.option(
      fc.array(
        fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 5, max: 30 })).map(([from, long]) => [from, from + long] as const),
        {
          maxLength: 2,
        },
      ),
      { nil: undefined },
    ),
    startStrain: fc.integer({ min: 0, max: 35 }),
    continuousStandingMinutes: fc.constantFrom(6, 12, 20),
    totalStandingMinutes: fc.constantFrom(14, 100),
    workMinutes: fc.constantFrom(16, Infinity),
    sessionMinutes: fc.constantFrom(18, 30, 60),
  })
  .map(({ steps, pairs, lag, helperWindows, ...rest }) =>
    scarce({
      ...rest,
      ...(helperWindows ? { helperWindows } : {}),
      lags:
        lag && lag.a < lag.b && lag.b < steps.length
          ? [{ first: lag.runs ? undefined : `s${lag.a}`, then: `s${lag.b}`, minutes: lag.minutes, rule: 'order.crust_first' as const }]
          : [],
      steps: steps.map((s, i) => ({ id: `s${i}`, ...s })),
      // Only from lower to higher: no circles.
      order: pairs
        .filter((p) => p.a < p.b && p.b < steps.length)
        .map((p) => ({ first: `s${p.a}`, then: `s${p.b}`, kind: p.kind, rule: 'order.mats_before_bath' as const })),
    }),
  );

/** Much work, little time, and breaks that every order needs: most sets of steps fit by their minutes and do not fit. */
function manyThatDoNotFit(): PlanProblem {
  return aProblem({
    steps: Array.from({ length: 18 }, (_, i) =>
      aStep(`s${String(i).padStart(2, '0')}`, { minutes: 5 + (i % 4), ratePerMinute: 4.5 + (i % 3), worth: 1 + (i % 5), standing: false }),
    ),
    halfLifeMinutes: 14,
    sessionMinutes: 90,
  });
}

/** The same visit without its looks. */
function looksAside(problem: PlanProblem): PlanProblem {
  const gone = problem.steps.filter((_, i) => isLook(problem, i)).map((s) => s.id);
  const stays = (id: string | undefined): boolean => id === undefined || !gone.includes(id);
  return {
    ...problem,
    steps: problem.steps.filter((s) => stays(s.id)),
    order: problem.order.filter((r) => stays(r.first) && stays(r.then)),
    lags: (problem.lags ?? []).filter((l) => stays(l.first) && stays(l.then)),
  };
}

describe('solve', () => {
  it('finds what brute force over all orders and breaks finds', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const best = byBruteForce(problem);
        const found = solve(looksAside(problem));
        const slack = { ...best, dose: found.value.dose, minutes: found.value.minutes };
        expect(comparePlans(slack, found.value)).withContext('worth').toBe(0);
        expect(burden(found.value))
          .withContext('burden')
          .toBeLessThanOrEqual(burden(best) * (1 + (found.gap ?? Infinity)) + 1e-3);
        if (found.proof === 'proven') expect(burden(found.value)).toBeCloseTo(burden(best), 3);
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it('takes the most of looks that adds neither dose nor peak to the visit without them, as brute force does', () => {
    let taken = 0;
    let left = 0;
    fc.assert(
      fc.property(problems, (problem) => {
        if (!problem.steps.some((_, i) => isLook(problem, i))) return;
        const without = looksAside(problem);
        const base = solve(without);
        const run = simulate(without, base.chosen);
        const found = solve(problem);
        const mine = simulate(problem, found.chosen);
        expect(mine.broken).toBeUndefined();
        expect(mine.dose).toBeLessThanOrEqual(run.dose + 1e-3);
        expect(mine.peak).toBeLessThanOrEqual(run.peak + 1e-5);
        const best = byBruteForce(problem, { ...run, work: base.chosen.flatMap((c) => without.steps[c.step]?.id ?? []) });
        expect([found.value.welfare, found.value.asked]).toEqual([base.value.welfare, base.value.asked]);
        if (found.proof === 'proven') expect(found.value.looks).toBe(best.looks);
        if (best.looks > 0) taken++;
        else left++;
      }),
      { numRuns: 250, seed: 19 },
    );
    expect(Math.min(taken, left)).toBeGreaterThan(10);
  });

  it('holds what is required, or says that it cannot', () => {
    let impossible = 0;
    fc.assert(
      fc.property(problems, fc.nat(3), (problem, at) => {
        const id = problem.steps[at % problem.steps.length]?.id ?? '';
        const found = solve(looksAside({ ...problem, required: [id] }));
        const best = byBruteForce({ ...problem, required: [id] });
        if (found.proof === 'impossible') {
          impossible += 1;
          expect(best.minutes).toBe(0);
        } else {
          expect(found.chosen.map((c) => looksAside({ ...problem, required: [id] }).steps[c.step]?.id)).toContain(id);
          expect(comparePlans(found.value, best)).toBeLessThanOrEqual(1e-3);
        }
      }),
      { numRuns: 150, seed: 3 },
    );
    expect(impossible).toBeGreaterThan(5);
  });

  it('breaks no limit', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const found = solve(problem);
        expect(simulate(problem, found.chosen).broken).toBeUndefined();
      }),
      { numRuns: 200 },
    );
  });

  it('does no worse with more time, a calmer dog or longer legs', () => {
    fc.assert(
      // A calmer visit may leave no room for looks that add nothing: they are looked at by themselves.
      fc.property(problems.map(looksAside), (problem) => {
        const now = solve(problem);
        const easier: PlanProblem[] = [
          { ...problem, sessionMinutes: problem.sessionMinutes + 20 },
          { ...problem, startStrain: Math.max(0, problem.startStrain - 5) },
          { ...problem, totalStandingMinutes: problem.totalStandingMinutes + 30 },
          withHelperAlways(problem),
        ];
        for (const e of easier) {
          const then = solve(e);
          expect(
            comparePlans(then.value, { ...now.value, dose: now.value.dose * (1 + (then.gap ?? Infinity)) + 0.01 }),
          ).toBeLessThanOrEqual(0);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('does not care in which order the steps are named', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const turned = { ...problem, steps: [...problem.steps].reverse() };
        const [a, b] = [solve(problem), solve(turned)];
        expect(comparePlans(a.value, b.value)).toBe(0);
      }),
      { numRuns: 60 },
    );
  });

  it('does not care what the steps are called', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const called = (id: string): string => `z${9 - Number(id.slice(1))}`;
        const rename = <T extends { first: string; then: string }>(r: T): T => ({ ...r, first: called(r.first), then: called(r.then) });
        const renamed = {
          ...problem,
          steps: problem.steps.map((s) => ({ ...s, id: called(s.id) })),
          order: problem.order.map(rename),
          lags: (problem.lags ?? []).map((l) => ({ ...l, first: l.first && called(l.first), then: called(l.then) })),
        };
        expect(comparePlans(solve(problem).value, solve(renamed).value)).toBe(0);
      }),
      { numRuns: 60 },
    );
  });

  it('has a plan when time is up before it knows which of many steps fit best', () => {
    const steps = Array.from({ length: 20 }, (_, i) =>
      aStep(`s${String(i).padStart(2, '0')}`, { minutes: 4 + (i % 5), worth: 1 + (i % 2), ratePerMinute: 2 + (i % 3) }),
    );
    const problem = scarce({ steps, sessionMinutes: 70, totalStandingMinutes: 200 });
    let ms = 0;
    const found = solve(problem, { clock: () => (ms += 10), limitMs: 30 });
    expect(found.chosen.length).toBeGreaterThan(3);
    expect(simulate(problem, found.chosen).broken).toBeUndefined();
    expect(found.proof).not.toBe('proven');
  });

  it('puts welfare before what was asked for, and that before looks', () => {
    const steps = [
      aStep('looks', { tier: 'looks', minutes: 8, ratePerMinute: 0.5 }),
      aStep('asked', { minutes: 8 }),
      aStep('welfare', { tier: 'welfare', minutes: 8, ratePerMinute: 4 }),
    ];
    const chosen = solve(scarce({ steps, sessionMinutes: 9 })).chosen.map((c) => steps[c.step]?.id);
    expect(chosen).toEqual(['welfare']);
  });

  it('rests before the dog stands too long', () => {
    const steps = [aStep('a', { minutes: 8, ratePerMinute: 0.5 }), aStep('b', { minutes: 8, ratePerMinute: 0.5 })];
    const found = solve(scarce({ steps, continuousStandingMinutes: 10 }));
    expect(found.chosen.length).toBe(2);
    expect(found.chosen.flatMap((c) => c.breaks).some((b) => b > 0)).toBeTrue();
  });

  it('ends, and leaves what needs standing, for a dog that cannot stand at all', () => {
    const steps = [aStep('stands', { minutes: 8 }), aStep('lies', { minutes: 8, ratePerMinute: 0.5, standing: false })];
    const found = solve(scarce({ steps, continuousStandingMinutes: 0 }));
    expect(found.chosen.map((c) => c.step)).toEqual([1]);
  });

  it('leaves a step that no rest makes bearable', () => {
    expect(solve(scarce({ steps: [aStep('a', { ratePerMinute: 30, minutes: 10 })] })).chosen).toEqual([]);
  });

  it('does not wet a dog that it cannot dry', () => {
    const steps = [aStep('bath', { minutes: 10, post: 'tub' }), aStep('dry', { minutes: 40, post: 'dryer' })];
    const order = [{ first: 'bath', then: 'dry', kind: 'finishes' as const, rule: 'order.dry_after_bath' as const }];
    expect(solve(scarce({ steps, order, sessionMinutes: 40 })).chosen).toEqual([]);
    expect(solve(scarce({ steps, order, sessionMinutes: 90 })).chosen.length).toBe(2);
  });

  it('gives the same plan for the same question', () => {
    const steps = [aStep('a'), aStep('b'), aStep('c'), aStep('d')];
    expect(solve(scarce({ steps })).chosen).toEqual(solve(scarce({ steps })).chosen);
  });

  it('proves the best of 16 like steps, which go in any order', () => {
    const steps = Array.from({ length: 16 }, (_, i) => aStep(`s${i}`, { minutes: 3, ratePerMinute: 1 }));
    const found = solve(scarce({ steps, sessionMinutes: 200 }));
    expect(found.proof).toBe('proven');
    expect(found.chosen.length).toBe(16);
  });

  it('plans 24 steps in any order near a good one, and says how far from the best it could be', () => {
    const steps = Array.from({ length: 24 }, (_, i) => aStep(`s${i}`, { minutes: 3 + (i % 4), ratePerMinute: 1 + (i % 5) / 2 }));
    const problem = scarce({ steps, sessionMinutes: 300, totalStandingMinutes: 300 });
    const found = solve(problem, { labels: 20_000 });
    expect(simulate(problem, found.chosen).broken).toBeUndefined();
    expect(found.chosen.length).toBe(24);
    expect(found.proof).toBe('within');
    expect(found.gap).toBeGreaterThan(0);
    expect(found.gap).toBeLessThan(0.3);
  });

  it('tells of better plans while it searches, each sound and better than the last', () => {
    const steps = Array.from({ length: 10 }, (_, i) => aStep(`s${i}`, { minutes: 4 + (i % 3), ratePerMinute: 1 + (i % 4) }));
    const problem = scarce({ steps, sessionMinutes: 200 });
    const told: number[] = [];
    const last = solve(problem, {
      onProgress: (found) => {
        expect(simulate(problem, found.chosen).broken).toBeUndefined();
        told.push(burden(found.value));
      },
    });
    expect(told.length).toBeGreaterThan(0);
    expect(told).toEqual([...told].sort((a, b) => b - a));
    expect(told.at(-1)).toBeCloseTo(burden(last.value), 6);
  });

  it('ends by the clock with a plan and its gap', () => {
    let ms = 0;
    const steps = Array.from({ length: 14 }, (_, i) => aStep(`s${i}`, { minutes: 4 + (i % 3), ratePerMinute: 2 + (i % 4) }));
    const problem = scarce({ steps, sessionMinutes: 110, totalStandingMinutes: 300 });
    const found = solve(problem, { clock: () => (ms += 100), limitMs: 300 });
    expect(simulate(problem, found.chosen).broken).toBeUndefined();
    expect(found.proof).not.toBe('proven');
  });

  it('waits more than an hour where it has to: for a helper, for a soak, for a dog that comes down slowly', () => {
    const late = solve(aProblem({ steps: [aStep('a', { helper: true })], helperWindows: [[95, 130]] }));
    expect(late.chosen.map((c) => c.breaks)).toEqual([[95]]);
    const soak = { first: undefined, then: 'a', minutes: 90, rule: 'order.crust_first' as const };
    expect(solve(aProblem({ steps: [aStep('a')], lags: [soak] })).chosen.map((c) => c.breaks)).toEqual([[90]]);
    const slow = aProblem({ steps: [aStep('a', { minutes: 8, ratePerMinute: 4 })], startStrain: 49, halfLifeMinutes: 60 });
    const found = solve(slow);
    expect([found.proof, found.chosen.length]).toEqual(['proven', 1]);
    expect(found.chosen[0]?.breaks[0]).toBeGreaterThan(60);
  });
  it('says that the gap is not known when the search was cut off before it knew what fits', () => {
    let at = 0;
    const found = solve(manyThatDoNotFit(), { clock: () => (at += 100), limitMs: 1 });
    expect(found.proof).toBe('best_found');
    expect(found.gap).toBeUndefined();
    expect(found.chosen.length).toBeGreaterThan(0);
  });
  it('keeps its time where no set of many fits soon, and is not empty', () => {
    let at = 0;
    // A clock that runs by itself: each look is a millisecond.
    const found = solve(manyThatDoNotFit(), { clock: () => (at += 1), limitMs: 40 });
    expect(found.chosen.length).toBeGreaterThan(0);
    expect(at).toBeLessThan(4000);
    expect(simulate(manyThatDoNotFit(), found.chosen).broken).toBeUndefined();
  });

  it('works with nothing to do', () => expect(solve(scarce({})).chosen).toEqual([]));
});

describe('solveInOrder', () => {
  it('finds the best breaks for the order: as good as every choice of breaks tried one by one', () => {
    const lengths = Array.from({ length: LONGEST_BREAK / BREAK_STEP_MINUTES + 1 }, (_, i) => i * BREAK_STEP_MINUTES);
    fc.assert(
      fc.property(problems, (problem) => {
        const free = { ...problem, order: [], lags: [] };
        let best = Infinity;
        const visit = (chosen: ChosenStep[], i: number): void => {
          const run = simulate(free, chosen);
          if (run.broken) return;
          const step = free.steps[i];
          if (!step) {
            best = Math.min(best, burden(run));
            return;
          }
          const parts = partsOf(step, free.continuousStandingMinutes).count;
          const all = (breaks: number[]): void => {
            if (breaks.length === parts) visit([...chosen, { step: i, breaks }], i + 1);
            else for (const b of lengths) all([...breaks, b]);
          };
          all([]);
        };
        visit([], 0);
        const found = solveInOrder(
          free,
          free.steps.map((_, i) => i),
        );
        if (best === Infinity) expect(found).toBeUndefined();
        else expect(found && burden(found.value)).toBeCloseTo(best, 3);
      }),
      { numRuns: 60 },
    );
  });
  it('keeps the order it is given and chooses the breaks', () => {
    const steps = [aStep('a', { ratePerMinute: 5 }), aStep('b', { ratePerMinute: 5 })];
    const problem = scarce({ steps });
    expect(solveInOrder(problem, [1, 0])?.chosen.map((c) => c.step)).toEqual([1, 0]);
  });
  it('says when no breaks help', () =>
    expect(solveInOrder(scarce({ steps: [aStep('a', { ratePerMinute: 30, minutes: 10 })] }), [0])).toBeUndefined());
});

describe('simulate', () => {
  it('names the limit that is broken', () => {
    const steps = [aStep('a', { minutes: 9 }), aStep('b', { minutes: 9 })];
    const all: ChosenStep[] = [
      { step: 0, breaks: [0] },
      { step: 1, breaks: [0] },
    ];
    expect(simulate(scarce({ steps, continuousStandingMinutes: 12 }), all).broken?.limit).toBe('standing');
    expect(simulate(scarce({ steps, totalStandingMinutes: 12 }), all).broken?.limit).toBe('total_standing');
    expect(simulate(scarce({ steps, sessionMinutes: 12 }), all).broken?.limit).toBe('session');
    expect(simulate(scarce({ steps, startStrain: 60 }), all).broken?.limit).toBe('strain');
  });
  it('names a lag that is too short and a helper who is not there', () => {
    const steps = [aStep('a'), aStep('b', { helper: true })];
    const inOrder: ChosenStep[] = [
      { step: 0, breaks: [0] },
      { step: 1, breaks: [0] },
    ];
    const lags = [{ first: 'a', then: 'b', minutes: 4, rule: 'order.crust_first' as const }];
    expect(simulate(scarce({ steps, lags }), inOrder).broken?.limit).toBe('lag');
    expect(simulate(scarce({ steps, helperWindows: [[0, 8]] }), inOrder).broken?.limit).toBe('helper');
    expect(simulate(scarce({ steps, lags: [], helperWindows: [[6, 12]] }), inOrder).broken).toBeUndefined();
  });
  it('waits for what was begun before: a soak that runs already, as long as it still takes', () => {
    const steps = [aStep('a', { minutes: 3 }), aStep('b', { minutes: 3 })];
    const waits = (minutes: number): Partial<PlanProblem> => ({
      steps,
      lags: [{ first: undefined, then: 'b', minutes, rule: 'order.soak_first' }],
    });
    const only = (then: number): ChosenStep[] => [{ step: then, breaks: [0] }];
    expect(simulate(scarce(waits(2)), only(1)).broken?.limit).toBe('lag');
    expect(simulate(scarce(waits(2)), only(0)).broken).toBeUndefined();
    // Other work fills the time; a break only as far as it does not.
    expect(solve(scarce(waits(2))).chosen.map((c) => [c.step, c.breaks])).toEqual([
      [0, [0]],
      [1, [0]],
    ]);
    expect(solve(scarce(waits(4))).chosen.map((c) => [c.step, c.breaks])).toEqual([
      [0, [0]],
      [1, [5]],
    ]);
  });
  it('keeps ceilings in the order of the tiers', () =>
    expect([STRAIN_CEILING.looks, STRAIN_CEILING.asked, STRAIN_CEILING.welfare]).toEqual([25, 50, 75]));
});
