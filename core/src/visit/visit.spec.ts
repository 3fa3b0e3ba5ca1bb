import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import {
  makeEvents,
  compareStamps,
  EVENT_TYPES,
  type EventDraft,
  type EventHand,
  eventTypeLines,
  laterStamp,
  nextStamp,
  readEvent,
  type Stamp,
  uuidV7,
  type VisitEvent,
} from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { aDog, anInput, SPEC_DAY } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, countingBytes, eventsOf, SPEC_STAFF, START, VISIT } from '../testing/visit-events.js';
import { historyOf, phaseOf, planInputOf, replay, summarize, workNow } from './index.js';

const PLAN: EventDraft = { type: 'plan_accepted', body: { plan: recordOf(makePlan(anInput())), told: null } };
const WORKING: readonly (readonly [number, EventDraft])[] = [
  [0, BOOKED],
  [1, { type: 'file_read', body: {} }],
  [1, { type: 'fit_answered', body: { signs: [], vetAgreed: false, roomCelsius: 20 } }],
  [0, { type: 'mood_felt', body: { mood: 'still' } }],
  [1, { type: 'zone_felt', body: { zone: 'armpit_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound', crust: false } }],
  [1, { type: 'feel_over_done', body: {} }],
  [1, { type: 'agreed', body: { name: 'Perpetua Glain', extraMinutes: 0, extraPriceMinor: 0 } }],
  [1, PLAN],
  [0, { type: 'work_started', body: {} }],
  [0, { type: 'step_started', body: { step: 'nails' } }],
  [4, { type: 'signal_seen', body: { signal: 'lip_lick' } }],
  [2, { type: 'break_started', body: {} }],
  [3, { type: 'break_ended', body: {} }],
  [1, { type: 'hold_used', body: { hold: 'under_arm', also: [] } }],
  [2, { type: 'step_finished', body: { step: 'nails', outcome: 'done', why: '' } }],
];

describe('uuidV7 (RFC 9562, 5.7)', () => {
  it('carries the time in its first 48 bits, version 7 and variant 10', () => {
    // The RFC's own example time: 2022-02-22T19:22:22Z is 017F22E2-79B0.
    const id = uuidV7(0x017f22e279b0, (b) => b.fill(0xff));
    expect(id).toBe('017f22e2-79b0-7fff-bfff-ffffffffffff');
  });
  it('sorts as time does', () => expect(uuidV7(1000, countingBytes()) < uuidV7(2000, countingBytes())).toBeTrue());
  it('refuses a time that does not fit', () => expect(() => uuidV7(2 ** 48, countingBytes())).toThrowError(RangeError));
});

describe('stamps', () => {
  it('never go back, even when the device’s clock does', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { minLength: 2, maxLength: 20 }), (times) => {
        let last: Stamp | undefined;
        for (const t of times) {
          const next = nextStamp(last, t, 'a');
          if (last) expect(compareStamps(next, last)).toBeGreaterThan(0);
          last = next;
        }
      }),
    );
  });
  it('put an effect after the cause that came from a tablet whose clock is ahead', () => {
    const cause: Stamp = { wallMs: 9000, counter: 2, device: 'b' };
    expect(compareStamps(nextStamp(laterStamp({ wallMs: 5000, counter: 0, device: 'a' }, cause), 5001, 'a'), cause)).toBeGreaterThan(0);
  });
});

describe('readEvent', () => {
  const sound = eventsOf([[0, BOOKED]])[0]!;
  it('takes what a device wrote', () => expect(readEvent(JSON.parse(JSON.stringify(sound)))).toEqual({ ok: true, event: sound }));
  for (const [name, raw] of [
    ['nothing', null],
    ['text', 'x'],
    ['another type', { ...sound, type: 'danced' }],
    ['a newer version', { ...sound, v: 99 }],
    ['an older version that never was', { ...sound, v: 0 }],
    ['a wrong id', { ...sound, id: '1' }],
    ['a field too many', { ...sound, body: { ...sound.body, x: 1 } }],
    ['a body of another type', { ...sound, type: 'signal_seen' }],
    ['a time that is none', { ...sound, at: 'yesterday' }],
  ] as const) {
    it(`refuses ${name}, and says where`, () => {
      const read = readEvent(raw);
      expect(read.ok).toBeFalse();
      if (!read.ok) expect(read.fields.length).toBeGreaterThan(0);
    });
  }
  it('are listed in docs/events.md as the schemas have them (npm run docs)', () => {
    const docs = readFileSync(new URL('../../../docs/events.md', import.meta.url), 'utf8');
    for (const l of eventTypeLines())
      expect(docs)
        .withContext(l.type)
        .toContain(`| \`${l.type}\` | ${l.says} | ${l.fields.map((f) => `\`${f}\``).join(', ') || 'none'} |`);
  });
  it('knows each type by a line for the docs', () => {
    expect(eventTypeLines().map((l) => l.type)).toEqual([...EVENT_TYPES]);
    for (const l of eventTypeLines()) expect(l.says.length).withContext(l.type).toBeGreaterThan(10);
  });
});

describe('replay', () => {
  const events = eventsOf(WORKING);
  const plain = (list: readonly VisitEvent[]): unknown =>
    JSON.parse(JSON.stringify(replay(VISIT, list), (_, v: unknown) => (v instanceof Map ? [...v].sort() : v)));

  it('comes to the same state in any order and with any copies', () => {
    const state = plain(events);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        fc.array(fc.constantFrom(...events), { maxLength: 20 }),
        (shuffled, copies) => {
          expect(plain([...copies, ...shuffled])).toEqual(state);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('merges two tablets to the same state, whichever is read first', () => {
    const other = eventsOf(
      [
        [6, { type: 'signal_seen', body: { signal: 'growl' } }],
        [2, { type: 'noted', body: { text: 'Growled at the left hind.' } }],
      ],
      'b',
    );
    expect(plain([...events, ...other])).toEqual(plain([...other, ...events]));
  });

  it('walks through the phases', () => {
    const upTo = (n: number): string => phaseOf(replay(VISIT, events.slice(0, n)));
    expect([upTo(1), upTo(2), upTo(6), upTo(7), upTo(8)]).toEqual(['know', 'feel_over', 'agree', 'plan', 'work']);
  });

  it('counts hands-on minutes without breaks, by hold', () => {
    const work = replay(VISIT, events).work!;
    expect(work.steps.get('nails')?.seconds).toBe(9 * 60);
    expect(work.steps.get('nails')?.status).toBe('done');
    expect(work.breakSeconds).toBe(3 * 60);
    const planned = replay(VISIT, events).plan!.steps.find((s) => s.id === 'nails')!.hold;
    expect(work.holdSeconds.get(planned)).toBe(7 * 60);
    expect(work.holdSeconds.get('under_arm')).toBe(2 * 60);
  });

  it('presumes the hold and blade that were planned', () => {
    const started = replay(VISIT, eventsOf([...WORKING.slice(0, 9), [0, { type: 'step_started', body: { step: 'sanitary@anus' } }]]));
    expect(started.work?.blade).toBe('10');
    expect(started.work?.hold).toBe('tail_root');
  });

  it('grades mats from the tests that were entered, the last one counting', () => {
    const s = replay(
      VISIT,
      eventsOf([
        ...WORKING,
        [0, { type: 'zone_felt', body: { zone: 'armpit_left', comb: 'fine_passes', lift: null, skin: 'sound', crust: false } }],
      ]),
    );
    expect(s.feelOver.zones).toEqual([{ zone: 'armpit_left', matGrade: 0, skin: 'sound', crust: false, tests: { comb: 'fine_passes' } }]);
  });

  it('keeps tests as they were made, and invents none', () => {
    const felt = (...drafts: EventDraft[]) => replay(VISIT, eventsOf(drafts.map((d) => [0, d]))).feelOver.zones;
    const zone = { zone: 'belly' as const, skin: 'sound' as const, crust: false };
    const comb: EventDraft = { type: 'zone_felt', body: { ...zone, comb: 'wide_stops', lift: null } };
    expect(felt(comb)).toEqual([{ ...zone, matGrade: 2, tests: { comb: 'wide_stops' } }]);
    const red: EventDraft = { type: 'zone_felt', body: { ...zone, skin: 'red', comb: null, lift: null } };
    expect(felt(red)).toEqual([{ ...zone, skin: 'red', matGrade: 0, tests: {} }]);
    expect(felt(comb, red)).toEqual([{ ...zone, skin: 'red', matGrade: 2, tests: { comb: 'wide_stops' } }]);
    expect(felt(comb, { type: 'dryer_tested', body: { zone: 'belly', test: 'stays_shut' } })).toEqual([
      { ...zone, matGrade: 3, tests: { comb: 'wide_stops', dryer: 'stays_shut' } },
    ]);
    expect(felt({ type: 'zone_as_before', body: { ...zone, grade: 3, on: '2026-10-01' } })).toEqual([
      { ...zone, matGrade: 3, tests: { asBefore: '2026-10-01' } },
    ]);
  });

  it('says who has the dog: the groomer it was booked with, until somebody takes over', () => {
    expect(replay(VISIT, eventsOf([[0, BOOKED]])).handsId).toBe(SPEC_STAFF);
    const other = '01900000-0000-7000-8000-0000000000ff';
    expect(
      replay(
        VISIT,
        eventsOf([
          [0, BOOKED],
          [1, { type: 'hands_changed', body: { staffId: other } }],
        ]),
      ).handsId,
    ).toBe(other);
  });

  it('does not count what was voided, and counts it again when the void is voided', () => {
    const growl: readonly [number, EventDraft] = [0, { type: 'signal_seen', body: { signal: 'growl' } }];
    const base = eventsOf([...WORKING.slice(0, 11), growl]);
    const target = base.at(-1)!;
    const voided = eventsOf([...WORKING.slice(0, 11), growl, [1, { type: 'voided', body: { target: target.id, why: 'wrong button' } }]]);
    const back = eventsOf([
      ...WORKING.slice(0, 11),
      growl,
      [1, { type: 'voided', body: { target: target.id, why: 'wrong button' } }],
      [1, { type: 'voided', body: { target: voided.at(-1)!.id, why: 'it did growl' } }],
    ]);
    const band = (list: readonly VisitEvent[]): string | undefined => workNow(replay(VISIT, list), START)?.strain.band;
    expect(band(base)).toBe('pause');
    expect(band(voided)).not.toBe('pause');
    expect(band(voided)).toBe(band(eventsOf(WORKING.slice(0, 11))));
    expect(band(back)).toBe('pause');
    expect(replay(VISIT, voided).undoable?.type).toBe('signal_seen');
  });

  it('knows the latest entry of each person: what another one recorded last is not theirs to take back', () => {
    const [mine, theirs] = [
      eventsOf([[0, { type: 'signal_seen', body: { signal: 'growl' } }]]),
      eventsOf(
        [
          [0, BOOKED],
          [1, { type: 'break_started', body: {} }],
        ],
        'b',
      ),
    ];
    const other = '01900000-0000-7000-8000-0000000000cc';
    const state = replay(VISIT, [...theirs.map((e) => ({ ...e, by: other, id: e.id.replace(/..$/, 'ee') })), ...mine]);
    expect(state.undoableBy.get(SPEC_STAFF)?.type).toBe('signal_seen');
    expect(state.undoableBy.get(other)?.type).toBe('break_started');
  });

  it('knows all that one stroke wrote, to take it back together', () => {
    let byte = 0;
    const hand: EventHand = {
      visitId: VISIT,
      by: SPEC_STAFF,
      device: 'a',
      nowMs: START,
      random: (into) => into.fill(byte++),
      last: undefined,
    };
    const [booked] = makeEvents([BOOKED], hand);
    const before = makeEvents([{ type: 'noted', body: { text: 'calm' } }], { ...hand, last: booked?.stamp });
    const stroke = makeEvents(
      [
        { type: 'work_started', body: {} },
        { type: 'break_started', body: {} },
      ],
      { ...hand, nowMs: START + 1000, last: before[0]?.stamp },
    );
    expect([booked?.act, before[0]?.act, ...stroke.map((e) => e.act)]).toEqual([undefined, undefined, stroke[0]?.id, stroke[0]?.id]);
    const state = replay(VISIT, [...(booked ? [booked] : []), ...before, ...stroke]);
    expect([state.undoable?.type, state.undoable?.ids]).toEqual(['break_started', stroke.map((e) => e.id)]);
    const voids = makeEvents(
      stroke.map((e) => ({ type: 'voided' as const, body: { target: e.id, why: 'undo' } })),
      { ...hand, nowMs: START + 2000, last: stroke.at(-1)?.stamp },
    );
    const back = replay(VISIT, [...(booked ? [booked] : []), ...before, ...stroke, ...voids]);
    expect([back.work, back.undoable?.ids]).toEqual([undefined, before.map((e) => e.id)]);
  });

  it('leaves events of other visits out', () => expect(replay('01900000-0000-7000-8000-00000000ffff', events).eventCount).toBe(0));

  it('ends a running step and a break when the visit ends', () => {
    const s = replay(
      VISIT,
      eventsOf([...WORKING.slice(0, 12), [2, { type: 'visit_ended', body: { outcome: 'stopped', why: 'It had enough' } }]]),
    );
    expect(s.work?.running).toBeUndefined();
    expect(s.work?.onBreakSinceMs).toBeUndefined();
    expect(s.work?.steps.get('nails')?.status).toBe('part');
    expect(phaseOf(s)).toBe('hand_back');
    const later = workNow(s, START + 10 * 3_600_000);
    expect(later?.minute).toBe(8);
  });

  it('keeps an incident with step, hold and blade of that moment', () => {
    const s = replay(
      VISIT,
      eventsOf([
        ...WORKING.slice(0, 10),
        [
          1,
          { type: 'incident', body: { incidentId: VISIT, kind: 'quicked_nail', harm: 'mild', zone: 'fore_paw_left', what: 'dark nail' } },
        ],
      ]),
    );
    expect(s.incidents[0]).toEqual(jasmine.objectContaining({ step: 'nails', kind: 'quicked_nail', by: SPEC_STAFF }));
  });

  it('warms the blade that runs; a touch overrules the estimate; a cool one starts anew', () => {
    const run = (more: readonly (readonly [number, EventDraft])[]) =>
      replay(
        VISIT,
        eventsOf([...WORKING.slice(0, 9), [0, { type: 'step_started', body: { step: 'sanitary@anus' } }], ...more]),
      ).work?.blades.get('10')?.celsius ?? 0;
    expect(run([[5, { type: 'noted', body: { text: 'x' } }]])).toBeCloseTo(37.7387736, 4);
    expect(run([[1, { type: 'blade_touched', body: { feels: 'warm', toolId: null } }]])).toBe(40);
    expect(run([[1, { type: 'blade_touched', body: { feels: 'hot', toolId: null } }]])).toBeGreaterThan(42);
    expect(run([[5, { type: 'blade_used', body: { blade: '10', toolId: null, cool: true } }]])).toBe(22);
  });
});

describe('summaries', () => {
  const state = replay(VISIT, eventsOf([...WORKING, [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }]]));
  it('are plain JSON that survives storage', () => expect(JSON.parse(JSON.stringify(summarize(state)))).toEqual(summarize(state)));
  it('feed the rates: minutes and points by activity over visits', () => {
    expect(historyOf([summarize(state), summarize(state)])).toEqual([
      { activity: 'nails', group: 'feet', tool: 'nail_tool', posture: 'leg_lifted', minutes: 14, points: 8 },
      { activity: 'nails', group: 'feet', tool: 'nail_tool', posture: 'lying', minutes: 4, points: 0 },
    ]);
  });
});

describe('planInputOf', () => {
  const context = { dog: aDog(), history: [], evidence: [], wholeVisits: [], breaks: [], trained: true, today: SPEC_DAY };
  it('waits for the fit questions', () => expect(planInputOf(replay(VISIT, eventsOf([[0, BOOKED]])), context)).toBeUndefined());
  it('carries findings, verdict and refusals', () => {
    const s = replay(
      VISIT,
      eventsOf([
        ...WORKING.slice(0, 6),
        [0, { type: 'consent_answered', body: { consent: 'close_clip', agreed: false, name: 'P', textVersion: '1' } }],
      ]),
    );
    expect(planInputOf(s, context)).toEqual(jasmine.objectContaining({ fit: 'go', refused: ['close_clip'] }));
  });
});
