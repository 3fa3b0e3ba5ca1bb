import fc from 'fast-check';
import { aBlock, aDayOf, aDog, aPerson, aStretch } from '../testing/a-day.js';
import { assignmentModel, type Highs, highs, optimum, tardinessModel } from '../testing/highs-models.js';
import {
  brokenRules,
  compareDays,
  DAY_GOALS,
  type DayDog,
  type DayGoal,
  type DayProblem,
  type DaySchedule,
  type DayTerms,
  judgeDay,
  planDay,
  type PlacedStretch,
} from './index.js';

interface Job {
  readonly p: number;
  readonly d: number;
  readonly w: number;
}
/** One machine: one pair of hands at one table, to the minute, and nothing counts but what is late. */
function oneMachine(jobs: readonly Job[]): DayProblem {
  const all = jobs.reduce((sum, j) => sum + j.p, 0);
  const work = { arrives: { from: 0, to: 0 }, waitsAtMost: all };
  return aDayOf(
    jobs.map(({ p, d, w }, i) => aDog(`j${i + 1}`, [aBlock([aStretch(p)])], { ...work, wishedBy: { at: d, weight: w } })),
    [aPerson('machine', { works: [{ from: 0, to: all }] })],
    { from: 0, to: all, slot: 1, overtime: 0 },
  );
}
const LATE: readonly DayGoal[] = ['unplaced', 'wishes'];
const leastLate = (jobs: readonly Job[], rounds: number): number => planDay(oneMachine(jobs), { goals: LATE, rounds }).terms.wishes;

describe('the day against what is known from outside', () => {
  let solver: Highs;
  beforeAll(async () => (solver = await highs()));

  // M. Pinedo, Scheduling: Theory, Algorithms and Systems, Ex. 3.4.5 (data and optimum from memory, computed anew by HiGHS below).
  const EX_345: readonly Job[] = [
    { p: 121, d: 260, w: 1 },
    { p: 79, d: 266, w: 1 },
    { p: 147, d: 266, w: 1 },
    { p: 83, d: 336, w: 1 },
    { p: 130, d: 337, w: 1 },
  ];
  it('finds the least tardiness of the textbook: 370', () => expect(leastLate(EX_345, 3_000)).toBe(370));

  // Ex. 3.1.5 of the same without its chains: by the ratio rule of W. E. Smith (1956, Naval Research Logistics Quarterly 3: 59–66) it is 1942.
  it('finds the least weighted completion of the textbook: 1942', () => {
    const [w, p] = [
      [6, 18, 12, 8, 8, 17, 18],
      [3, 6, 6, 5, 4, 8, 10],
    ];
    const jobs = p.map((minutes, i) => ({ p: minutes, d: 0, w: w[i] ?? 0 }));
    expect(leastLate(jobs, 6_000)).toBe(1942);
  });

  it('is as good as an exact solver on one machine', () => {
    const job = fc.record({ p: fc.integer({ min: 1, max: 6 }), d: fc.integer({ min: 0, max: 20 }), w: fc.integer({ min: 1, max: 4 }) });
    fc.assert(
      fc.property(fc.array(job, { minLength: 2, maxLength: 5 }), (jobs) => {
        expect(leastLate(jobs, 2_500))
          .withContext(JSON.stringify(jobs))
          .toBeCloseTo(optimum(solver, tardinessModel(jobs)), 6);
      }),
      { numRuns: 40, seed: 18 },
    );
  });

  it('is as good as an exact solver where only who takes whom is asked', () => {
    const n = 4;
    const row = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: n, maxLength: n });
    fc.assert(
      fc.property(fc.array(row, { minLength: n, maxLength: n }), (costs) => {
        // Everybody has time for one dog.
        const people = Array.from({ length: n }, (_, j) => aPerson(`p${j}`, { works: [{ from: 540, to: 600 }] }));
        const dogs = costs.map((own, i) =>
          aDog(`d${i}`, [aBlock([aStretch(60)])], {
            arrives: { from: 540, to: 540 },
            waitsAtMost: 0,
            wishes: Object.fromEntries(own.map((cost, j) => [`p${j}`, cost])),
          }),
        );
        const plan = planDay(aDayOf(dogs, people, { to: 600, slot: 60, overtime: 0 }), { goals: LATE, rounds: 3_000 });
        expect(plan.terms.unplaced).toBe(0);
        expect(plan.terms.wishes)
          .withContext(JSON.stringify(costs))
          .toBeCloseTo(optimum(solver, assignmentModel(costs)), 6);
      }),
      { numRuns: 40, seed: 18 },
    );
  });

  it('is as good as trying everything, on days that are small enough for that', () => {
    const dogOf = (i: number): fc.Arbitrary<DayDog> =>
      fc
        .record({
          first: fc.constantFrom(30, 60),
          second: fc.option(fc.constantFrom(30, 60), { nil: undefined }),
          hard: fc.boolean(),
          sensitive: fc.boolean(),
          at: fc.constantFrom(540, 570, 600),
          wish: fc.option(fc.constantFrom(630, 660, 690), { nil: undefined }),
          tub: fc.boolean(),
          fears: fc.boolean(),
          loud: fc.boolean(),
        })
        .map((d) =>
          aDog(
            `d${i}`,
            [
              aBlock([aStretch(d.first, { posts: [d.tub ? 'tub' : 'table'], load: d.hard ? 2 * d.first : d.first, loud: d.loud })]),
              ...(d.second === undefined ? [] : [aBlock([aStretch(d.second)], { restBefore: 30 })]),
            ],
            {
              hard: d.hard,
              sensitive: d.sensitive,
              fearsLoud: d.fears && !d.loud,
              arrives: { from: d.at, to: d.at + 30 },
              waitsAtMost: 30,
              wishedBy: d.wish === undefined ? undefined : { at: d.wish, weight: 1 },
            },
          ),
        );
    const posts = [
      { id: 'table', kind: 'table' as const, room: 'front' },
      { id: 'tub', kind: 'tub' as const, room: 'front' },
    ];
    fc.assert(
      fc.property(dogOf(1), dogOf(2), fc.integer({ min: 1, max: 2 }), (a, b, hands) => {
        const people = ['a', 'b'].slice(0, hands).map((id, i) => aPerson(id, { works: [{ from: 540, to: i === 0 ? 780 : 720 }] }));
        const problem = aDayOf([a, b], people, { to: 780, slot: 30, overtime: 30, posts });
        const best = everything(problem);
        // Fewer changes than a day of two dogs is given in half a second.
        const { terms, schedule } = planDay(problem, { rounds: 12_000 });
        expect(brokenRules(problem, schedule)).toEqual([]);
        expect(terms).withContext(JSON.stringify(problem)).toEqual(best);
      }),
      { numRuns: 40, seed: 18 },
    );
  });
});

/** The best of all days: every dog left out or begun at every time, each of its blocks with everybody, at every post, judged by the rules alone. */
function everything(problem: DayProblem): DayTerms {
  let best: DayTerms | undefined;
  const ways = problem.dogs.map((d) => [undefined, ...waysOf(problem, d)]);
  const look = (at: number, so: readonly PlacedStretch[], unplaced: readonly string[]): void => {
    const dog = problem.dogs[at];
    if (!dog) {
      const schedule: DaySchedule = { stretches: so, breaks: [], unplaced };
      const terms = judgeDay(problem, schedule);
      if (!best || compareDays(terms, best, DAY_GOALS) < 0) best = terms;
      return;
    }
    for (const way of ways[at] ?? []) {
      if (!way) look(at + 1, so, [...unplaced, dog.id]);
      else if (brokenRules(problem, { stretches: [...so, ...way], breaks: [], unplaced }).length === 0)
        look(at + 1, [...so, ...way], unplaced);
    }
  };
  look(0, [], []);
  if (!best) throw new Error('nothing was tried');
  return best;
}
function waysOf(problem: DayProblem, dog: DayDog): PlacedStretch[][] {
  let ways: PlacedStretch[][] = [[]];
  dog.blocks.forEach((block, b) => {
    const next: PlacedStretch[][] = [];
    for (const way of ways)
      for (let from = way.at(-1)?.to ?? problem.from; from < problem.to; from += problem.slot)
        for (const { id: person } of problem.people)
          for (const { id: post } of problem.posts) {
            const to = from + (block.stretches[0]?.minutes ?? 0);
            const more = [...way, { dog: dog.id, block: b, stretch: 0, from, to, person, helper: undefined, post }];
            if (brokenRules(problem, { stretches: more, breaks: [], unplaced: [] }).length === 0) next.push(more);
          }
    ways = next;
  });
  return ways;
}
