import { type EventDraft, makeEvent, type RandomBytes, type Stamp, type VisitEvent } from '../log/index.js';

export const VISIT = '01900000-0000-7000-8000-000000000001';
export const DOG = '01900000-0000-7000-8000-000000000002';
export const SPEC_STAFF = '01900000-0000-7000-8000-000000000003';
export const START = Date.parse('2026-11-25T09:00:00Z');

/** Bytes that count, so that ids differ and tests repeat. */
export function countingBytes(): RandomBytes {
  let n = 0;
  return (into) => {
    n++;
    for (let i = 0; i < into.length; i++) into[i] = (n >>> (8 * (i % 4))) & 255;
    return into;
  };
}

/** Events of one visit; each draft is written some minutes after the one before. */
export function eventsOf(drafts: readonly (readonly [number, EventDraft])[], device = 'a'): VisitEvent[] {
  const bytes = countingBytes();
  let nowMs = START;
  let stamp: Stamp | undefined;
  return drafts.map(([minutes, draft]) => {
    nowMs += minutes * 60_000;
    const event = makeEvent(draft, { visitId: VISIT, by: SPEC_STAFF, device, nowMs, random: bytes, last: stamp });
    stamp = event.stamp;
    return event;
  });
}

export const BOOKED: EventDraft = {
  type: 'visit_booked',
  body: {
    dogId: DOG,
    arrivesAt: '2026-11-25T09:00:00Z',
    groomerId: SPEC_STAFF,
    asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 120 },
    helperThere: false,
  },
};
