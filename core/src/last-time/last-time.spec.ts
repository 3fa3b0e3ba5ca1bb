import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { replay, summarize, type VisitSummary } from '../visit/index.js';
import { lastTime } from './index.js';

const ID = '01900000-0000-7000-8000-0000000000aa';
const PLAN = recordOf(makePlan(anInput({}, {}, { zones: [{ zone: 'belly', matGrade: 3, skin: 'sound', crust: false }] })));
const visit = (...more: (readonly [number, EventDraft])[]): VisitSummary =>
  summarize(
    replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'zone_felt', body: { zone: 'belly', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound', crust: false } }],
        [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
        [0, { type: 'work_started', body: {} }],
        [0, { type: 'step_started', body: { step: 'nails' } }],
        ...more,
      ]),
    ),
  );
const BACK: readonly [number, EventDraft] = [1, { type: 'handed_back', body: { toldTo: 'Ines Roe', nextVisit: null, vetAdvised: false } }];
const BAD = visit(
  [1, { type: 'signal_seen', body: { signal: 'growl' } }],
  [1, { type: 'incident', body: { incidentId: ID, kind: 'clipper_burn', harm: 'mild', zone: 'belly', what: '' } }],
  [0, { type: 'incident_more', body: { incidentId: ID, action: 'Feel the blade each minute.' } }],
  [1, { type: 'break_started', body: {} }],
  [5, { type: 'signal_seen', body: { signal: 'takes_treat' } }],
  [1, { type: 'break_ended', body: {} }],
  [0, { type: 'account_line', body: { line: 'own.home.1', text: 'We ring on Friday.' } }],
  [1, { type: 'visit_ended', body: { outcome: 'stopped', why: 'A growl and a burn' } }],
  BACK,
);
const read = (past: readonly VisitSummary[], today = '2026-12-20') => lastTime(past, [], today);
const all = (past: readonly VisitSummary[]): string => {
  const l = read(past);
  return l ? [...l.went, ...l.still, ...l.told, ...l.otherwise, ...l.healing.map((h) => h.says)].map(sayReason).join(' ') : '';
};

describe('last time', () => {
  it('is nothing for a dog that was never here', () => expect(read([])).toBeUndefined());
  it('says of a visit that ended badly how far it got, what set it off, what calmed it, what is still there', () => {
    const text = all([BAD]);
    expect(text).toContain('Last time, 25 November 2026: stopped after');
    expect(text).toContain('It went as far as: growls');
    expect(text).toContain('What set it off: nails');
    expect(text).toContain('Calmer within 6 min of rest');
    expect(text).toContain('Still in the coat: belly');
    expect(text).toContain('Clipper burn on 25 November 2026, belly');
    expect(text).toContain('Told to Ines Roe');
    expect(text).toContain('Promised to the owner: We ring on Friday.');
    expect(text).toContain('Decided since: Feel the blade each minute.');
    expect(text).toContain('this plan is lighter');
    expect(text).not.toContain('…');
  });
  it('asks how a wound is until it was seen to be closed', () => {
    expect(read([BAD])?.healing.map((h) => h.incidentId)).toEqual([ID]);
    const later = (look: 'red' | 'closed_dry'): VisitSummary => ({
      ...visit(
        [0, { type: 'healing_seen', body: { incidentId: ID, look } }],
        [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
        BACK,
      ),
      on: '2026-12-10',
    });
    expect(read([later('red'), BAD])?.healing[0]?.last).toBe('red');
    expect(read([later('closed_dry'), BAD])?.healing).toEqual([]);
    expect(read([BAD], '2027-06-01')?.healing).toEqual([]);
  });
  it('says a quiet visit in one line', () => {
    const plain = visit([5, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }], BACK);
    expect(read([plain])?.went.map((r) => r.rule)).toEqual(['last.finished']);
    expect(read([plain])?.otherwise).toEqual([]);
  });
  it('reads summaries that earlier versions wrote', () => {
    const { hardSigns: _h, setOff: _s, calmedMinutes: _c, healing: _e, toldTo: _t, ownTold: _o, asked: _a, ...old } = BAD;
    const incidents = old.incidents.map(({ incidentId: _i, prevented: _p, action: _x, ...i }) => i);
    expect(read([{ ...old, incidents }])?.went.map((r) => r.rule)).toContain('last.incident');
  });
});
