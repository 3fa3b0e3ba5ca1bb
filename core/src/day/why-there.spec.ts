import { say } from '../locales/index.js';
import { ENGLISH } from '../locales/en/index.js';
import { aBlock, aDayOf, aDog, aPerson, aStretch, madeDay } from '../testing/a-day.js';
import { clashingLocks, type DayProblem, otherDays, planDay, whyThere } from './index.js';

const ROUNDS = { rounds: 400 };
const NAMES = { dog: (id: string) => id.toUpperCase(), person: (id: string) => id.toUpperCase() };
const whyIn = (problem: DayProblem, dog: string): string[] =>
  whyThere(problem, planDay(problem, ROUNDS).schedule, dog, NAMES).map((r) => say(ENGLISH, r));

describe('why a dog is where it is', () => {
  it('says what each other pair of hands would come to', () => {
    const dog = aDog('fig', [aBlock([aStretch(60)])], {
      trainedOnly: true,
      wishes: { imke: 0, odette: 15 },
      arrives: { from: 540, to: 540 },
    });
    const day = aDayOf([dog], [aPerson('imke'), aPerson('rafael', { trained: false }), aPerson('odette')]);
    expect(whyIn(day, 'fig')).toEqual([
      'FIG is booked with IMKE.',
      'With RAFAEL instead: RAFAEL is not trained for the close blades that this needs.',
      'With ODETTE instead, FIG would not be with whom we booked, or would be ready later.',
      'FIG does not wait.',
    ]);
  });

  it('says that other hands have another dog then, and that the load would be less even', () => {
    const dogs = ['a', 'b'].map((id) => aDog(id, [aBlock([aStretch(60)])], { arrives: { from: 540, to: 540 }, waitsAtMost: 0 }));
    expect(whyIn(aDayOf(dogs, [aPerson('p'), aPerson('q')]), 'a').join(' ')).toContain('instead: The same hands have B at that time.');
    const apart = ['a', 'b'].map((id, i) => aDog(id, [aBlock([aStretch(60)])], { arrives: { from: 540 + i * 120, to: 540 + i * 120 } }));
    expect(whyIn(aDayOf(apart, [aPerson('p'), aPerson('q')]), 'a').join(' ')).toContain('would bear 100 % more for its hours');
  });

  it('says what holds a dog apart, late, away from noise, or by hand', () => {
    const one = (more: Parameters<typeof aDog>[2]) => whyIn(aDayOf([aDog('d', [aBlock([aStretch(30)])], more)], [aPerson('p')]), 'd')[0];
    expect(one({ apart: true })).toContain('not vaccinated in full');
    expect(one({ catching: true })).toContain('may be catching');
    expect(one({ fearsLoud: true })).toContain('fears the loud dryer');
    expect(one({ fixed: { person: 'p' } })).toBe('D was put here by hand.');
  });

  it('has a reason for every dog that is placed, and none for one that is not', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const problem = madeDay(seed, 7, 3);
      const { schedule } = planDay(problem, ROUNDS);
      for (const d of problem.dogs) {
        const why = whyThere(problem, schedule, d.id, NAMES);
        expect(why.length > 0)
          .withContext(`day ${seed} ${d.id}`)
          .toBe(!schedule.unplaced.includes(d.id));
        for (const r of why) expect(say(ENGLISH, r)).toMatch(/\.$/);
      }
    }
  });
});

describe('what was put by hand', () => {
  const dog = (id: string, from: number, person = 'p') => aDog(id, [aBlock([aStretch(60)])], { fixed: { person, from } });
  it('clashes in the fewest that cannot be together: letting go any of them is a way out', () => {
    const day = aDayOf([dog('a', 540), dog('b', 570), dog('c', 900), dog('d', 540, 'q')], [aPerson('p'), aPerson('q')]);
    expect(clashingLocks(day).sort()).toEqual(['a', 'b']);
    for (const free of ['a', 'b']) {
      const dogs = day.dogs.map((d) => (d.id === free ? { ...d, fixed: {} } : d));
      expect(planDay({ ...day, dogs }, ROUNDS).schedule.unplaced).toEqual([]);
    }
  });
  it('clashes in nothing where all find a place, or where something else is in the way', () => {
    expect(clashingLocks(aDayOf([dog('a', 540), dog('b', 600)], [aPerson('p')]))).toEqual([]);
    const biter = aDog('x', [aBlock([aStretch(30)])], { biter: true });
    expect(clashingLocks(aDayOf([dog('a', 540), biter], [aPerson('p', { noBiters: true })]))).toEqual([]);
  });
  it('of one alone is itself, where it can never be there', () => {
    expect(clashingLocks(aDayOf([dog('a', 1000)], [aPerson('p', { works: [{ from: 540, to: 600 }] })], { overtime: 0 }))).toEqual(['a']);
  });
});

describe('other ways to lay out a day', () => {
  it('are each better in what they are for, and say by how much', () => {
    let found = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const problem = madeDay(seed, 8, 3);
      const plan = planDay(problem, { rounds: 150 });
      for (const o of otherDays(problem, plan, new Map(problem.dogs.map((d) => [d.id, 'p0'])), ROUNDS)) {
        found++;
        if (o.way === 'less_waiting') expect(o.by.waiting).toBeLessThan(0);
        if (o.way === 'owners_first') expect(o.by.wishes).toBeLessThan(0);
        expect(o.plan.terms.unplaced).toBeLessThanOrEqual(plan.terms.unplaced);
      }
    }
    expect(found).toBeGreaterThan(4);
  });
});
