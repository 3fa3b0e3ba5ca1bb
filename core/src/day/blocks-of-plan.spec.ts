import { makePlan } from '../plan/index.js';
import { recordedVisits } from '../testing/recorded-visits.js';
import { aDayOf, aPerson } from '../testing/a-day.js';
import { type Activity, reason } from '../words/index.js';
import { blocksOfPlan, brokenRules, dogOfDay, planDay, type PlanOfDay } from './index.js';

const step = (activity: Activity, minutes: number, more: Partial<PlanOfDay['steps'][number]> = {}): PlanOfDay['steps'][number] => ({
  activity,
  post: 'table',
  dryer: undefined,
  minutes,
  minutesSpread: 0.3,
  hold: { hold: 'hand_resting', also: [] },
  from: 0,
  to: minutes,
  breaks: [],
  ...more,
});
const calm = (...steps: PlanOfDay['steps'][number][]): PlanOfDay => ({ steps, curve: [{ minute: 0, strain: 5, low: 0, high: 10 }] });
const light = { weightKg: 8, stiff: false, lift: false };
const rest = (after: number, minutes: number) => ({ minutes, after });

describe('a visit as its day sees it', () => {
  it('is one block for one pair of hands at a time; a bath with its drying is one', () => {
    const blocks = blocksOfPlan(
      calm(
        step('nails', 10),
        step('bath', 15, { post: 'tub' }),
        step('dry', 20, { post: 'dryer' }),
        step('body_clip', 30),
        step('easy_end', 2),
      ),
      light,
    );
    expect(blocks.map((b) => [b.work, b.stretches.length])).toEqual([
      ['table', 1],
      ['bath', 2],
      ['table', 1],
    ]);
    expect(blocks[2]?.stretches[0]?.minutes).toBe(32);
    expect(blocks[1]?.stretches.map((s) => s.posts[0])).toEqual(['tub', 'table']);
  });

  it('gives hands free in a rest that is long enough, and keeps them in a short one', () => {
    const [one] = blocksOfPlan(calm(step('body_clip', 30, { breaks: [rest(10, 4)] })), light);
    expect(one?.stretches[0]?.minutes).toBe(34);
    const two = blocksOfPlan(calm(step('body_clip', 30, { breaks: [rest(10, 12)] })), light);
    expect(two.map((b) => [b.restBefore, b.stretches[0]?.minutes])).toEqual([
      [0, 10],
      [12, 20],
    ]);
  });

  it('lifts from 18 kg by two, from 12 kg when it is stiff, and by nobody with a ramp', () => {
    const hands = (weightKg: number, stiff = false, lift = false): number[] =>
      blocksOfPlan(calm(step('body_clip', 30)), { weightKg, stiff, lift }).flatMap((b) => b.stretches.map((s) => s.hands));
    expect(hands(17.9)).toEqual([1]);
    expect(hands(18)).toEqual([2, 1]);
    expect(hands(12, true)).toEqual([2, 1]);
    expect(hands(11.9, true)).toEqual([1]);
    expect(hands(30, true, true)).toEqual([1]);
  });

  it('weighs more with strain, mats, a muzzle and weight', () => {
    const load = (plan: PlanOfDay, lifted = light): number =>
      blocksOfPlan(plan, lifted)
        .flatMap((b) => b.stretches)
        .reduce((sum, s) => sum + s.load, 0);
    const plain = load(calm(step('body_clip', 30)));
    const strained: PlanOfDay = { steps: [step('body_clip', 30)], curve: [{ minute: 0, strain: 40, low: 30, high: 50 }] };
    expect(load(strained)).toBeCloseTo(plain + 30, 6);
    expect(load(calm(step('brush_mats', 30)))).toBeCloseTo(plain + 30, 6);
    const hold = { hold: 'hand_resting', also: ['muzzle'] } as const;
    expect(load(calm(step('body_clip', 30, { hold })))).toBeCloseTo(plain + 30, 6);
    expect(load(calm(step('body_clip', 30)), { ...light, weightKg: 16 })).toBeGreaterThan(plain);
  });

  it('adds up: the day has all minutes of the plans of real visits, and finds them a place', () => {
    const dogs = recordedVisits()
      .slice(0, 4)
      .map(({ dog, input }, i) => {
        const plan = makePlan(input);
        const blocks = blocksOfPlan(plan, { weightKg: input.dog.weightKg, stiff: false, lift: true });
        const rests = plan.steps.flatMap((s) => s.breaks).reduce((sum, b) => sum + b.minutes, 0);
        const minutes =
          blocks.flatMap((b) => b.stretches).reduce((sum, s) => sum + s.minutes, 0) + blocks.reduce((sum, b) => sum + b.restBefore, 0);
        const work = plan.steps.reduce((sum, s) => sum + s.minutes, 0);
        expect(minutes)
          .withContext(dog)
          .toBeGreaterThan(work - 0.01);
        expect(minutes)
          .withContext(dog)
          .toBeLessThan(work + rests + 0.01);
        return dogOfDay({
          visitId: dog,
          dog: input.dog,
          kinds: plan.kinds,
          contagion: { place: 'any' },
          blocks,
          dose: plan.dose,
          trainedOnly: false,
          arrives: { from: 540 + 60 * i, to: 600 + 60 * i },
          wishedBy: undefined,
        });
      });
    const people = ['a', 'b', 'c'].map((id) => aPerson(id));
    const posts = aDayOf([], people).posts;
    const dryer = { id: 'blaster', kind: 'high_velocity_dryer' as const, room: 'back' };
    const problem = aDayOf(dogs, people, { posts: [...posts, dryer] });
    const { schedule } = planDay(problem, { rounds: 500 });
    expect(schedule.unplaced).toEqual([]);
    expect(brokenRules(problem, schedule)).toEqual([]);
  });

  it('says of a dog how long it waits, and what is hard about it', () => {
    const of = (more: Partial<Parameters<typeof dogOfDay>[0]>) =>
      dogOfDay({
        visitId: 'v',
        dog: { weightKg: 10, triggers: [] },
        kinds: [],
        contagion: { place: 'any' },
        blocks: [],
        dose: 0,
        trainedOnly: false,
        arrives: { from: 540, to: 540 },
        wishedBy: undefined,
        ...more,
      });
    const kind = (k: 'puppy' | 'bite_history') => ({
      kinds: [{ kind: k, because: reason('hour.shut', {}, 0.1) }],
    });
    expect([of({}).waitsAtMost, of(kind('puppy')).waitsAtMost]).toEqual([60, 30]);
    expect([of({}).hard, of(kind('bite_history')).hard, of({ dose: 90 }).hard]).toEqual([false, true, true]);
    expect([of({ contagion: { place: 'own_room' } }).apart, of({ contagion: { place: 'last_of_day' } }).catching]).toEqual([true, true]);
  });
});
