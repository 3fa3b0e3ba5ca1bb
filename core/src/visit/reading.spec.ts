import fc from 'fast-check';
import { type EventDraft, makeEvents, type VisitEvent } from '../log/index.js';
import { beginReading, CHECKPOINT_EVENTS, goOnReading, type Reading } from './reading.js';
import { replay } from './replay.js';

const VISIT = '01900000-0000-7000-8000-000000000001';
const BY = '01900000-0000-7000-8000-000000000002';
const DRAFTS: readonly EventDraft[] = [
  { type: 'signal_seen', body: { signal: 'growl' } },
  { type: 'break_started', body: {} },
  { type: 'break_ended', body: {} },
  { type: 'noted', body: { text: 'x' } },
  { type: 'weighed', body: { kg: 18 } },
];

describe('a visit that is read on', () => {
  let made = 0;
  /** Entries a second apart, as they were made. */
  const make = (drafts: readonly EventDraft[]): VisitEvent[] =>
    makeEvents(drafts, {
      visitId: VISIT,
      by: BY,
      device: 'd',
      nowMs: Date.parse('2026-06-01T10:00:00Z'),
      random: (into) => into.map((_, i) => (made * 31 + i * 7) % 251),
      last: undefined,
    }).map((e) => {
      made++;
      const wallMs = Date.parse('2026-06-01T10:00:00Z') + made * 1000;
      const id = `01900000-0000-7000-9000-${made.toString(16).padStart(12, '0')}`;
      return { ...e, id, at: new Date(wallMs).toISOString(), stamp: { wallMs, counter: 0, device: 'd' } };
    });

  it('comes to what all of it comes to, whatever is late, taken back, or taken back again', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ draft: fc.nat(4), late: fc.nat(9), voids: fc.option(fc.nat(30)) }), { maxLength: 40 }), (steps) => {
        made = 0;
        const all = make([{ type: 'work_started', body: {} }]);
        let reading: Reading | undefined = beginReading(VISIT, all);
        const waiting: VisitEvent[] = [];
        for (const { draft, late, voids } of steps) {
          const target = voids === null ? undefined : all.at(-1 - (voids % all.length))?.id;
          const news = make([
            target ? { type: 'voided', body: { target, why: '' } } : (DRAFTS[draft] ?? { type: 'break_ended', body: {} }),
          ]);
          // Some wait on their tablet until others have come.
          if (late === 0) {
            waiting.push(...news);
            continue;
          }
          if (late === 1) news.push(...waiting.splice(0));
          all.push(...news);
          reading = goOnReading(reading, news) ?? beginReading(VISIT, all);
          expect(reading.state).toEqual(replay(VISIT, all));
        }
      }),
      { numRuns: 150 },
    );
  });

  it('reaches back past one checkpoint, and says when something lies further back', () => {
    made = 0;
    const all = make([{ type: 'work_started', body: {} }]);
    let reading = beginReading(VISIT, all);
    const go = (news: readonly VisitEvent[]): boolean => {
      const next = goOnReading(reading, news);
      all.push(...news);
      if (!next) return false;
      reading = next;
      expect(reading.state).toEqual(replay(VISIT, all));
      return true;
    };
    for (let i = 0; i < 2 * CHECKPOINT_EVENTS + 10; i++) go(make([DRAFTS[3] ?? DRAFTS[0]].flatMap((d) => d ?? [])));
    const undo = (back: number) => make([{ type: 'voided', body: { target: all.at(-back)?.id ?? '', why: '' } }]);
    expect(go(undo(3))).toBeTrue();
    expect(go(undo(CHECKPOINT_EVENTS + 5))).toBeTrue();
    expect(go(make([{ type: 'weighed', body: { kg: 18 } }]))).toBeTrue();
    expect(go(undo(all.length - 1))).toBeFalse();
  });
});
