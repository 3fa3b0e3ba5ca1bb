import { NO_OPENING, USUAL_WEEK } from '../contract/index.js';
import { aBlock, aDayOf, aDog, aPerson, aStretch } from '../testing/a-day.js';
import { addWear, NO_WEAR, overLimits, personOfDay, planDay, problemOfDay, wearOfDay, wearOfWork } from './index.js';

const ROUNDS = { rounds: 200 };
const PERSON = {
  staffId: 'p',
  role: 'groomer' as const,
  trained: true,
  breaks: [{ minutes: 30, from: '12:00', to: '13:00' }],
  limits: { liftKg: 10, noBiters: true, noCatching: false, products: '' },
  week: null,
  off: [],
};

describe('what a day asks of hands', () => {
  it('is told by kind of work: the wrist, the arm, the back', () => {
    expect(wearOfWork('body_clip', 40)).toEqual({ ...NO_WEAR, clip: 40 });
    expect(wearOfWork('brush_mats', 20)).toEqual({ ...NO_WEAR, brush: 20 });
    expect(wearOfWork('bath', 15)).toEqual({ ...NO_WEAR, bent: 15 });
    expect(wearOfWork('feet', 10)).toEqual({ ...NO_WEAR, clip: 10, bent: 10 });
    expect(wearOfWork('dry', 10).bent).toBe(0);
    expect(addWear({ ...NO_WEAR, clip: 3 }, undefined)).toEqual({ ...NO_WEAR, clip: 3 });
  });

  it('is the planned and what is behind them; who helps lifts and does not clip', () => {
    const wear = { clip: 30, brush: 0, bent: 0, lifted: 12 };
    const dog = aDog('d', [aBlock([aStretch(30, { hands: 2, wear })])], { fixed: { person: 'a' } });
    const day = aDayOf([dog], [aPerson('a'), aPerson('b')]);
    const all = wearOfDay(day, planDay(day, ROUNDS).schedule, new Map([['b', { ...NO_WEAR, brush: 95 }]]));
    expect(all.get('a')).toEqual(wear);
    expect(all.get('b')).toEqual({ ...NO_WEAR, brush: 95, lifted: 12 });
    expect(overLimits(all.get('b') ?? NO_WEAR)).toEqual(['brush']);
    expect(overLimits({ ...NO_WEAR, clip: 180 })).toEqual([]);
  });
});

describe('a day of a salon', () => {
  const MONDAY = '2026-11-30';
  const visit = (more = {}) =>
    aDog('d', [aBlock([aStretch(30, { posts: ['stand_dryer'] })])], { arrives: { from: 600, to: 600 }, ...more });

  it('has whoever works, with their breaks and what they do not do', () => {
    expect(personOfDay(PERSON, NO_OPENING, MONDAY)).toEqual(
      jasmine.objectContaining({
        works: [{ from: 540, to: 1020 }],
        breaks: [{ minutes: 30, from: 720, to: 780 }],
        liftKg: 10,
        noBiters: true,
        bathOnly: false,
      }),
    );
    expect(personOfDay(PERSON, NO_OPENING, '2026-11-29')).toBeUndefined();
    expect(personOfDay({ ...PERSON, week: USUAL_WEEK.map(() => null) }, NO_OPENING, MONDAY)).toBeUndefined();
  });

  it('presumes a table for each and a tub where nothing was said, and says what work was planned at that is not there', () => {
    const { problem, missing } = problemOfDay({ opening: NO_OPENING, posts: [] }, MONDAY, [PERSON], [visit()]);
    expect(problem.posts.map((p) => p.kind)).toEqual(['table', 'tub']);
    expect(missing).toEqual(['stand_dryer']);
    expect(planDay(problem, ROUNDS).schedule.unplaced).toEqual([]);
  });

  it('is as long as its hours, and longer for a dog that is booked outside of them', () => {
    const of = (dogs: readonly ReturnType<typeof visit>[]) =>
      problemOfDay({ opening: NO_OPENING, posts: [] }, MONDAY, [PERSON], dogs).problem;
    expect([of([visit()]).from, of([visit()]).to]).toEqual([540, 1080]);
    expect(of([visit({ arrives: { from: 482, to: 482 } })]).from).toBe(480);
    expect(of([visit({ wishedBy: { at: 1100, weight: 1 } })]).to).toBe(1160);
    expect(problemOfDay({ opening: NO_OPENING, posts: [] }, '2026-11-29', [PERSON], []).problem.people).toEqual([]);
  });
});
