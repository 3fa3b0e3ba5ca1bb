import { ALL_SAFE, closingList } from '../knowledge/fit/index.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, START, VISIT } from '../testing/visit-events.js';
import type { ClosingLine, SignalId, StepId } from '../words/index.js';
import { closingAtEnd, closingNow, replay, safeFinishNow, type VisitState } from './index.js';

const PLAN = recordOf(
  makePlan(anInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 120 } }, { standingSeenMinutes: 40 })),
);
const visit = (...more: (readonly [number, EventDraft])[]): VisitState =>
  replay(
    VISIT,
    eventsOf([
      [0, BOOKED],
      [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
      [0, { type: 'work_started', body: {} }],
      ...more,
    ]),
  );
const start = (step: StepId): readonly [number, EventDraft] => [0, { type: 'step_started', body: { step } }];
const end = (step: StepId, outcome: 'done' | 'part'): readonly [number, EventDraft] => [
  2,
  { type: 'step_finished', body: { step, outcome, why: '' } },
];
const sign = (signal: SignalId): readonly [number, EventDraft] => [1, { type: 'signal_seen', body: { signal } }];
const tick = (line: ClosingLine): readonly [number, EventDraft] => [0, { type: 'closing_done', body: { line } }];
const STOP: readonly [number, EventDraft] = [0, { type: 'closing_begun', body: {} }];
const MUZZLE: readonly [number, EventDraft] = [0, { type: 'hold_used', body: { hold: 'hand_resting', also: ['muzzle'] } }];
const NOW = START + 30 * 60_000;
const linesOf = (s: VisitState): ClosingLine[] => (closingNow(s, NOW)?.lines ?? []).map((l) => l.line);

describe('the closing list', () => {
  it('goes by where the dog is (handbook 13, stop means finish safely; common practice, no source)', () => {
    expect(
      closingList({ post: 'table', unfinished: { ...ALL_SAFE, woundOpen: true, matHalfCut: true, muzzleOn: true }, alarm: false }),
    ).toEqual(['tool_away', 'pressure', 'mat', 'lead_on', 'down', 'muzzle_off', 'safe_place', 'ring_owner']);
    expect(closingList({ post: 'tub', unfinished: { ...ALL_SAFE, lathered: true, dryingMinutes: 20 }, alarm: false })).toEqual([
      'tool_away',
      'rinse',
      'towel',
      'lead_on',
      'out_of_tub',
      'dry_enough',
      'safe_place',
      'ring_owner',
    ]);
    expect(closingList({ post: 'lap', unfinished: ALL_SAFE, alarm: false })).toEqual(['tool_away', 'down', 'safe_place', 'ring_owner']);
  });
  it('never takes the muzzle off before the dog is on the floor, nor the loop before the lead is on', () => {
    for (const post of ['table', 'dryer', 'lap', 'tub', 'floor'] as const)
      for (const wet of [0, 10]) {
        const lines = closingList({
          post,
          unfinished: { ...ALL_SAFE, muzzleOn: true, loopOn: true, dryingMinutes: wet, matHalfCut: true },
          alarm: false,
        });
        const at = (line: ClosingLine): number => lines.indexOf(line);
        expect(at('muzzle_off')).toBeGreaterThan(Math.max(at('down'), at('out_of_tub'), at('lead_on')));
        if (post !== 'floor') expect(lines[0]).toBe('tool_away');
      }
  });
  it('holds nobody up when the body is in danger', () =>
    expect(closingList({ post: 'tub', unfinished: { ...ALL_SAFE, lathered: true, muzzleOn: true }, alarm: true })).toEqual([
      'all_off',
      'cool_down',
      'ring_vet',
      'go',
    ]));
});

describe('the blade in hand', () => {
  const blade = (cool: boolean): readonly [number, EventDraft] => [0, { type: 'blade_used', body: { blade: '10', toolId: null, cool } }];
  const touch: readonly [number, EventDraft] = [0, { type: 'blade_touched', body: { feels: 'cool', toolId: null } }];
  it('is to be touched after a swap, and again when a new place begins', () => {
    expect(visit(start('nails')).work?.untouchedSince).toBeUndefined();
    expect(visit(start('nails'), blade(true)).work?.untouchedSince).toBe('swap');
    expect(visit(start('nails'), blade(true), touch).work?.untouchedSince).toBeUndefined();
    const next: readonly [number, EventDraft] = [
      1,
      { type: 'piece_finished', body: { piece: 'nails:fore_nails_left', outcome: 'done', why: '' } },
    ];
    expect(visit(start('nails'), blade(true), touch, next).work?.untouchedSince).toBe('place');
    expect(visit(start('nails'), blade(true), next).work?.untouchedSince).toBe('swap');
  });
});

describe('an end that is made safe', () => {
  it('is not there while the visit goes on, after one growl, or when it is over', () => {
    expect(closingNow(visit(start('nails')), NOW)).toBeUndefined();
    expect(closingNow(visit(start('nails'), sign('growl')), NOW)).toBeUndefined();
    expect(
      closingNow(visit(start('nails'), STOP, [1, { type: 'visit_ended', body: { outcome: 'stopped', why: '' } }]), NOW),
    ).toBeUndefined();
  });
  it('begins by itself after a growl and a freeze, and does not lapse with a break', () => {
    const two = visit(
      start('nails'),
      sign('growl'),
      sign('freeze'),
      [0, { type: 'break_started', body: {} }],
      [20, { type: 'break_ended', body: {} }],
    );
    expect(closingNow(two, NOW)?.cause).toBe('sign');
    expect(closingNow(visit(start('nails'), sign('snap')), NOW)?.cause).toBe('sign');
    expect(closingNow(visit(start('nails'), sign('collapse')), NOW)).toEqual(jasmine.objectContaining({ cause: 'alarm' }));
    expect(closingNow(visit(start('nails'), STOP), NOW)?.cause).toBe('asked');
  });
  it('remembers a muzzle between two steps, until it is ticked off', () => {
    const off = visit(start('nails'), MUZZLE, end('nails', 'part'), STOP);
    expect(linesOf(off)).toContain('muzzle_off');
    expect(safeFinishNow(off, NOW)?.reasons.map((r) => r.rule)).toContain('safe.muzzle');
    const ticked = visit(start('nails'), MUZZLE, end('nails', 'part'), STOP, tick('muzzle_off'));
    expect(closingNow(ticked, NOW)?.lines.find((l) => l.line === 'muzzle_off')?.done).toBeTrue();
    expect(safeFinishNow(ticked, NOW)?.reasons.map((r) => r.rule)).not.toContain('safe.muzzle');
  });
  it('asks for drying once water was on the dog, and never says that it could go home before', () => {
    const wet = visit(start('bath'), end('bath', 'part'), STOP);
    expect(linesOf(wet)).toEqual(jasmine.arrayContaining(['rinse', 'towel', 'dry_enough']));
    expect(safeFinishNow(wet, NOW)?.reasons.map((r) => r.rule)).not.toContain('safe.now');
    const safe = visit(start('bath'), end('bath', 'part'), STOP, ...linesOf(wet).map(tick));
    expect(safeFinishNow(safe, NOW)?.reasons.map((r) => r.rule)).toEqual(['safe.now']);
  });
  it('keeps its lines while they are ticked, each once', () => {
    const open = visit(start('nails'), MUZZLE, STOP);
    const ticked = visit(start('nails'), MUZZLE, STOP, tick('tool_away'), tick('down'));
    expect(linesOf(ticked)).toEqual(linesOf(open));
  });
});

describe('the closing list once the work is over', () => {
  const FINISHED: readonly [number, EventDraft] = [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }];
  const STOPPED: readonly [number, EventDraft] = [1, { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } }];
  const skip = (line: ClosingLine): readonly [number, EventDraft] => [0, { type: 'closing_skipped', body: { line, why: 'it was asleep' } }];

  it('is worked off line by line: done, or left out with a reason', () => {
    const s = visit(start('nails'), end('nails', 'done'), FINISHED);
    const lines = closingAtEnd(s)?.lines.map((l) => l.line) ?? [];
    expect(lines).toContain('safe_place');
    expect(closingAtEnd(s)?.open).toBe(lines.length);
    const all = visit(start('nails'), end('nails', 'done'), FINISHED, ...lines.slice(1).map(tick), skip(lines[0]!));
    expect(closingAtEnd(all)?.open).toBe(0);
    expect(closingAtEnd(all)?.lines[0]?.skipped).toBe('it was asleep');
  });
  it('has the owner rung after a stop only, and keeps what was ticked before the end', () => {
    expect(closingAtEnd(visit(start('nails'), FINISHED))?.lines.map((l) => l.line)).not.toContain('ring_owner');
    const stopped = closingAtEnd(visit(start('nails'), STOP, tick('tool_away'), STOPPED));
    expect(stopped?.lines.find((l) => l.line === 'tool_away')?.done).toBeTrue();
    expect(stopped?.lines.map((l) => l.line)).toContain('ring_owner');
  });
  it('is none while the work goes on, without work, and for what was written down afterwards', () => {
    expect(closingAtEnd(visit(start('nails')))).toBeUndefined();
    expect(
      closingAtEnd(
        replay(
          VISIT,
          eventsOf([
            [0, BOOKED],
            [0, { type: 'visit_ended', body: { outcome: 'not_today', why: 'x' } }],
          ]),
        ),
      ),
    ).toBeUndefined();
    expect(closingAtEnd(visit([0, { type: 'written_after', body: {} }], start('nails'), FINISHED))).toBeUndefined();
  });
});
