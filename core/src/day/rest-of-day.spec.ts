import { aBlock, aDayOf, aDog, aPerson, aStretch, madeDay } from '../testing/a-day.js';
import { brokenRules, type DogNow, planDay, restOfDay } from './index.js';

const ROUNDS = { rounds: 600 };
const two = [aBlock([aStretch(20), aStretch(40)]), aBlock([aStretch(30)], { restBefore: 15 })];
const minutes = (blocks: readonly { readonly stretches: readonly { readonly minutes: number }[] }[]): number =>
  blocks.flatMap((b) => b.stretches).reduce((sum, s) => sum + s.minutes, 0);

describe('the day that is left', () => {
  const day = aDayOf([aDog('d', two)], [aPerson('a', { breaks: [{ minutes: 30, from: 690, to: 720 }] }), aPerson('b')]);
  const dogNow = (state: Omit<DogNow, 'dog'>, now = 603) => restOfDay(day, now, [{ dog: 'd', ...state }]).dogs[0];

  it('begins now, on its grid, with the hours that are left', () => {
    const rest = restOfDay(day, 603, []);
    expect([rest.from, rest.people[0]?.works]).toEqual([605, [{ from: 605, to: 1020 }]]);
    expect(restOfDay(day, 1030, []).people[0]?.works).toEqual([]);
  });

  it('has no dog that has gone, and none whose work is done', () => {
    expect(dogNow({ over: true })).toBeUndefined();
    expect(dogNow({ blocksDone: 2 })).toBeUndefined();
    expect(minutes(dogNow({ blocksDone: 1 })?.blocks ?? [])).toBe(30);
  });

  it('leaves the one that is in hand in those hands, with its last minutes, or with more than was thought', () => {
    const inHand = dogNow({ inHand: { person: 'b', minutesLeft: 50 } });
    expect(inHand?.blocks.map((b) => b.stretches.map((s) => s.minutes))).toEqual([[10, 40], [30]]);
    expect([inHand?.blocks[0]?.by, inHand?.fixed.from, inHand?.arrives]).toEqual(['b', 605, { from: 605, to: 605 }]);
    expect(minutes(dogNow({ inHand: { person: 'b', minutesLeft: 90 } })?.blocks ?? [])).toBe(120);
    expect(minutes(dogNow({ inHand: { person: 'b', minutesLeft: 5 } })?.blocks.slice(0, 1) ?? [])).toBe(5);
    const { schedule } = planDay(restOfDay(day, 603, [{ dog: 'd', inHand: { person: 'b', minutesLeft: 50 } }]), ROUNDS);
    expect(schedule.stretches[0]).toEqual(jasmine.objectContaining({ person: 'b', from: 605 }));
  });

  it('counts what a dog has waited already, and the rest that it has had', () => {
    // Its first hand was due when it came: 25 minutes of its 60 are gone.
    expect(dogNow({ waitsSince: 580 })).toEqual(jasmine.objectContaining({ waitsAtMost: 35, arrives: { from: 605, to: 605 } }));
    // In its rest of 15 minutes since 600: 10 are left, and none was waited.
    expect(dogNow({ blocksDone: 1, waitsSince: 600 })).toEqual(
      jasmine.objectContaining({ waitsAtMost: 60, arrives: { from: 615, to: 615 } }),
    );
  });

  it('expects who is late when it is said, and owes a break that was not had', () => {
    expect(dogNow({ expected: 640 })?.arrives).toEqual({ from: 640, to: 640 });
    expect(restOfDay(day, 800, []).people[0]?.breaks).toEqual([{ minutes: 30, from: 800, to: 860 }]);
    expect(restOfDay(day, 800, [], [{ person: 'a', borne: 40, breaksHad: 1 }]).people[0]).toEqual(
      jasmine.objectContaining({ breaks: [], borne: 40 }),
    );
  });

  it('holds a time that was put by hand until it has gone by, or the dog was begun', () => {
    const at = (from: number, state = {}) => {
      const dogs = day.dogs.map((d) => ({ ...d, fixed: { person: 'a', from } }));
      return restOfDay({ ...day, dogs }, 603, [{ dog: 'd', ...state }]).dogs[0]?.fixed;
    };
    expect(at(640)).toEqual({ person: 'a', from: 640 });
    expect(at(600)).toEqual({ person: 'a' });
    expect(at(640, { blocksDone: 1, waitsSince: 600 })).toEqual({ person: 'a' });
  });

  it('is planned from where it stands at any minute, breaking no rule', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const problem = madeDay(seed, 7, 3);
      const { schedule } = planDay(problem, ROUNDS);
      const now = 600 + 30 * (seed % 5);
      const dogs = problem.dogs.map((d): DogNow => {
        const own = schedule.stretches.filter((s) => s.dog === d.id);
        const blocksDone = d.blocks.filter(
          (_, b) => own.some((s) => s.block === b) && own.filter((s) => s.block === b).every((s) => s.to <= now),
        ).length;
        const open = own.find((s) => s.from < now && now < s.to && s.person !== undefined);
        const begun = own.filter((s) => s.to <= now);
        if (open?.person !== undefined) {
          const end = Math.max(...own.filter((s) => s.block === open.block).map((s) => s.to));
          return { dog: d.id, blocksDone, inHand: { person: open.person, minutesLeft: end - now } };
        }
        return begun.length > 0 ? { dog: d.id, blocksDone, waitsSince: Math.max(...begun.map((s) => s.to)) } : { dog: d.id };
      });
      const rest = restOfDay(problem, now, dogs);
      const plan = planDay(rest, ROUNDS);
      expect(brokenRules(rest, plan.schedule)).withContext(`day ${seed}`).toEqual([]);
      expect(plan.schedule.stretches.every((s) => s.from >= rest.from)).toBeTrue();
    }
  });
});
