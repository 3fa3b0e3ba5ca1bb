import type { EventDraft } from '../log/index.js';
import { BOOKED, eventsOf, SPEC_STAFF, START, VISIT } from '../testing/visit-events.js';
import { phaseOf, replay } from './index.js';

const OTHER = '01900000-0000-7000-8000-0000000000bb';
const at = (...drafts: readonly (readonly [number, EventDraft])[]) => replay(VISIT, eventsOf([[0, BOOKED], ...drafts]));
const move = (arrivesAt: string, groomerId = SPEC_STAFF): EventDraft => ({
  type: 'booking_moved',
  body: { arrivesAt, groomerId, zone: 'Pacific/Auckland', why: '' },
});
const OFF: EventDraft = { type: 'booking_off', body: { how: 'owner', why: 'Has a cold' } };

describe('a booking', () => {
  it('that is moved is on the day of the salon’s clock, with whom it is now, and keeps its entries', () => {
    const s = at([1, { type: 'noted', body: { text: 'Brings her towel' } }], [1, move('2026-11-29T11:30:00Z', OTHER)]);
    expect([s.day, s.groomerId, s.handsId, s.arrivesAt]).toEqual(['2026-11-30', OTHER, OTHER, '2026-11-29T11:30:00Z']);
    expect(s.notes.length).toBe(1);
  });

  it('that is moved leaves the dog in the hands that have it', () => {
    const s = at([1, { type: 'hands_changed', body: { staffId: OTHER } }], [1, move('2026-11-25T10:00:00Z')]);
    expect([s.groomerId, s.handsId]).toEqual([SPEC_STAFF, OTHER]);
  });

  it('that is called off is not held, until it is moved to another time', () => {
    const off = at([1, OFF]);
    expect([phaseOf(off), off.off]).toEqual(['off', { how: 'owner', why: 'Has a cold', atMs: START + 60_000, by: SPEC_STAFF }]);
    expect(phaseOf(at([1, OFF], [1, move('2026-11-26T10:00:00Z')]))).toBe('know');
  });

  it('that was begun is not called off: it ends as a visit does', () => {
    const s = at([1, { type: 'visit_ended', body: { outcome: 'not_today', why: 'Fever' } }], [1, OFF]);
    expect([phaseOf(s), s.off]).toEqual(['hand_back', undefined]);
  });

  it('is expected later until the dog is here; the first time that somebody says so counts', () => {
    const later: EventDraft = { type: 'late_told', body: { expectedAt: '2026-11-25T09:30:00Z' } };
    expect(at([1, later]).expectedAt).toBe('2026-11-25T09:30:00Z');
    const here = at([1, later], [25, { type: 'dog_arrived', body: {} }], [3, { type: 'dog_arrived', body: {} }]);
    expect([here.expectedAt, here.arrivedMs]).toEqual([undefined, START + 26 * 60_000]);
  });

  it('keeps what its owner was told last of when it is ready', () => {
    const told = (readyAt: string): EventDraft => ({ type: 'ready_told', body: { readyAt } });
    const s = at([1, told('2026-11-25T11:00:00Z')], [1, told('2026-11-25T11:20:00Z')]);
    expect(s.readyToldAt).toBe('2026-11-25T11:20:00Z');
  });
});
