import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { replay, summarize } from './index.js';

const PLAN = recordOf(
  makePlan(anInput({ asked: { items: ['bath', 'nails', 'feet'], wantedMm: 9, sessionMinutes: 120 } }, { standingSeenMinutes: 40 })),
);
const start = (step: 'nails' | 'feet' | 'bath'): EventDraft => ({ type: 'step_started', body: { step } });
const done = (step: 'nails' | 'feet' | 'bath'): EventDraft => ({ type: 'step_finished', body: { step, outcome: 'done', why: '' } });
const BREAK: EventDraft = { type: 'break_started', body: {} };
const GO_ON: EventDraft = { type: 'break_ended', body: {} };
const TIRED: EventDraft = { type: 'mood_felt', body: { mood: 'tired_out' } };
const END: EventDraft = { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } };
const stands = (...more: (readonly [number, EventDraft])[]) =>
  summarize(
    replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'mood_felt', body: { mood: 'still' } }],
        [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
        [0, { type: 'work_started', body: {} }],
        ...more,
      ]),
    ),
  ).stands;

describe('stands of a visit', () => {
  it('go from rest to rest, over steps that it stood in', () => {
    expect(
      stands([0, start('nails')], [6, done('nails')], [0, start('feet')], [4, BREAK], [5, GO_ON], [3, done('feet')], [0, END]),
    ).toEqual([
      { minutes: 10, tired: false },
      { minutes: 3, tired: false },
    ]);
  });
  it('end with a rest between two steps, too, and with the visit', () => {
    expect(stands([0, start('nails')], [6, done('nails')], [0, BREAK], [5, GO_ON], [0, start('feet')], [4, END])).toEqual([
      { minutes: 6, tired: false },
      { minutes: 4, tired: false },
    ]);
  });
  it('end where somebody says that it is tired out; what goes on then tells nothing more', () => {
    expect(stands([0, start('nails')], [5, TIRED], [4, done('nails')], [0, start('feet')], [3, done('feet')], [0, END])).toEqual([
      { minutes: 5, tired: true },
    ]);
    expect(stands([0, start('nails')], [5, BREAK], [5, TIRED], [1, GO_ON], [4, done('nails')], [0, END])).toEqual([
      { minutes: 5, tired: false },
      { minutes: 4, tired: false },
    ]);
  });
  it('are none while the visit goes on, and none where nothing was done', () => {
    expect(stands([0, start('nails')], [5, done('nails')])).toEqual([]);
    expect(stands([3, END])).toEqual([]);
  });
});
