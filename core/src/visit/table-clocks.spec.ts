import { NOTHING_FOUND } from '../findings/index.js';
import { standingLimits } from '../knowledge/dogs/index.js';
import { HOLDS } from '../knowledge/holds/index.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { aDog, anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { holdClocks, pressureClock, PRESS_MINUTES, replay, standingClock, summarize, timesOf, type VisitState, workNow } from './index.js';

const PLAN = recordOf(makePlan(anInput({ asked: { items: ['bath', 'nails', 'sanitary'], wantedMm: 9, sessionMinutes: 120 } })));
const NAILS = PLAN.steps.find((s) => s.name === 'nails') ?? PLAN.steps[0]!;
const INCIDENT = '01900000-0000-7000-8000-00000000000b';
type At = readonly [minutes: number, draft: EventDraft];
const START: readonly At[] = [
  [0, BOOKED],
  [0, { type: 'mood_felt', body: { mood: 'still' } }],
  [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
  [0, { type: 'work_started', body: {} }],
  [0, { type: 'step_started', body: { step: NAILS.id } }],
  [0, { type: 'hold_used', body: { hold: 'foreleg_forward', also: ['muzzle'] } }],
];
/** @param more minutes since the entry before, and the entry */
const visit = (...more: readonly At[]): VisitState => replay(VISIT, eventsOf([...START, ...more]));
/** @param later minutes after the last entry */
const at = (state: VisitState, later: number): number => (state.work?.clockMs ?? 0) + later * 60_000;

describe('the clocks at the table', () => {
  describe('of a hold', () => {
    const seconds = (state: VisitState, later: number): Record<string, number> =>
      Object.fromEntries(holdClocks(state, at(state, later)).map((h) => [h.hold, Math.round(h.seconds)]));

    it('run while hands work, against the cap of the hold', () => {
      const clocks = holdClocks(visit(), at(visit(), 1.5));
      expect(clocks.map((h) => [h.hold, Math.round(h.seconds), h.capSeconds, h.over])).toEqual([
        ['foreleg_forward', 90, HOLDS.foreleg_forward.capMinutes * 60, true],
        ['muzzle', 90, HOLDS.muzzle.capMinutes * 60, false],
      ]);
    });

    it('begin anew after a break; a muzzle that stays on goes on', () => {
      expect(seconds(visit([2, { type: 'break_started', body: {} }]), 1)).toEqual({ muzzle: 180 });
      const after = visit([2, { type: 'break_started', body: {} }], [1, { type: 'break_ended', body: {} }]);
      expect(seconds(after, 0.5)).toEqual({ foreleg_forward: 30, muzzle: 210 });
    });

    it('begin anew when the hold was let go for another', () => {
      const again = visit(
        [1, { type: 'hold_used', body: { hold: 'hand_resting', also: [] } }],
        [1, { type: 'hold_used', body: { hold: 'foreleg_forward', also: [] } }],
      );
      expect(seconds(again, 0.25)).toEqual({ foreleg_forward: 15 });
    });

    it('stop for a muzzle that is taken off at the end', () => {
      const off = visit([1, { type: 'closing_begun', body: {} }], [0, { type: 'closing_done', body: { line: 'muzzle_off' } }]);
      expect(holdClocks(off, at(off, 1)).map((h) => h.hold)).not.toContain('muzzle');
    });
  });

  it('of standing goes from rest to rest, against what this dog can', () => {
    const limits = standingLimits(aDog(), [], NOTHING_FOUND, '2026-01-01');
    const stands = PLAN.steps.find((s) => s.posture === 'standing');
    const begin = (step: string): EventDraft => ({ type: 'step_started', body: { step: step as typeof NAILS.id } });
    const state = visit([0, begin(stands!.id)]);
    const clock = standingClock(state, limits, at(state, limits.continuousMinutes + 1));
    expect(clock?.over).toBeTrue();
    expect(clock?.minutes).toBeCloseTo(limits.continuousMinutes + 1, 1);
    const rests = visit([0, begin(stands!.id)], [4, { type: 'break_started', body: {} }]);
    expect(standingClock(rests, limits, at(rests, 1))).toBeUndefined();
  });

  describe('of pressure on a wound', () => {
    const nick = (harm: 'mild' | 'none' | null): At => [
      3,
      { type: 'incident', body: { incidentId: INCIDENT, kind: 'nick', harm, zone: null, what: '' } },
    ];
    it('counts down from an incident that bleeds, asks when it is over, and is gone some minutes later', () => {
      const state = visit(nick(null));
      expect(pressureClock(state, at(state, 1))?.leftSeconds).toBeCloseTo((PRESS_MINUTES - 1) * 60, 0);
      expect(pressureClock(state, at(state, PRESS_MINUTES))?.over).toBeTrue();
      expect(pressureClock(state, at(state, 20))).toBeUndefined();
    });
    it('is not asked for where it turned out that nothing was hurt, or where nothing bleeds', () => {
      const none = visit(nick(null), [0, { type: 'incident_more', body: { incidentId: INCIDENT, harm: 'none' } }]);
      expect(pressureClock(none, at(none, 1))).toBeUndefined();
      const fall = visit([1, { type: 'incident', body: { incidentId: INCIDENT, kind: 'fall_or_jump', harm: null, zone: null, what: '' } }]);
      expect(pressureClock(fall, at(fall, 1))).toBeUndefined();
    });
  });

  it('of a blade: spray takes half its warmth, and it is felt anew', () => {
    const hot = visit(
      [0, { type: 'blade_used', body: { blade: '10', toolId: null, cool: false } }],
      [9, { type: 'signal_seen', body: { signal: 'soft_body' } }],
    );
    const before = workNow(hot, at(hot, 0))?.bladeCelsius ?? 0;
    const sprayed = visit(
      [0, { type: 'blade_used', body: { blade: '10', toolId: null, cool: false } }],
      [9, { type: 'blade_cooled', body: { toolId: null } }],
    );
    expect(workNow(sprayed, at(sprayed, 0))?.bladeCelsius).toBeCloseTo(22 + (before - 22) / 2, 1);
    expect(sprayed.work?.untouchedSince).toBe('swap');
  });

  it('of a blade: a thermometer takes the place of the estimate and of the wrist', () => {
    const read = visit(
      [0, { type: 'blade_used', body: { blade: '10', toolId: null, cool: false } }],
      [9, { type: 'blade_touched', body: { feels: 'hot', toolId: null } }],
      [0, { type: 'blade_measured', body: { celsius: 33.5, toolId: null } }],
    );
    expect(workNow(read, at(read, 0))?.bladeCelsius).toBeCloseTo(33.5, 5);
    expect(read.work?.untouchedSince).toBeUndefined();
  });
});

describe('what is added to the record at the table', () => {
  it('more of an incident is laid over what was said at once; of an unknown one it says nothing', () => {
    const state = visit(
      [1, { type: 'incident', body: { incidentId: INCIDENT, kind: 'nick', harm: null, zone: null, what: '' } }],
      [1, { type: 'incident_more', body: { incidentId: INCIDENT, harm: 'mild', zone: 'belly' } }],
      [1, { type: 'incident_more', body: { incidentId: VISIT, harm: 'severe' } }],
    );
    expect(state.incidents.map((i) => [i.kind, i.harm, i.zone, i.what])).toEqual([['nick', 'mild', 'belly', '']]);
  });

  it('a visit that is written down afterwards teaches no time', () => {
    const done: At = [30, { type: 'step_finished', body: { step: NAILS.id, outcome: 'done', why: '' } }];
    const end: At = [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }];
    const live = summarize(visit(done, end));
    const after = summarize(visit([0, { type: 'written_after', body: {} }], done, end));
    expect(live.exposure.length).toBeGreaterThan(0);
    expect(live.evidence).not.toBeNull();
    expect([after.writtenAfter, after.exposure, after.evidence, after.whole, after.breaks, after.spells, after.stands]).toEqual([
      true,
      [],
      null,
      null,
      [],
      [],
      [],
    ]);
    expect(timesOf([after])).toEqual([]);
    expect(after.steps.map((s) => s.status)).toEqual(live.steps.map((s) => s.status));
  });

  it('a plan that was offered and not taken, a photograph and a tool that stopped stay in it', () => {
    const state = visit(
      [1, { type: 'plan_kept', body: { minutes: 31, why: 'nearly done' } }],
      [1, { type: 'photo_taken', body: { photoId: INCIDENT, kind: 'mark', zone: 'belly' } }],
      [1, { type: 'tool_stopped', body: { zone: 'belly', cause: 'growth' } }],
    );
    expect(state.plansKept.map((p) => [p.minutes, p.why])).toEqual([[31, 'nearly done']]);
    expect(state.photos.map((p) => p.zone)).toEqual(['belly']);
    expect(state.toolStops.map((s) => [s.zone, s.cause])).toEqual([['belly', 'growth']]);
  });
});
