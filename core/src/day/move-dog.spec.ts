import { aBlock, aDayOf, aDog, aPerson, aStretch, madeDay } from '../testing/a-day.js';
import { brokenByMove, moveDog, nearestTime, planDay } from './index.js';

describe('a dog that is put elsewhere by hand', () => {
  const work = [aBlock([aStretch(60)])];
  const day = aDayOf([aDog('early', work), aDog('late', work, { biter: true })], [aPerson('a'), aPerson('careful', { noBiters: true })], {
    posts: [{ id: 'table', kind: 'table', room: 'only' }],
  });
  const schedule = {
    stretches: [
      { dog: 'early', block: 0, stretch: 0, from: 540, to: 600, person: 'a', helper: undefined, post: 'table' },
      { dog: 'late', block: 0, stretch: 0, from: 600, to: 660, person: 'a', helper: undefined, post: 'table' },
    ],
    breaks: [],
    unplaced: [],
  };
  const rules = (to: Parameters<typeof moveDog>[2], dog = 'late'): string[] => brokenByMove(day, schedule, dog, to).map((b) => b.rule);

  it('is told each rule that it would break there, and with whom', () => {
    expect(rules({ from: 600 })).toEqual([]);
    expect(rules({ from: 570 })).toEqual(['two_at_once', 'post_taken']);
    expect(brokenByMove(day, schedule, 'late', { from: 570 })[0]?.other).toBe('late');
    expect(rules({ person: 'careful' })).toEqual(['no_biters']);
    expect(rules({ from: 980 })).toEqual(['after_closing']);
    expect(rules({ from: 500 }, 'early')).toEqual(['too_early', 'not_working']);
  });

  it('finds the nearest time at which it breaks none', () => {
    expect(nearestTime(day, schedule, 'late', { from: 610, person: 'a' })).toBe(610);
    expect(nearestTime(day, schedule, 'late', { from: 560, person: 'a' })).toBe(600);
    expect(nearestTime(day, schedule, 'early', { from: 630, person: 'a' })).toBe(660);
    expect(nearestTime(day, schedule, 'late', { from: 600, person: 'careful' })).toBeUndefined();
  });

  it('stays where it was when it is put where it was, whatever the day', () => {
    for (let seed = 1; seed < 8; seed++) {
      const problem = madeDay(seed, 7, 3);
      const plan = planDay(problem, { rounds: 150 });
      for (const d of problem.dogs) {
        const first = Math.min(...plan.schedule.stretches.filter((s) => s.dog === d.id).map((s) => s.from));
        if (!Number.isFinite(first)) continue;
        expect(moveDog(plan.schedule, d.id, { from: first })).toEqual(plan.schedule);
        expect(brokenByMove(problem, plan.schedule, d.id, { from: first })).toEqual([]);
      }
    }
  });
});
