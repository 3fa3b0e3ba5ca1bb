import { type EventDraft, makeEvents, type Stamp, type VisitEvent } from '@mansuet/core/log';
import { replay } from '@mansuet/core/visit';
import { NOTHING_READ, readGrowth } from './read-growth';

const VISIT = '01900000-0000-7000-8000-000000000001';
const BY = '01900000-0000-7000-8000-000000000002';

describe('a log that grows', () => {
  let last: Stamp | undefined;
  const make = (...drafts: EventDraft[]): VisitEvent[] => {
    const nowMs = Date.parse('2026-06-01T10:00:00Z') + (last ? last.wallMs % 1000 : 0);
    const events = makeEvents(drafts, { visitId: VISIT, by: BY, device: 'd', nowMs, random: (b) => crypto.getRandomValues(b), last });
    last = events.at(-1)?.stamp;
    return events;
  };
  const growl: EventDraft = { type: 'signal_seen', body: { signal: 'growl' } };
  beforeEach(() => (last = undefined));

  it('comes to the same as all of it read at once, in order, late and taken back', () => {
    const start = make({ type: 'work_started', body: {} }, growl);
    const [late] = make({ type: 'noted', body: { text: 'late' } });
    const next = make(growl, { type: 'break_started', body: {} });
    const undo = make({ type: 'voided', body: { target: start[1]?.id ?? '', why: 'undo' } });
    let read = readGrowth(NOTHING_READ, { whole: start });
    const all = [...start];
    for (const more of [next, late ? [late] : [], undo]) {
      read = readGrowth(read, { more });
      all.push(...more);
      expect(read.state).toEqual(replay(VISIT, all));
    }
  });

  it('leaves what was shown as it was, and is the same state for the same log', () => {
    const read = readGrowth(NOTHING_READ, { whole: make({ type: 'work_started', body: {} }) });
    const before = structuredClone(read.state);
    const more = make(growl);
    const grown = readGrowth(read, { more });
    expect(read.state).toEqual(before);
    expect(grown.state).not.toEqual(before);
    expect(readGrowth(grown, { more })).toBe(grown);
    expect(readGrowth(grown, { whole: [...grown.events.values()] })).toBe(grown);
  });

  it('reads anew what is timed otherwise, or is gone', () => {
    const whole = make({ type: 'work_started', body: {} }, growl);
    const read = readGrowth(NOTHING_READ, { whole });
    const timed = whole.map((e) => ({ ...e, timed: 'by_arrival' as const }));
    expect(readGrowth(read, { whole: timed }).state?.timedByArrival).toBe(2);
    expect(readGrowth(read, { whole: whole.slice(0, 1) }).state?.eventCount).toBe(1);
  });
});
