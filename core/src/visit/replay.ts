import { gradeAfterDryer, gradeMat, NOTHING_FOUND } from '../findings/index.js';
import { compareStamps, type EventType, type VisitEvent, type VisitEventOf } from '../log/index.js';
import { SIGNALS } from '../strain/index.js';
import type { StepProgress, VisitState, WorkState } from './state.js';
import { bladeClock, exposureNow, runClocks, touchBlade } from './work-clock.js';

/**
 * The state of a visit from its events. Events may come in any order and more than once: they are put in stamp order, copies are
 * dropped, voided ones do not count. The browser, the server, the reports and the tests all use this function.
 */
export function replay(visitId: string, events: Iterable<VisitEvent>): VisitState {
  const ordered = inOrder(events, visitId);
  const dead = voidedIds(ordered);
  const state = emptyVisit(visitId);
  for (const event of ordered) {
    state.lastStamp = event.stamp;
    if (event.type === 'voided' || dead.has(event.id)) continue;
    state.eventCount++;
    if (state.work && !state.work.endedMs) runClocks(state.work, event.stamp.wallMs);
    apply(state, event);
    if (!NOT_UNDOABLE.has(event.type)) state.undoable = { id: event.id, type: event.type };
  }
  return state;
}

/** What undo does not reach: it began the visit. */
const NOT_UNDOABLE: ReadonlySet<EventType> = new Set(['visit_booked', 'voided']);

/** Copies dropped, other visits left out, in stamp order. */
function inOrder(events: Iterable<VisitEvent>, visitId: string): VisitEvent[] {
  const byId = new Map<string, VisitEvent>();
  for (const e of events) if (e.visitId === visitId && !byId.has(e.id)) byId.set(e.id, e);
  return [...byId.values()].sort((a, b) => compareStamps(a.stamp, b.stamp) || (a.id < b.id ? -1 : 1));
}

/** Ids that do not count. A void is itself undone by a later void, so the latest are read first. */
function voidedIds(ordered: readonly VisitEvent[]): Set<string> {
  const dead = new Set<string>();
  for (let i = ordered.length - 1; i >= 0; i--) {
    const e = ordered[i];
    if (e?.type === 'voided' && !dead.has(e.id)) dead.add(e.body.target);
  }
  return dead;
}

/** A visit of which nothing is known. */
export function emptyVisit(visitId: string): VisitState {
  return {
    visitId,
    dogId: undefined,
    groomerId: undefined,
    arrivesAt: undefined,
    asked: { items: [], wantedMm: 6, sessionMinutes: 90 },
    helperThere: false,
    helperWindows: [],
    wishes: [],
    way: 'as_asked',
    fileReadMs: undefined,
    fit: undefined,
    feelOver: NOTHING_FOUND,
    moodFelt: false,
    areasFelt: new Map(),
    weightKg: undefined,

    feelOverDone: false,
    consents: new Map(),
    agreed: undefined,
    plan: undefined,
    work: undefined,
    incidents: [],
    notes: [],
    ended: undefined,
    handedBack: undefined,
    eventCount: 0,
    lastStamp: undefined,
    undoable: undefined,
  };
}

type Appliers = { readonly [T in EventType]: (state: VisitState, event: VisitEventOf<T>) => void };

const APPLY: Appliers = {
  visit_booked: (s, { body }) => {
    s.dogId = body.dogId;
    s.groomerId = body.groomerId;
    s.arrivesAt = body.arrivesAt;
    s.asked = body.asked;
    s.helperThere = body.helperThere;
  },
  asked_changed: (s, { body }) => {
    s.asked = body.asked;
    s.helperThere = body.helperThere;
    s.helperWindows = body.helperWindows ?? (body.helperMinutes ? [body.helperMinutes] : []);
  },
  file_read: (s, e) => {
    s.fileReadMs = e.stamp.wallMs;
  },
  fit_answered: (s, { body }) => {
    s.fit = { ...body, told: body.told ?? [] };
  },
  zone_felt: (s, { body }) => {
    const felt = {
      zone: body.zone,
      matGrade: gradeMat(body.comb, body.lift),
      skin: body.skin,
      crust: body.crust,
      ...(body.strangles ? { strangles: true } : {}),
    };
    s.feelOver = { ...s.feelOver, zones: [...s.feelOver.zones.filter((z) => z.zone !== body.zone), felt] };
  },
  mark_felt: (s, { body }) => {
    s.feelOver = { ...s.feelOver, marks: [...s.feelOver.marks.filter((m) => m.markId !== body.markId), body] };
  },
  area_felt: (s, { body }) => {
    s.areasFelt.set(body.area, body.as);
  },
  part_looked: (s, { body }) => {
    s.feelOver = { ...s.feelOver, looked: { ...s.feelOver.looked, [body.part]: body.finding } };
  },
  weighed: (s, { body }) => {
    s.weightKg = body.kg;
  },
  dryer_tested: (s, { body }) => {
    const zones = s.feelOver.zones.map((z) => (z.zone === body.zone ? { ...z, matGrade: gradeAfterDryer(z.matGrade, body.test) } : z));
    s.feelOver = { ...s.feelOver, zones };
  },
  joint_felt: (s, { body }) => {
    s.feelOver = { ...s.feelOver, joints: { ...s.feelOver.joints, [body.joint]: body.comfort } };
  },
  leg_favoured: (s, { body }) => {
    s.feelOver = { ...s.feelOver, favours: body.leg ?? undefined };
  },
  mood_felt: (s, e) => {
    // Once the work runs it is a reading of the moment; what was felt before any tool stays what it was.
    if (s.work) {
      s.work.strain.push({ kind: 'state_seen', minute: minuteOf(s.work, e.stamp.wallMs), mood: e.body.mood });
      return;
    }
    s.moodFelt = true;
    s.feelOver = { ...s.feelOver, mood: e.body.mood };
  },
  bite_told: (s, { body }) => {
    s.feelOver = { ...s.feelOver, biteTold: body.told };
  },
  feel_over_done: (s) => {
    s.feelOverDone = true;
  },
  consent_answered: (s, e) => {
    const { consent, ...answer } = e.body;
    s.consents.set(consent, { ...answer, atMs: e.stamp.wallMs });
  },
  agreed: (s, e) => {
    s.agreed = { ...e.body, eventId: e.id, atMs: e.stamp.wallMs };
  },
  plan_wished: (s, { body }) => {
    s.wishes = body.wishes;
    s.way = body.way ?? 'as_asked';
  },
  plan_accepted: (s, { body }) => {
    s.plan = body.plan;
  },
  work_started: (s, e) => {
    s.work ??= newWork(e.stamp.wallMs);
  },
  step_started: (s, e) => {
    const work = (s.work ??= newWork(e.stamp.wallMs));
    if (work.running && work.running !== e.body.step) finishStep(work, work.running, 'part', '');
    const planned = s.plan?.steps.find((p) => p.id === e.body.step);
    const progress = work.steps.get(e.body.step);
    if (progress) progress.status = 'running';
    else work.steps.set(e.body.step, { step: e.body.step, status: 'running', seconds: 0, points: 0, why: '' });
    endBreak(work);
    work.running = e.body.step;
    work.runs.push({ step: e.body.step, fromMinute: minuteOf(work, e.stamp.wallMs), toMinute: undefined });
    // What was planned is presumed; only what differs is tapped.
    work.hold = planned?.hold ?? 'hand_resting';
    work.also = planned?.also ?? [];
    work.blade = planned?.blade ?? undefined;
    if (work.blade) bladeClock(work, work.blade);
  },
  step_finished: (s, e) => {
    if (s.work) finishStep(s.work, e.body.step, e.body.outcome, e.body.why);
  },
  hold_used: (s, { body }) => {
    if (!s.work) return;
    s.work.hold = body.hold;
    s.work.also = body.also;
  },
  blade_used: (s, { body }) => {
    if (!s.work) return;
    s.work.blade = body.blade ?? undefined;
    if (!body.blade) return;
    if (body.cool) s.work.blades.delete(body.blade);
    bladeClock(s.work, body.blade);
  },
  blade_touched: (s, { body }) => {
    if (s.work) touchBlade(s.work, body.feels);
  },
  signal_seen: (s, e) => {
    const work = s.work;
    if (!work) return;
    work.strain.push({ kind: 'signal', minute: minuteOf(work, e.stamp.wallMs), signal: e.body.signal });
    const points = Math.max(0, SIGNALS[e.body.signal].points);
    const step = work.running ? work.steps.get(work.running) : undefined;
    if (step) step.points += points;
    const exposure = exposureNow(work);
    if (exposure) exposure.points += points;
  },
  break_started: (s, e) => {
    if (!s.work || s.work.onBreakSinceMs !== undefined) return;
    s.work.onBreakSinceMs = e.stamp.wallMs;
    s.work.breaks++;
    s.work.strain.push({ kind: 'break_started', minute: minuteOf(s.work, e.stamp.wallMs) });
  },
  break_ended: (s) => {
    if (s.work) endBreak(s.work);
  },
  incident: (s, e) => {
    s.incidents.push({
      eventId: e.id,
      incidentId: e.body.incidentId,
      kind: e.body.kind,
      harm: e.body.harm,
      zone: e.body.zone ?? undefined,
      what: e.body.what,
      atMs: e.stamp.wallMs,
      step: s.work?.running,
      hold: s.work?.running ? s.work.hold : undefined,
      blade: s.work?.running ? s.work.blade : undefined,
      by: e.by,
    });
  },
  noted: (s, e) => {
    s.notes.push({ eventId: e.id, text: e.body.text, by: e.by, atMs: e.stamp.wallMs });
  },
  visit_ended: (s, e) => {
    if (s.work) {
      if (s.work.running) finishStep(s.work, s.work.running, e.body.outcome === 'finished' ? 'done' : 'part', '');
      endBreak(s.work);
      s.work.endedMs = e.stamp.wallMs;
    }
    s.ended = { outcome: e.body.outcome, why: e.body.why, atMs: e.stamp.wallMs };
  },
  handed_back: (s, e) => {
    s.handedBack = { toldTo: e.body.toldTo, nextVisit: e.body.nextVisit ?? undefined, vetAdvised: e.body.vetAdvised, atMs: e.stamp.wallMs };
  },
  voided: () => undefined,
};

/** The table is keyed by the type that the event carries, which TypeScript cannot follow through a look-up. */
function apply(state: VisitState, event: VisitEvent): void {
  const change = APPLY[event.type] as (s: VisitState, e: VisitEvent) => void;
  change(state, event);
}

function newWork(startedMs: number): WorkState {
  return {
    startedMs,
    clockMs: startedMs,
    endedMs: undefined,
    steps: new Map(),
    running: undefined,
    onBreakSinceMs: undefined,
    breakSeconds: 0,
    breaks: 0,
    hold: undefined,
    also: [],
    blade: undefined,
    holdSeconds: new Map(),
    blades: new Map(),
    strain: [],
    runs: [],
    exposure: new Map(),
  };
}

function finishStep(work: WorkState, step: StepProgress['step'], outcome: 'done' | 'part' | 'left', why: string): void {
  const progress = work.steps.get(step) ?? { step, status: outcome, seconds: 0, points: 0, why };
  progress.status = outcome;
  progress.why = why;
  work.steps.set(step, progress);
  if (work.running !== step) return;
  const run = work.runs[work.runs.length - 1];
  if (run) run.toMinute = minuteOf(work, work.clockMs);
  work.running = undefined;
  work.hold = undefined;
  work.also = [];
  work.blade = undefined;
}

function endBreak(work: WorkState): void {
  if (work.onBreakSinceMs === undefined) return;
  work.onBreakSinceMs = undefined;
  work.strain.push({ kind: 'break_ended', minute: minuteOf(work, work.clockMs) });
}

const minuteOf = (work: WorkState, atMs: number): number => Math.max(0, (atMs - work.startedMs) / 60_000);
