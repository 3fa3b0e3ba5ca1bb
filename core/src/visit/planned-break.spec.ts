import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { type BreakNow, breakNow, type PlannedBreakNow, plannedBreakNow, replay, type VisitState } from './index.js';

const MADE = recordOf(
  makePlan(anInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 120 } }, { standingSeenMinutes: 40 })),
);
const [FIRST, SECOND] = MADE.steps;
if (!FIRST || !SECOND) throw new Error('two steps are planned');
/** Five minutes of rest before the second step, and four inside it after six of its own. */
const PLAN = {
  ...MADE,
  steps: MADE.steps.map((s, i) => ({ ...s, breakMinutes: i === 1 ? [5, 4] : [], breakAfter: i === 1 ? [0, 6] : [], breakWhen: [] })),
};
const BREAK: EventDraft = { type: 'break_started', body: {} };
const GO_ON: EventDraft = { type: 'break_ended', body: {} };
const begin = (step: typeof FIRST): EventDraft => ({ type: 'step_started', body: { step: step.id } });
const done = (step: typeof FIRST): EventDraft => ({ type: 'step_finished', body: { step: step.id, outcome: 'done', why: '' } });

const visit = (more: readonly (readonly [number, EventDraft])[]): VisitState =>
  replay(
    VISIT,
    eventsOf([
      [0, BOOKED],
      [0, { type: 'mood_felt', body: { mood: 'still' } }],
      [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
      [0, { type: 'work_started', body: {} }],
      ...more,
    ]),
  );

describe('the planned break that is in hand', () => {
  /** @param more minutes since the entry before, and the entry @param later minutes after the last */
  const after = (more: readonly (readonly [number, EventDraft])[], later = 0): PlannedBreakNow | undefined => {
    const state = visit(more);
    return plannedBreakNow(state, (state.work?.clockMs ?? 0) + later * 60_000);
  };
  const short = (b: PlannedBreakNow | undefined) => b && [b.minutes, Math.round(10 * b.rested) / 10, b.due];
  const first: readonly (readonly [number, EventDraft])[] = [
    [0, begin(FIRST)],
    [9, done(FIRST)],
  ];

  it('is none where the plan has none', () => {
    expect(after([])).toBeUndefined();
    expect(after([[0, begin(FIRST)]])).toBeUndefined();
  });

  it('is owed what is left of it when it was cut short', () => {
    expect(short(after(first))).toEqual([5, 0, true]);
    expect(short(after([...first, [0, BREAK]], 2))).toEqual([5, 2, true]);
    const cut: readonly (readonly [number, EventDraft])[] = [...first, [0, BREAK], [41 / 60, GO_ON]];
    expect(short(after(cut))).toEqual([5, 0.7, true]);
    expect(after([...cut, [0, BREAK], [4.2, GO_ON]])).toBeUndefined();
  });

  it('inside a step is due after its minutes of work, and had by minutes of rest', () => {
    const second: readonly (readonly [number, EventDraft])[] = [...first, [0, BREAK], [5, GO_ON], [0, begin(SECOND)]];
    expect(short(after(second, 5))).toEqual([4, 0, false]);
    expect(short(after(second, 6))).toEqual([4, 0, true]);
    expect(short(after([...second, [6, BREAK], [41 / 60, GO_ON]]))).toEqual([4, 0.7, true]);
    expect(after([...second, [6, BREAK], [4, GO_ON]], 3)).toBeUndefined();
  });

  it('does not count what the dog rested before the step', () => {
    const early: readonly (readonly [number, EventDraft])[] = [
      [0, begin(FIRST)],
      [3, BREAK],
      [8, GO_ON],
      [3, done(FIRST)],
    ];
    expect(short(after(early))).toEqual([5, 0, true]);
  });
});

describe('a break that goes on', () => {
  /** @param later minutes after the last entry */
  const after = (more: readonly (readonly [number, EventDraft])[], later: number): BreakNow | undefined => {
    const state = visit(more);
    return breakNow(state, (state.work?.clockMs ?? 0) + later * 60_000);
  };
  const first: readonly (readonly [number, EventDraft])[] = [
    [0, begin(FIRST)],
    [9, done(FIRST)],
  ];

  it('counts down what the plan owes, whatever is entered meanwhile', () => {
    expect(after(first, 1)).toBeUndefined();
    expect(after([...first, [0, BREAK]], 1)).toEqual({ minutes: 5, leftSeconds: 240, of: 'plan' });
    expect(after([...first, [0, BREAK], [2, { type: 'mood_felt', body: { mood: 'still' } }]], 1)).toEqual({
      minutes: 5,
      leftSeconds: 120,
      of: 'plan',
    });
    expect(after([...first, [0, BREAK]], 9)?.leftSeconds).toBe(0);
    // Of one that was cut short, what was left.
    const again = after([...first, [0, BREAK], [2, GO_ON], [1, BREAK]], 0);
    expect([again?.minutes, again?.of]).toEqual([3, 'plan']);
  });

  it('that nobody planned lasts until strain has come down, longer the higher it was', () => {
    const signs = (n: number): (readonly [number, EventDraft])[] =>
      Array.from({ length: n }, () => [1, { type: 'signal_seen', body: { signal: 'growl' } }] as const);
    const minutes = [0, 1, 3].map((n) => after([[0, begin(FIRST)], ...signs(n), [0, BREAK]], 0));
    expect(minutes.map((b) => b?.of)).toEqual(['strain', 'strain', 'strain']);
    const [none = 0, one = 0, three = 0] = minutes.map((b) => b?.minutes ?? 0);
    expect(none).toBe(3);
    expect(one).toBeGreaterThan(none);
    expect(three).toBeGreaterThanOrEqual(one);
    expect(three).toBeLessThanOrEqual(15);
  });
});
