import { eventsOf, BOOKED, SPEC_STAFF, START, VISIT } from '../testing/visit-events.js';
import { EMPTY_DOG } from '../knowledge/dogs/index.js';
import { anInput } from '../testing/dogs.js';
import { aBlock, aDayOf, aDog, aPerson, aStretch, madeDay } from '../testing/a-day.js';
import { recordOf } from '../testing/english.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { planContextOf, replay } from '../visit/index.js';
import {
  brokenRules,
  choiceOf,
  expectedInput,
  followDay,
  handsOfDay,
  hereSince,
  nowOfVisit,
  planDay,
  planForDay,
  planLive,
  restOfDay,
  visitOfDay,
  wishesFor,
} from './index.js';

const ROUNDS = { rounds: 400 };
const SET = { zone: 'UTC', fixed: new Map(), movable: 0 };
const at = (...drafts: readonly (readonly [number, EventDraft])[]) => replay(VISIT, eventsOf([[0, BOOKED], ...drafts]));
const STORED = { ...EMPTY_DOG, name: 'Moss', born: '2021-06-01', weightKg: 9, coat: 'curly' as const };
const context = planContextOf({ dog: STORED, trained: true, today: '2026-11-25' }, []);
const PLAN: EventDraft = { type: 'plan_accepted', body: { plan: recordOf(makePlan(anInput())), told: null } };
const minutesOf = (blocks: readonly { readonly stretches: readonly { readonly minutes: number }[] }[]): number =>
  blocks.flatMap((b) => b.stretches).reduce((sum, s) => sum + s.minutes, 0);

describe('a booked visit on its day', () => {
  it('is planned as it would be with the dog well, before anybody has asked at the door', () => {
    const input = expectedInput(at(), context);
    expect([input?.fit, input?.asked.items]).toEqual(['go', ['bath', 'nails']]);
  });

  it('comes when it was booked, is wished back after its minutes, and is felt over before any tool', () => {
    const input = expectedInput(at(), context);
    const plan = input && planForDay(makePlan(input));
    const dog = visitOfDay({ state: at(), context, kinds: [], expected: plan }, SET);
    expect([dog.arrives, dog.wishedBy?.at]).toEqual([{ from: 540, to: 540 }, 660]);
    expect(dog.blocks[0]?.work).toBe('table');
    expect(minutesOf(dog.blocks)).toBeGreaterThan(plan?.steps.reduce((sum, s) => sum + s.minutes, 0) ?? Infinity);
    // A plan that was taken stands for itself: the hands were on the dog already.
    const taken = visitOfDay({ state: at([0, PLAN]), context, kinds: [], expected: plan }, SET);
    const own = makePlan(anInput()).steps;
    expect(taken.blocks.flatMap((b) => b.stretches).length).toBeGreaterThan(1);
    // At its end it is brought off the table: five minutes more.
    expect(minutesOf(taken.blocks) + taken.blocks.reduce((sum, b) => sum + b.restBefore, 0)).toBeCloseTo(
      own.reduce((sum, s) => sum + s.minutes + s.breaks.reduce((all, b) => all + b.minutes, 0), 5),
      0,
    );
  });

  it('whose plan was worked through has nothing left but to be handed back', () => {
    const steps = makePlan(anInput()).steps;
    const done = steps.flatMap((s, i): [number, EventDraft][] => [
      [i, { type: 'step_started', body: { step: s.id } }],
      [i, { type: 'step_finished', body: { step: s.id, outcome: 'done', why: '' } }],
    ]);
    const over = at([0, PLAN], [0, { type: 'work_started', body: {} }], ...done);
    const dog = visitOfDay({ state: over, context, kinds: [], expected: undefined }, SET);
    expect(minutesOf(dog.blocks)).toBe(5);
    expect(nowOfVisit(over, dog, { nowMs: START + 60 * 60_000, zone: 'UTC' }).inHand?.minutesLeft).toBe(5);
  });

  it('is here once it came, and where nobody said so once its file is read at the door', () => {
    const arrivesAt = '2026-11-25T09:00:00Z';
    const untouched = { arrivesAt, arrivedMs: undefined, moodFelt: false, fit: undefined, feelOverDone: false };
    const read = (clock: string) => ({ ...untouched, fileReadMs: Date.parse(`2026-11-25T${clock}Z`) });
    expect(hereSince(read('07:30:00'))).toBeUndefined();
    expect(hereSince(read('08:50:00'))).toBe(Date.parse('2026-11-25T08:50:00Z'));
    expect(hereSince({ ...read('07:30:00'), arrivedMs: 5 })).toBe(5);
    expect(hereSince({ ...untouched, fileReadMs: undefined })).toBeUndefined();
    // Read in the morning, and felt over since: it is here, and came when it was due.
    expect(hereSince({ ...read('07:30:00'), feelOverDone: true })).toBe(Date.parse(arrivesAt));
    const felt = at(
      [-90, { type: 'file_read', body: {} }],
      [2, { type: 'mood_felt', body: { mood: 'still' } }],
      [8, { type: 'feel_over_done', body: {} }],
    );
    const dog = visitOfDay({ state: felt, context, kinds: [], expected: undefined }, SET);
    expect(nowOfVisit(felt, dog, { nowMs: START + 12 * 60_000, zone: 'UTC' })).toEqual({ dog: VISIT, waitsSince: 540 });
  });

  it('of which nothing could be planned takes the minutes that are kept for it', () => {
    expect(minutesOf(visitOfDay({ state: at(), context, kinds: [], expected: undefined }, SET).blocks)).toBe(130);
  });

  it('may be asked to come otherwise until it is here', () => {
    const movable = { ...SET, movable: 30 };
    expect(visitOfDay({ state: at(), context, kinds: [], expected: undefined }, movable).arrives).toEqual({ from: 510, to: 570 });
    const here = at([5, { type: 'dog_arrived', body: {} }]);
    expect(visitOfDay({ state: here, context, kinds: [], expected: undefined }, movable).arrives).toEqual({ from: 540, to: 540 });
  });

  it('is rather with whom it was booked', () => {
    expect(wishesFor('a', ['a', 'b'])).toEqual({ b: 15 });
    expect(wishesFor(undefined, ['a'])).toEqual({});
  });

  it('is told from its log: to come, late, here, in hand with what is left, over', () => {
    const dog = (s: ReturnType<typeof at>) => visitOfDay({ state: s, context, kinds: [], expected: undefined }, SET);
    const now = (s: ReturnType<typeof at>, minutes: number) => nowOfVisit(s, dog(s), { nowMs: START + minutes * 60_000, zone: 'UTC' });
    expect(now(at(), -30)).toEqual({ dog: VISIT });
    expect(now(at(), 12)).toEqual({ dog: VISIT, expected: 562 });
    expect(now(at([0, { type: 'late_told', body: { expectedAt: '2026-11-25T09:40:00Z' } }]), 12)).toEqual({ dog: VISIT, expected: 580 });
    expect(now(at([4, { type: 'dog_arrived', body: {} }]), 12)).toEqual({ dog: VISIT, waitsSince: 544 });
    expect(now(at([0, { type: 'file_read', body: {} }], [1, { type: 'mood_felt', body: { mood: 'still' } }]), 5)).toEqual({
      dog: VISIT,
      inHand: { person: SPEC_STAFF, minutesLeft: 130 },
    });
    const working = at([0, PLAN], [0, { type: 'work_started', body: {} }]);
    const whole = minutesOf(visitOfDay({ state: working, context, kinds: [], expected: undefined }, SET).blocks.slice(0, 1));
    expect(now(working, 1)).toEqual({ dog: VISIT, inHand: { person: SPEC_STAFF, minutesLeft: whole } });
    expect(now(at([0, { type: 'booking_off', body: { how: 'owner', why: '' } }]), 1)).toEqual({ dog: VISIT, over: true });
  });

  it('has less of it left with each step that is done, and wears the hands that did it', () => {
    const [first] = makePlan(anInput()).steps;
    if (!first) throw new Error('no step');
    const working = at([0, PLAN], [0, { type: 'work_started', body: {} }]);
    const further = at(
      [0, PLAN],
      [0, { type: 'work_started', body: {} }],
      [0, { type: 'step_started', body: { step: first.id } }],
      [6, { type: 'step_finished', body: { step: first.id, outcome: 'done', why: '' } }],
    );
    const left = (s: typeof working): number => minutesOf(visitOfDay({ state: s, context, kinds: [], expected: undefined }, SET).blocks);
    expect(left(further)).toBeLessThan(left(working));
    const { now, wear } = handsOfDay([further]);
    expect(now).toEqual([{ person: SPEC_STAFF, borne: 6 }]);
    expect([...wear.keys()]).toEqual([SPEC_STAFF]);
  });
});

describe('a day that is followed', () => {
  it('is the same as long as nothing has happened', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const problem = madeDay(seed, 6, 3);
      const { schedule } = planDay(problem, ROUNDS);
      const followed = followDay(problem, schedule);
      expect(followed.unplaced.length)
        .withContext(`day ${seed}`)
        .toBeLessThanOrEqual(schedule.unplaced.length + 1);
      expect(brokenRules(problem, followed)).withContext(`day ${seed}`).toEqual([]);
    }
    const [a, b] = [aDog('a', [aBlock([aStretch(60)])], { arrives: { from: 540, to: 540 } }), aDog('b', [aBlock([aStretch(60)])])];
    const two = aDayOf([a, b], [aPerson('p')]);
    const { schedule } = planDay(two, ROUNDS);
    const key = (s: typeof schedule): string[] => s.stretches.map((x) => `${x.dog} ${x.from} ${x.person}`).sort();
    expect(key(followDay(two, schedule))).toEqual(key(schedule));
  });

  it('pushes what comes after a dog that takes longer, with the same hands and in the same order', () => {
    const [a, b] = ['a', 'b'].map((id, i) => aDog(id, [aBlock([aStretch(60)])], { arrives: { from: 540 + i * 60, to: 540 + i * 60 } }));
    if (!a || !b) throw new Error('no dogs');
    const day = aDayOf([a, b], [aPerson('p')]);
    const { schedule } = planDay(day, ROUNDS);
    expect(schedule.stretches.map((s) => [s.dog, s.from])).toEqual([
      ['a', 540],
      ['b', 600],
    ]);
    // At ten to ten it still takes forty minutes.
    const rest = restOfDay(day, 590, [{ dog: 'a', inHand: { person: 'p', minutesLeft: 40 } }]);
    expect(followDay(rest, schedule).stretches.map((s) => [s.dog, s.from, s.to])).toEqual([
      ['a', 590, 630],
      ['b', 630, 690],
    ]);
  });

  it('takes what was put by hand with the same hands, later where it has to be', () => {
    const fixed = { person: 'p', from: 600 };
    const dog = aDog('a', [aBlock([aStretch(30)])], { arrives: { from: 540, to: 540 }, fixed });
    const day = aDayOf([dog], [aPerson('p'), aPerson('q')]);
    const { schedule } = planDay(day, ROUNDS);
    expect(schedule.stretches[0]).toEqual(jasmine.objectContaining(fixed));
    const late = restOfDay(day, 595, [{ dog: 'a', expected: 620 }]);
    // It cannot come by then: with whom is all that is left of what was put.
    expect(late.dogs[0]?.fixed).toEqual({ person: 'p' });
    expect(followDay(late, schedule).stretches.map((s) => [s.person, s.from])).toEqual([['p', 620]]);
    const other = aDog('b', [aBlock([aStretch(60)])], { arrives: { from: 540, to: 540 } });
    const both = restOfDay({ ...day, dogs: [dog, other] }, 580, [{ dog: 'b', inHand: { person: 'p', minutesLeft: 40 } }]);
    expect(followDay(both, schedule).stretches.find((s) => s.dog === 'a')?.from).toBe(620);
  });

  it('gives to others what was with somebody who is not here, and counts blocks from the end', () => {
    const dog = aDog('a', [aBlock([aStretch(30)]), aBlock([aStretch(30)], { restBefore: 10 })]);
    const day = aDayOf([dog], [aPerson('p'), aPerson('q')]);
    const schedule = {
      stretches: [0, 1].map((block) => ({
        dog: 'a',
        block,
        stretch: 0,
        from: 540 + block * 40,
        to: 570 + block * 40,
        person: ['p', 'q'][block],
        helper: undefined,
        post: 'table 0',
      })),
      breaks: [],
      unplaced: [],
    };
    expect(choiceOf(day, schedule).who).toEqual([[0, 1]]);
    expect(choiceOf(restOfDay(day, 570, [{ dog: 'a', blocksDone: 1, waitsSince: 570 }]), schedule).who).toEqual([[1]]);
    expect(choiceOf({ ...day, people: [aPerson('q')] }, schedule).who).toEqual([[0, 0]]);
  });
});

describe('a day that runs', () => {
  const waits = (id: string, waitsAtMost: number) => aDog(id, [aBlock([aStretch(60)])], { arrives: { from: 540, to: 540 }, waitsAtMost });
  it('takes who is here as soon as hands are free, and says that it waits too long', () => {
    const day = aDayOf([waits('a', 0), waits('b', 0)], [aPerson('p')]);
    expect(planDay(day, ROUNDS).schedule.unplaced.length).toBe(1);
    const { plan, overWaits } = planLive(day, new Set(['a', 'b']), ROUNDS);
    expect(plan.schedule.unplaced).toEqual([]);
    expect(plan.schedule.stretches.map((s) => s.from).sort()).toEqual([540, 600]);
    expect(overWaits.length).toBe(1);
  });
  it('finishes the dog that is in hand before another is begun, if that can be', () => {
    const nettle = aDog('a', [aBlock([aStretch(60)]), aBlock([aStretch(30)])], { arrives: { from: 540, to: 540 } });
    const next = waits('b', 30);
    const day = restOfDay(aDayOf([nettle, next], [aPerson('p')]), 575, [
      { dog: 'a', inHand: { person: 'p', minutesLeft: 25 } },
      { dog: 'b', waitsSince: 570 },
    ]);
    const order = (of: typeof day): string[] => planLive(of, new Set(['a', 'b']), ROUNDS).plan.schedule.stretches.map((s) => s.dog);
    expect(order(day).sort()).toEqual(['a', 'a', 'b']);
    const { plan, overWaits } = planLive(day, new Set(['a', 'b']), ROUNDS);
    const begun = [...plan.schedule.stretches].sort((x, y) => x.from - y.from).map((s) => s.dog);
    // With one pair of hands somebody has to wait: the rule on waiting is kept before the one in hand goes on.
    expect([begun, overWaits]).toEqual([['a', 'b', 'a'], []]);
    const [more, less] = [aPerson('p'), aPerson('q')];
    const two = restOfDay(aDayOf([nettle, next], [more, less]), 575, [
      { dog: 'a', inHand: { person: 'p', minutesLeft: 25 } },
      { dog: 'b', waitsSince: 570 },
    ]);
    const found = planLive(two, new Set(['a', 'b']), ROUNDS).plan.schedule.stretches;
    const own = found.filter((s) => s.dog === 'a').sort((x, y) => x.from - y.from);
    expect((own[1]?.from ?? 0) - (own[0]?.to ?? 0)).toBeLessThanOrEqual(15);
  });
  it('keeps the rule for whoever has not come, and lets it go for nobody where it can be kept', () => {
    const day = aDayOf([waits('a', 0), waits('b', 0)], [aPerson('p')]);
    expect(planLive(day, new Set(), ROUNDS).plan.schedule.unplaced.length).toBe(1);
    // Known not to be had, it is not looked for again.
    expect(planLive(day, new Set(['a', 'b']), ROUNDS, true).plan.schedule.unplaced).toEqual([]);
    const wide = aDayOf([waits('a', 0), waits('b', 60)], [aPerson('p')]);
    expect(planLive(wide, new Set(['a', 'b']), ROUNDS).overWaits).toEqual([]);
  });
});
