import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { PLAN_WORDS, recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, START, VISIT } from '../testing/visit-events.js';
import type { PieceId } from '../words/index.js';
import {
  breaksOfStep,
  carriedOverFrom,
  paceOf,
  planInputOf,
  planNowOf,
  recordFromHere,
  replay,
  summarize,
  timesOf,
  type VisitState,
} from './index.js';

const DOG = { standingSeenMinutes: 40 };
const ASKED = { items: ['bath', 'nails', 'feet'] as const, wantedMm: 9, sessionMinutes: 120 };
const PLAN = recordOf(makePlan(anInput({ asked: ASKED }, DOG)));
const drafts: readonly (readonly [number, EventDraft])[] = [
  [0, BOOKED],
  [0, { type: 'mood_felt', body: { mood: 'still' } }],
  [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
  [0, { type: 'work_started', body: {} }],
];
const visit = (...more: (readonly [number, EventDraft])[]): VisitState => replay(VISIT, eventsOf([...drafts, ...more]));
const start = (step: 'nails' | 'feet' | 'bath'): EventDraft => ({ type: 'step_started', body: { step } });
const done = (step: 'nails' | 'feet' | 'bath', outcome: 'done' | 'part' | 'left' = 'done'): EventDraft => ({
  type: 'step_finished',
  body: { step, outcome, why: '' },
});
const piecesOf = (step: 'nails' | 'feet'): PieceId[] => (PLAN.steps.find((s) => s.id === step)?.pieces ?? []).map((p) => p.id);
const at = (minutes: number): number => START + minutes * 60_000;

describe('planNowOf', () => {
  it('knows what soaks, and since when; a soak that goes on is no soak that is over', () => {
    const crusted = anInput({ asked: ASKED }, DOG, { zones: [{ zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true }] });
    const plan: EventDraft = { type: 'plan_accepted', body: { plan: recordOf(makePlan(crusted)), told: null } };
    const soak: EventDraft = { type: 'step_started', body: { step: 'soak' } };
    const over: EventDraft = { type: 'step_finished', body: { step: 'soak', outcome: 'done', why: '' } };
    const soaked = (...more: (readonly [number, EventDraft])[]): object | undefined =>
      planNowOf(visit([0, plan], [0, soak], ...more), at(5))?.soaked;
    expect(soaked([2, over])).toEqual([{ zones: ['eye_left'], minutesAgo: 3 }]);
    expect(soaked()).toEqual([]);
  });
  it('is where the work stands: steps, clocks, place', () => {
    const now = planNowOf(visit([0, start('feet')], [8, done('feet')], [0, start('nails')]), at(11));
    expect(now?.minute).toBeCloseTo(11, 6);
    expect(now?.begun).toEqual([
      { step: 'feet', status: 'done', minutes: 8, pieces: piecesOf('feet') },
      { step: 'nails', status: 'running', minutes: 3, pieces: piecesOf('nails') },
    ]);
    expect(now?.pieces).toEqual(piecesOf('feet').map((piece) => ({ piece, status: 'done' })));
    expect(now?.standingMinutes).toBeCloseTo(11, 6);
    expect(now?.standingTotalMinutes).toBeCloseTo(11, 6);
    expect(now?.workedMinutes).toBeCloseTo(11, 6);
    expect(now?.post).toBe('table');
  });
  it('starts the standing clock anew after a break', () => {
    const rested = visit(
      [0, start('feet')],
      [8, done('feet')],
      [0, { type: 'break_started', body: {} }],
      [5, { type: 'break_ended', body: {} }],
      [0, start('nails')],
    );
    expect(planNowOf(rested, at(15))?.standingMinutes).toBeCloseTo(2, 6);
    expect(planNowOf(rested, at(15))?.standingTotalMinutes).toBeCloseTo(10, 6);
    const resting = visit([0, start('feet')], [8, { type: 'break_started', body: {} }]);
    expect(planNowOf(resting, at(10))?.standingMinutes).toBe(0);
  });
  it('takes a hard sign at the line of its band', () => {
    const growled = visit([0, start('feet')], [1, { type: 'signal_seen', body: { signal: 'growl' } }]);
    expect(planNowOf(growled, at(2))?.strain).toBeGreaterThanOrEqual(50);
    // An hour of rest without a good sign: the number has fallen, the band holds, and so does what is planned from.
    const eye = { type: 'signal_seen', body: { signal: 'whale_eye' } } as const;
    const unseen = visit([0, start('nails')], [1, eye], [0, { type: 'break_started', body: {} }]);
    expect(planNowOf(unseen, at(60))?.strain).toBe(25);
  });
  it('is nothing before the work and after it', () => {
    expect(planNowOf(replay(VISIT, eventsOf([[0, BOOKED]])), START)).toBeUndefined();
    expect(planNowOf(visit([1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }]), at(2))).toBeUndefined();
  });
});

describe('the breaks of a planned step', () => {
  // It stands ten minutes at most, and drying a dog this heavy takes longer.
  const plan = makePlan(
    anInput({ asked: { items: ['bath'], wantedMm: 9, sessionMinutes: 150 } }, { standingSeenMinutes: 10, weightKg: 30, coat: 'smooth' }),
  );
  const bath = plan.steps.find((s) => s.activity === 'dry');
  const record = recordOf(plan).steps.find((s) => s.id === 'dry');
  it('say after how many minutes of its work they come', () => {
    expect(bath?.minutes ?? 0).toBeGreaterThan(10);
    const inside = bath?.breaks.find((b) => b.after > 0);
    expect(inside?.after).toBeLessThanOrEqual(10);
    expect(inside?.from).toBeCloseTo((bath?.from ?? 0) + (inside?.after ?? 0), 6);
    const said = record ? breaksOfStep(record) : [];
    expect(said.map((b) => [b.minutes, b.after])).toEqual((bath?.breaks ?? []).map((b) => [b.minutes, b.after]));
    for (const [i, b] of (bath?.breaks ?? []).entries()) expect(said[i]?.from).toBeCloseTo(b.from, 6);
  });
  it('come before it in records that do not say', () => {
    if (!record) throw new Error('the bath is planned');
    const { breakAfter: _after, breakWhen: _when, ...old } = record;
    expect(breaksOfStep({ ...old, from: 20, breakMinutes: [5] })).toEqual([{ minutes: 5, after: 0, from: 15, when: '' }]);
  });
});

describe('recordFromHere', () => {
  const state = visit([0, start('feet')], [8, done('feet')]);
  const now = planNowOf(state, at(10));
  if (!now) throw new Error('the work runs');
  const rest = makePlan(anInput({ asked: ASKED, now }, DOG));
  const record = recordFromHere(PLAN, rest, now, PLAN_WORDS);
  it('keeps what is over and puts the rest after now', () => {
    expect(record.steps[0]).toEqual(PLAN.steps.find((s) => s.id === 'feet'));
    expect(record.steps.slice(1).map((s) => s.id)).toEqual(rest.steps.map((s) => s.id));
    expect(record.steps.slice(1).every((s) => s.from >= 10)).toBeTrue();
    expect(record.minutes).toBeCloseTo(rest.minutes + 10, 6);
  });
  it('keeps what measured strain is counted from', () => {
    expect(record.startStrain).toBe(PLAN.startStrain);
    expect(record.curve.map((p) => p.minute)).toEqual([...record.curve.map((p) => p.minute)].sort((a, b) => a - b));
  });
  it('is a plan that can be taken to the table', () =>
    expect(replay(VISIT, eventsOf([...drafts, [1, { type: 'plan_accepted', body: { plan: record, told: null } }]])).plan).toEqual(record));
});

describe('what a visit leaves for the next', () => {
  const ended = summarize(
    visit(
      [0, start('feet')],
      [8, done('feet')],
      [0, start('nails')],
      [2, done('nails', 'left')],
      [0, { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } }],
    ),
  );
  it('is what was planned and not finished', () => {
    expect(ended.undone).toContain('nails');
    expect(ended.undone).toContain('bath');
    expect(ended.undone).not.toContain('feet');
    expect(carriedOverFrom([ended]).filter((c) => c.activity === 'nails')).toEqual(
      (['fore_nails_left', 'fore_nails_right', 'hind_nails_left', 'hind_nails_right'] as const).map((place) => ({
        activity: 'nails',
        place,
        from: '2026-11-25',
      })),
    );
    const { undonePieces: _, ...older } = ended;
    expect(carriedOverFrom([older]).find((c) => c.activity === 'nails')).toEqual({ activity: 'nails', from: '2026-11-25' });
    expect(carriedOverFrom([])).toEqual([]);
  });
  it('is one place, where one was left and the others were done', () => {
    const ended = summarize(
      visit(
        [0, start('nails')],
        [2, { type: 'piece_finished', body: { piece: 'nails:hind_nails_left', outcome: 'left', why: 'It minds this one.' } }],
        [6, done('nails')],
        [0, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
      ),
    );
    const next = carriedOverFrom([ended]).filter((c) => c.activity === 'nails');
    expect(next).toEqual([{ activity: 'nails', place: 'hind_nails_left', from: '2026-11-25' }]);
    const plan = makePlan(anInput({ asked: { items: ['bath'], wantedMm: 9, sessionMinutes: 120 }, carriedOver: next }, DOG));
    expect(plan.steps.find((s) => s.activity === 'nails')?.pieces.map((p) => p.place)).toEqual(['hind_nails_left']);
  });
  it('is nothing of a step that was done in part, taken up again and finished', () => {
    const state = visit(
      [0, start('nails')],
      [2, { type: 'piece_finished', body: { piece: 'nails:hind_nails_left', outcome: 'left', why: '' } }],
      [0, start('feet')],
      [8, done('feet')],
      [0, start('nails')],
      [3, done('nails')],
      [0, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
    );
    // What was said of one place by itself stays.
    expect(
      carriedOverFrom([summarize(state)])
        .filter((c) => c.activity === 'nails')
        .map((c) => c.place),
    ).toEqual(['hind_nails_left']);
  });
  it('a place that was opened again is planned anew, beside what is over', () => {
    const state = visit(
      [0, start('nails')],
      [5, done('nails')],
      [0, { type: 'piece_finished', body: { piece: 'nails:fore_nails_left', outcome: 'open', why: '' } }],
    );
    const now = planNowOf(state, at(6))!;
    const rest = makePlan(anInput({ asked: ASKED, now }, DOG));
    expect(rest.steps.find((s) => s.activity === 'nails')?.pieces.map((p) => p.place)).toEqual(['fore_nails_left']);
    const ids = recordFromHere(PLAN, rest, now, PLAN_WORDS).steps.map((s) => s.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain('nails@fore_nails_left');
  });
  it('is nothing while the work goes on', () => expect(summarize(visit([0, start('feet')])).undone).toEqual([]));
  it('has its times and the groomer’s pace', () => {
    expect(timesOf([ended])).toEqual([{ activity: 'feet', minutes: 8 }]);
    const pace = paceOf([ended, ended]);
    expect(pace).toEqual([{ activity: 'feet', visits: 2, ratio: jasmine.any(Number) }]);
    expect(pace[0]?.ratio).toBeCloseTo(8 / (PLAN.steps.find((s) => s.id === 'feet')?.minutes ?? 0), 9);
  });
});

describe('what the groomer fixed, in the log', () => {
  it('is in the plan that follows, and the latest list counts', () => {
    const fit: EventDraft = { type: 'fit_answered', body: { signs: [], vetAgreed: false, told: [], roomCelsius: 20 } };
    const context = {
      dog: anInput({}, DOG).dog,
      history: [],
      evidence: [],
      wholeVisits: [],
      breaks: [],
      trained: true,
      today: '2026-11-25',
    };
    const state = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, fit],
        [0, { type: 'plan_wished', body: { wishes: [{ kind: 'forbid', step: 'nails' }] } }],
        [0, { type: 'plan_wished', body: { wishes: [{ kind: 'minutes', step: 'nails', minutes: 12 }], way: 'calmest' } }],
        [
          0,
          {
            type: 'asked_changed',
            body: { asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 60 }, helperThere: true, helperMinutes: [10, 30] },
          },
        ],
      ]),
    );
    // As earlier versions wrote it; the version of today names any number of stretches.
    const input = planInputOf(state, context);
    const twice = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, fit],
        [
          0,
          {
            type: 'asked_changed',
            body: {
              asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 60 },
              helperThere: true,
              helperWindows: [
                [0, 10],
                [30, 60],
              ],
            },
          },
        ],
      ]),
    );
    expect(planInputOf(twice, context)?.helperWindows).toEqual([
      [0, 10],
      [30, 60],
    ]);
    expect([input?.way, input?.helperWindows]).toEqual(['calmest', [[10, 30]]]);
    expect(input && makePlan(input).steps[0]?.minutes).toBe(12);
  });
});
