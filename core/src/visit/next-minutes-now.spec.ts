import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, START, VISIT } from '../testing/visit-events.js';
import type { Mood, SignalId } from '../words/index.js';
import { nextMinutesNow, replay, type VisitState } from './index.js';

const PLAN = recordOf(makePlan(anInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 120 } })));
const FIRST = PLAN.steps[0]!;
const HARD = { ...PLAN, steps: PLAN.steps.map((s) => ({ ...s, ratePerMinute: s.id === FIRST.id ? 6 : 0.5 })) };
const visit = (...more: (readonly [number, EventDraft])[]): VisitState =>
  replay(
    VISIT,
    eventsOf([
      [0, BOOKED],
      [0, { type: 'plan_accepted', body: { plan: HARD, told: null } }],
      [0, { type: 'work_started', body: {} }],
      ...more,
    ]),
  );
const BEGIN: readonly [number, EventDraft] = [0, { type: 'step_started', body: { step: FIRST.id } }];
const sign = (signal: SignalId, after = 1): readonly [number, EventDraft] => [after, { type: 'signal_seen', body: { signal } }];
const look = (mood: Mood, after = 1): readonly [number, EventDraft] => [after, { type: 'mood_felt', body: { mood } }];
const chance = (state: VisitState, minutes = 10): number | undefined => nextMinutesNow(state, START + minutes * 60_000)?.chance;

describe('the next minutes of a visit', () => {
  it('are told only while hands work on the dog', () => {
    expect(chance(visit())).toBeUndefined();
    expect(chance(visit(BEGIN))).toBeGreaterThan(0);
    expect(chance(visit(BEGIN, [2, { type: 'break_started', body: {} }]))).toBeUndefined();
    expect(chance(visit(BEGIN, [2, { type: 'step_finished', body: { step: FIRST.id, outcome: 'done', why: '' } }]))).toBeUndefined();
    const over: EventDraft = { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } };
    expect(chance(visit(BEGIN, [2, over]))).toBeUndefined();
    expect(nextMinutesNow(replay(VISIT, []), START)).toBeUndefined();
  });
  it('rise with the minutes, with signs of strain and with what is done; a good look lowers them', () => {
    expect(chance(visit(BEGIN), 8)).toBeGreaterThan(chance(visit(BEGIN), 1)!);
    const calm = visit(BEGIN, look('still', 7));
    const strained = visit(BEGIN, sign('panting', 5), sign('pulls_away', 1), sign('whale_eye', 1));
    expect(chance(strained, 8)).toBeGreaterThan(2 * chance(calm, 8)!);
    expect(chance(visit(BEGIN, look('relaxed', 7)), 8)).toBeLessThan(chance(calm, 8)!);
  });
  it('name the easier step that comes next among what would lower them', () => {
    const next = nextMinutesNow(visit(BEGIN, sign('panting', 6), sign('panting', 1)), START + 8 * 60_000)!;
    expect(next.instead.map((i) => i.what)).toEqual(['break', 'next_step', 'lighter_hands']);
  });
  it('come out the same whenever they are asked, and when the clock stands behind the last entry', () => {
    const state = visit(BEGIN, sign('panting', 6));
    expect(chance(state, 9)).toBe(chance(state, 9));
    expect(chance(state, 0)).toBe(chance(state, 6));
  });
});
