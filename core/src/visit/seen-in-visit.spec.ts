import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { aDog, anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, START, VISIT } from '../testing/visit-events.js';
import { breaksOf, breaksSeenIn, replay, safeFinishNow, spellsSeenIn, summarize, type VisitState, workNow } from './index.js';

const PLAN = recordOf(
  makePlan(anInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 120 } }, { standingSeenMinutes: 40 })),
);
const drafts: readonly (readonly [number, EventDraft])[] = [
  [0, BOOKED],
  [0, { type: 'mood_felt', body: { mood: 'still' } }],
  [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
  [0, { type: 'work_started', body: {} }],
];
const visit = (...more: (readonly [number, EventDraft])[]): VisitState => replay(VISIT, eventsOf([...drafts, ...more]));
const start = (step: 'nails' | 'bath' | 'dry' | 'feet'): EventDraft => ({ type: 'step_started', body: { step } });
const done = (step: 'nails' | 'bath' | 'dry' | 'feet'): EventDraft => ({ type: 'step_finished', body: { step, outcome: 'done', why: '' } });
const sign = (signal: 'growl' | 'whale_eye' | 'soiling' | 'yawn' | 'lip_lick' | 'soft_body'): EventDraft => ({
  type: 'signal_seen',
  body: { signal },
});
const BREAK: EventDraft = { type: 'break_started', body: {} };
const GO_ON: EventDraft = { type: 'break_ended', body: {} };
const STOP: EventDraft = { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } };
const looks = (mood: 'relaxed' | 'shut_down' | 'tense' | 'still'): EventDraft => ({ type: 'mood_felt', body: { mood } });

describe('a watched break', () => {
  it('is learned from: strain before, minutes, and how the dog looked', () => {
    const state = visit([0, start('nails')], [2, sign('whale_eye')], [1, sign('whale_eye')], [0, BREAK], [6, looks('relaxed')], [1, GO_ON]);
    expect(breaksOf(state)).toEqual([{ strainBefore: jasmine.any(Number), spread: jasmine.any(Number), minutes: 6, mood: 'relaxed' }]);
    const [seen] = breaksOf(state);
    // Two signs of rising strain within three minutes: about where such signs come from.
    expect(seen!.strainBefore).toBeGreaterThan(25);
    expect(seen!.strainBefore).toBeLessThan(60);
    expect(seen!.spread).toBeGreaterThan(4);
    expect(breaksSeenIn([summarize(state)]))
      .withContext('the visit goes on')
      .toEqual([]);
    const ended = summarize(visit([0, start('nails')], [2, BREAK], [6, looks('relaxed')], [1, GO_ON], [1, done('nails')], [0, STOP]));
    expect(breaksSeenIn([ended, ended]).length).toBe(2);
  });
  it('of an earlier version is read by what it stood for', () => {
    const old = (strainAfter: number, state?: 'relaxed' | 'shut_down') =>
      breaksSeenIn([{ ...summarize(visit()), breaks: [{ strainBefore: 40, minutes: 5, strainAfter, state }] }])[0]!.mood;
    expect([old(4, 'relaxed'), old(26, 'shut_down'), old(20), old(32)]).toEqual(['relaxed', 'shut_down', 'tense', 'frantic']);
  });
  it('says nothing when nobody looked, and the last look counts', () => {
    expect(breaksOf(visit([0, start('nails')], [2, BREAK], [5, GO_ON]))).toEqual([]);
    const two = visit([0, start('nails')], [2, BREAK], [2, looks('tense')], [3, looks('shut_down')], [1, GO_ON]);
    expect(breaksOf(two).map((b) => [b.minutes, b.mood])).toEqual([[5, 'shut_down']]);
    expect(breaksOf(visit([0, start('nails')], [2, BREAK], [2, looks('tense')], [1, GO_ON]))[0]!.mood).toBe('tense');
    expect(breaksOf(visit([0, start('nails')], [2, looks('relaxed')]))).toEqual([]);
  });
  it('does not change what was felt before any tool', () => {
    const state = visit([0, start('nails')], [1, looks('shut_down')]);
    expect(state.feelOver.mood).toBe('still');
    expect(workNow(state, START + 60_000)!.strain.band).toBe('pause');
  });
});

describe('watched minutes', () => {
  const nails = (...more: (readonly [number, EventDraft])[]): number =>
    summarize(visit([0, start('nails')], ...more)).exposure.reduce((sum, e) => sum + e.minutes, 0);
  it('are the five after each entry: nothing is learned from those nobody is known to have watched', () => {
    expect(nails([4, sign('yawn')], [4, done('nails')])).toBe(8);
    expect(nails([20, done('nails')])).toBe(5);
    expect(nails([4, sign('yawn')], [30, done('nails')])).toBe(9);
  });
  it('do not shorten what was worked: the table counts every minute', () => {
    const summary = summarize(visit([0, start('nails')], [20, done('nails')]));
    expect(summary.steps.find((s) => s.step === 'nails')?.minutes).toBe(20);
    expect(summary.holds.reduce((sum, h) => sum + h.minutes, 0)).toBeGreaterThanOrEqual(20);
  });
});

describe('time to first watch', () => {
  it('is the minutes until a sign that is more than early, or a second early one, or those that passed without', () => {
    const state = visit(
      [0, start('bath')],
      [4, sign('yawn')],
      [4, done('bath')],
      [0, start('nails')],
      [3, sign('whale_eye')],
      [1, sign('soft_body')],
      [2, done('nails')],
      [0, start('feet')],
      [1, sign('yawn')],
      [1, sign('lip_lick')],
      [1, done('feet')],
    );
    expect(spellsSeenIn([summarize(state)])).toEqual([
      { activity: 'bath', minutes: 8, reachedWatch: false },
      { activity: 'nails', minutes: 3, reachedWatch: true },
      { activity: 'feet', minutes: 2, reachedWatch: true },
    ]);
  });
  it('leaves out work that began above watch', () => {
    const state = visit([0, start('bath')], [1, sign('growl')], [1, done('bath')], [0, start('nails')], [2, done('nails')]);
    expect(spellsSeenIn([summarize(state)]).map((s) => s.activity)).toEqual(['bath']);
  });
  it('counts each stretch of a step that was taken up again', () => {
    const state = visit([0, start('nails')], [2, start('bath')], [3, start('nails')], [4, done('nails')]);
    expect(spellsSeenIn([summarize(state)]).map((s) => [s.activity, Math.round(s.minutes)])).toEqual([
      ['nails', 2],
      ['bath', 3],
      ['nails', 4],
    ]);
  });
  it('is empty in summaries of earlier versions', () => {
    const { breaks: _b, spells: _s, ...old } = summarize(visit([0, start('nails')], [2, done('nails')]));
    expect([breaksSeenIn([old]), spellsSeenIn([old])]).toEqual([[], []]);
  });
});

describe('uncounted signs', () => {
  it('are those of the plan’s dog', () => {
    const plan = recordOf(makePlan(anInput({}, { standingSeenMinutes: 40, conditions: ['incontinent'] })));
    const number = (...more: readonly (readonly [number, EventDraft])[]): number => {
      const begun = [
        [0, BOOKED],
        [0, { type: 'plan_accepted', body: { plan, told: null } }],
        [0, { type: 'work_started', body: {} }],
      ] as const;
      return workNow(replay(VISIT, eventsOf([...begun, [0, start('nails')], ...more])), START + 120_000)!.strain.strain;
    };
    expect(number([1, sign('soiling')])).toBeCloseTo(number(), 9);
    expect(number([1, sign('whale_eye')])).toBeGreaterThan(number() + 1);
    expect(aDog().conditions).toEqual([]);
  });
});

describe('a sign that was of something else', () => {
  const SIGN: readonly [number, EventDraft] = [3, { type: 'signal_seen', body: { signal: 'panting' } }];
  const end: readonly (readonly [number, EventDraft])[] = [
    [6, done('nails')],
    [0, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
  ];
  const target = eventsOf([...drafts, [0, start('nails')], SIGN]).at(-1)?.id ?? '';
  const said = (...causes: readonly ('strain' | 'something_else' | 'unsure')[]): VisitState => {
    const answers = causes.map((cause): readonly [number, EventDraft] => [0, { type: 'sign_cause', body: { target, cause } }]);
    return replay(VISIT, eventsOf([...drafts, [0, start('nails')], SIGN, ...answers, ...end]));
  };
  const looked = summarize(replay(VISIT, eventsOf([...drafts, [0, start('nails')], [3, looks('still')], ...end])));
  const taught = ({ evidence, whole, exposure, spells }: typeof looked): object => ({ evidence, whole, exposure, spells });

  it('teaches nothing, also when nobody is sure: only that somebody looked', () => {
    for (const cause of ['something_else', 'unsure'] as const) {
      expect(taught(summarize(said(cause))))
        .withContext(cause)
        .toEqual(taught(looked));
      expect(summarize(said(cause)).steps.find((s) => s.step === 'nails')?.points).toBe(0);
    }
    expect(taught(summarize(said()))).not.toEqual(taught(looked));
    expect(taught(summarize(said('strain')))).toEqual(taught(summarize(said())));
  });
  it('still counts at the table: the pause counts, whatever it was of', () =>
    expect(workNow(said('unsure'), START)?.strain.points).toEqual(workNow(said(), START)?.strain.points));
  it('can be said anew', () => {
    expect(taught(summarize(said('unsure', 'strain')))).toEqual(taught(summarize(said())));
    expect(taught(summarize(said('something_else', 'unsure')))).toEqual(taught(looked));
    expect(said('strain').work?.signs.map((s) => s.cause)).toEqual(['strain']);
  });
  it('is passed over when it was never seen', () => {
    const unknown: readonly [number, EventDraft] = [1, { type: 'sign_cause', body: { target: VISIT, cause: 'unsure' } }];
    expect(replay(VISIT, eventsOf([...drafts, [0, start('nails')], unknown])).work?.signs).toEqual([]);
  });
});

describe('safeFinishNow', () => {
  const minutes = (state: VisitState, afterMinutes = 0): number | undefined => safeFinishNow(state, START + afterMinutes * 60_000)?.minutes;
  const drying = PLAN.steps.filter((s) => s.id === 'dry' || s.id === 'towel').reduce((sum, s) => sum + s.minutes, 0);
  it('is not asked before the work', () => expect(safeFinishNow(replay(VISIT, eventsOf([[0, BOOKED]])), START)).toBeUndefined());
  it('is the loop and the step down from the table', () => {
    expect(minutes(visit([0, start('nails')]))).toBe(1.5);
    // It stands there still, until somebody takes it down.
    expect(minutes(visit([0, start('nails')], [3, done('nails')]))).toBe(1.5);
  });
  it('is rinsing and drying from the tub, and falls as it dries', () => {
    expect(minutes(visit([0, start('bath')]))).toBe(4 + drying + 1);
    expect(minutes(visit([0, start('bath')], [9, done('bath')]))).toBe(drying + 1);
    expect(minutes(visit([0, start('bath')], [9, done('bath')], [0, start('dry')], [5, { type: 'noted', body: { text: 'x' } }]))).toBe(
      drying - 5 + 1,
    );
    expect(minutes(visit([0, start('bath')], [9, done('bath')], [0, start('dry')], [60, { type: 'noted', body: { text: 'x' } }]))).toBe(2);
    expect(minutes(visit([0, start('bath')], [9, done('bath')], [0, start('dry')], [20, done('dry')]))).toBe(1);
  });
  it('counts a muzzle and a fresh wound', () => {
    const muzzle: EventDraft = { type: 'hold_used', body: { hold: 'hand_resting', also: ['muzzle'] } };
    expect(minutes(visit([0, start('nails')], [0, muzzle]))).toBe(2);
    const nick: EventDraft = {
      type: 'incident',
      body: { incidentId: '01900000-0000-7000-8000-00000000000b', kind: 'nick', harm: 'mild', zone: 'fore_paw_left', what: '' },
    };
    const hurt = visit([0, start('nails')], [1, nick], [0, done('nails')]);
    expect([minutes(hurt, 1), minutes(hurt, 12)]).toEqual([6.5, 1.5]);
    const near = visit(
      [0, start('nails')],
      [1, { type: 'incident', body: { ...nick.body, harm: 'none' } } as EventDraft],
      [0, done('nails')],
    );
    expect(minutes(near, 1)).toBe(1.5);
  });
});

describe('the favoured leg', () => {
  it('is felt, changed and taken back', () => {
    const felt = (leg: 'hind_left' | null): EventDraft => ({ type: 'leg_favoured', body: { leg } });
    expect(visit([0, felt('hind_left')]).feelOver.favours).toBe('hind_left');
    expect(visit([0, felt('hind_left')], [0, felt(null)]).feelOver.favours).toBe('none');
    expect(visit().feelOver.favours).toBeUndefined();
  });
});
