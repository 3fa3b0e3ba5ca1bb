import { EVENT_TYPES, readEvent } from '../log/index.js';
import { readFixture } from '../testing/read-fixture.js';
import { STRAIN_BANDS } from '../words/index.js';
import { replay, summarize } from './index.js';

interface Recorded {
  readonly dog: string;
  readonly visitId: string;
  readonly events: readonly { readonly type: string }[];
  readonly summary: object;
}

/** Logs as earlier versions wrote them, with what their own replay said of them. They are read for ever. */
const VERSIONS = ['log/fixtures/logs-v1.json.gz', 'log/fixtures/logs-v2.json.gz'] as const;

/** Judged more carefully since: a band holds until a good sign, and only watched minutes are learned from. It may only go that way. */
function moreCareful(now: unknown, then: unknown, at: string): boolean {
  const bands: readonly unknown[] = STRAIN_BANDS;
  if (at === '.band') return bands.indexOf(now) >= bands.indexOf(then);
  // The number is the model's since, with what the work itself does.
  if (at === '.peak') return typeof now === 'number' && now >= 0 && now <= 100;
  if (at === '.curve' || at === '.spells') return Array.isArray(now);
  // What breaks teach is worked out once, when the visit has ended.
  if (at === '.breaks') return Array.isArray(now) && now.length === 0;
  // The strain before a break is what the model believes since, and the look at its end stands for itself.
  if (/^\.breaks\.\d+\.strainBefore$/.test(at)) return typeof now === 'number' && now >= 0 && now <= 100;
  if (/^\.breaks\.\d+\.(strainAfter|state)$/.test(at)) return now === undefined;
  return /^\.exposure\.\d+\.minutes$/.test(at) && typeof now === 'number' && typeof then === 'number' && now >= 0 && now <= then;
}

/** Where what is said now lacks, or contradicts, what was said then. */
function missing(now: unknown, then: unknown, at = ''): string[] {
  if (moreCareful(now, then, at)) return [];
  if (typeof then !== 'object' || then === null) return now === then ? [] : [`${at}: ${String(then)} became ${String(now)}`];
  if (typeof now !== 'object' || now === null) return [`${at} is gone`];
  if (Array.isArray(then) && Array.isArray(now) && then.length !== now.length) return [`${at}: ${then.length} became ${now.length}`];
  return Object.entries(then).flatMap(([key, value]) => missing(Reflect.get(now, key), value, `${at}.${key}`));
}

for (const path of VERSIONS) {
  const logs = readFixture(path) as readonly Recorded[];
  describe(`old logs, ${path}`, () => {
    it('hold every type of event that there was', () => {
      const types = new Set(logs.flatMap((l) => l.events.map((e) => e.type)));
      expect(types.size).toBeGreaterThanOrEqual(33);
      for (const type of types) expect(EVENT_TYPES).toContain(type as (typeof EVENT_TYPES)[number]);
    });
    for (const log of logs)
      it(`${log.dog}, ${log.events.length} events: are lifted and say what they said`, () => {
        const events = log.events.map((raw) => {
          const read = readEvent(raw);
          if (!read.ok) throw new Error(`${raw.type}: ${JSON.stringify(read.fields)}`);
          return read.event;
        });
        const now = JSON.parse(JSON.stringify(summarize(replay(log.visitId, events)))) as object;
        // A later version may say more, never something else.
        expect(missing(now, log.summary)).toEqual([]);
      });
  });
}
