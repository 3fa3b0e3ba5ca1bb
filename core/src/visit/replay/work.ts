import { SIGNALS } from '../../strain/index.js';
import { bladeClock, exposureNow, letGo, measureBlade, sprayBlade, touchBlade } from '../work-clock.js';
import type { WorkState } from '../state.js';
import type { Appliers } from './appliers.js';
import { endBreak, finishStep, minuteOf, newWork, plannedPieces } from './work-state.js';
/** The work at the table. */
export const APPLY_WORK: Appliers<
  | 'work_started'
  | 'written_after'
  | 'step_started'
  | 'step_finished'
  | 'piece_finished'
  | 'hold_used'
  | 'blade_used'
  | 'blade_touched'
  | 'blade_cooled'
  | 'blade_measured'
  | 'tool_stopped'
  | 'signal_seen'
  | 'sign_cause'
  | 'break_started'
  | 'break_ended'
  | 'closing_begun'
  | 'closing_done'
> = {
  work_started: (s, _, atMs) => {
    s.work ??= newWork(atMs);
  },
  written_after: (s) => {
    s.writtenAfter = true;
  },
  step_started: (s, e, atMs) => {
    const work = (s.work ??= newWork(atMs));
    if (work.running && work.running !== e.body.step) finishStep(work, work.running, plannedPieces(s, work.running), 'part', '');
    const planned = s.plan?.steps.find((p) => p.id === e.body.step);
    const progress = work.steps.get(e.body.step);
    if (progress) progress.status = 'running';
    else work.steps.set(e.body.step, { step: e.body.step, status: 'running', seconds: 0, points: 0, why: '' });
    // What was said of its places with the step is open again when the step goes on.
    for (const piece of plannedPieces(s, e.body.step)) if (work.pieces.get(piece)?.withStep) work.pieces.delete(piece);
    endBreak(work);
    work.running = e.body.step;
    work.runs.push({ step: e.body.step, fromMinute: minuteOf(work, atMs), toMinute: undefined });
    // What was planned is presumed; only what differs is tapped.
    work.hold = planned?.hold ?? 'hand_resting';
    work.also = planned?.also ?? [];
    work.muzzled = wornWith(work);
    work.blade = planned?.blade ?? undefined;
    work.untouchedSince = work.blade ? 'place' : undefined;
    if (work.blade) bladeClock(work, work.blade);
    letGo(work);
  },
  step_finished: (s, e) => {
    if (s.work) finishStep(s.work, e.body.step, plannedPieces(s, e.body.step), e.body.outcome, e.body.why);
  },
  piece_finished: (s, { body: { piece, outcome, why } }) => {
    if (!s.work) return;
    if (s.work.blade) s.work.untouchedSince ??= 'place';
    if (outcome === 'open') s.work.pieces.delete(piece);
    else s.work.pieces.set(piece, { piece, status: outcome, why, withStep: false });
  },
  hold_used: (s, { body }) => {
    if (!s.work) return;
    s.work.hold = body.hold;
    s.work.also = body.also;
    s.work.muzzled = wornWith(s.work);
    letGo(s.work);
  },
  blade_used: (s, { body }) => {
    if (!s.work) return;
    s.work.blade = body.blade ?? undefined;
    s.work.untouchedSince = body.blade ? 'swap' : undefined;
    if (!body.blade) return;
    if (body.cool) s.work.blades.delete(body.blade);
    bladeClock(s.work, body.blade);
  },
  blade_touched: (s, { body }) => {
    if (s.work) touchBlade(s.work, body.feels);
  },
  blade_cooled: (s) => {
    if (s.work) sprayBlade(s.work);
  },
  blade_measured: (s, { body }) => {
    if (s.work) measureBlade(s.work, body.celsius);
  },
  tool_stopped: (s, { body }, atMs) => {
    s.toolStops.push({ ...body, atMs });
  },
  signal_seen: (s, e, atMs) => {
    const work = s.work;
    if (!work) return;
    const at = work.strain.push({ kind: 'signal', minute: minuteOf(work, atMs), signal: e.body.signal }) - 1;
    const points = Math.max(0, SIGNALS[e.body.signal].points);
    const step = work.running ? work.steps.get(work.running) : undefined;
    if (step) step.points += points;
    const exposure = exposureNow(work);
    if (exposure) exposure.points += points;
    work.signs.push({ eventId: e.id, at, signal: e.body.signal, points, step, exposure, cause: undefined });
  },
  sign_cause: (s, { body: { target, cause } }) => {
    const sign = s.work?.signs.find((x) => x.eventId === target);
    const entry = sign && s.work?.strain[sign.at];
    if (!s.work || !sign || entry?.kind !== 'signal') return;
    const taught = sign.cause === undefined || sign.cause === 'strain';
    const teaches = cause === 'strain';
    sign.cause = cause;
    s.work.strain[sign.at] = { ...entry, teachesNothing: !teaches };
    const points = sign.points * (Number(teaches) - Number(taught));
    if (sign.step) sign.step.points += points;
    if (sign.exposure) sign.exposure.points += points;
  },
  break_started: (s, _, atMs) => {
    if (!s.work || s.work.onBreakSinceMs !== undefined) return;
    s.work.onBreakSinceMs = atMs;
    s.work.breaks++;
    letGo(s.work);
    s.work.strain.push({ kind: 'break_started', minute: minuteOf(s.work, atMs) });
  },
  break_ended: (s) => {
    if (s.work) endBreak(s.work);
  },
  closing_begun: (s) => {
    s.closing.begun = true;
  },
  closing_done: (s, { body: { line } }) => {
    s.closing.done.add(line);
    if (!s.work || (line !== 'muzzle_off' && line !== 'all_off')) return;
    s.work.muzzled = false;
    s.work.also = s.work.also.filter((h) => h !== 'muzzle');
    letGo(s.work);
  },
};

const wornWith = (work: Pick<WorkState, 'hold' | 'also'>): boolean => work.hold === 'muzzle' || work.also.includes('muzzle');
