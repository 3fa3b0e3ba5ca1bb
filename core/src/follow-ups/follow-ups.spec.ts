import type { EventDraft } from '../log/index.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { replay, type VisitState } from '../visit/index.js';
import { followUpsOf } from './index.js';

const ID = '01900000-0000-7000-8000-0000000000aa';
const MARK = '01900000-0000-7000-8000-0000000000bb';
const visit = (...more: EventDraft[]): VisitState =>
  replay(VISIT, eventsOf([[0, BOOKED], [0, { type: 'work_started', body: {} }], ...more.map((d): [number, EventDraft] => [1, d])]));
const END: EventDraft = { type: 'visit_ended', body: { outcome: 'finished', why: '' } };
const BACK: EventDraft = { type: 'handed_back', body: { toldTo: 'Ines Roe', nextVisit: null, vetAdvised: false } };
const NICK: EventDraft = { type: 'incident', body: { incidentId: ID, kind: 'nick', harm: 'mild', zone: 'belly', what: '' } };
const NEW_MARK: EventDraft = {
  type: 'mark_felt',
  body: { markId: MARK, zone: 'back', lengthMm: 4, widthMm: 4, border: 'regular', surface: 'smooth', isNew: true },
};
const due = (s: VisitState): [string, string][] => followUpsOf(s).map((f) => [f.key, f.dueOn]);

// Handbook 12 and 13: a call within 24 to 48 h, new marks again in 4 weeks. Common practice, no source.
describe('what is due after a visit', () => {
  it('is nothing before it is over, and nothing after a plain one', () => {
    expect(due(visit(NICK))).toEqual([]);
    expect(due(visit(END, BACK))).toEqual([]);
  });
  it('is a call within two days after a nick, and telling the owner the same day until it is done', () => {
    expect(due(visit(NICK, END))).toEqual([
      [`tell.${ID}`, '2026-11-25'],
      ['call', '2026-11-27'],
    ]);
    expect(due(visit(NICK, { type: 'owner_told', body: { incidentId: ID, name: 'Ines', how: 'by_phone', said: '' } }, END))).toEqual([
      ['call', '2026-11-27'],
    ]);
    expect(due(visit(NICK, END, BACK))).toEqual([['call', '2026-11-27']]);
  });
  it('is a look after four weeks for what was new, and the vet’s word where one was advised', () => {
    expect(due(visit(NEW_MARK, END, BACK))).toEqual([['look', '2026-12-23']]);
    const advised: EventDraft = { type: 'handed_back', body: { toldTo: 'Ines', nextVisit: null, vetAdvised: true } };
    expect(due(visit(END, advised))).toEqual([['report', '2026-11-28']]);
  });
  it('is nobody’s call for a near miss, or for what it came with', () => {
    const other = (kind: 'near_miss' | 'found_on_arrival'): EventDraft => ({
      type: 'incident',
      body: { incidentId: ID, kind, harm: 'none', zone: null, what: '' },
    });
    expect(due(visit(other('near_miss'), END, BACK))).toEqual([]);
    expect(due(visit(other('found_on_arrival'), END, BACK))).toEqual([]);
  });
  it('is what was decided after an incident, on the day that was set', () => {
    const more: EventDraft = {
      type: 'incident_more',
      body: { incidentId: ID, action: 'New blades.', actionBy: 'Rafael', actionUntil: '2026-12-10' },
    };
    expect(due(visit(NICK, more, END, BACK))).toContain([`action.${ID}`, '2026-12-10']);
  });
  it('is kept with what came of it', () => {
    const s = visit(NICK, END, BACK, { type: 'follow_up_done', body: { followUp: 'call', says: 'Closed and dry.' } });
    expect(s.followUpsDone.get('call')?.says).toBe('Closed and dry.');
  });
});
