import { bladeCelsius } from '../knowledge/heat/index.js';
import type { PlannedStepRecord } from '../log/index.js';
import type { HardSignsNow, PlanNow } from '../plan/index.js';
import { PAUSE_AT, SIGNALS, STOP_AT, type StrainEntry, WATCH_AT } from '../strain/index.js';
import { type Activity, activityOf, type DogPosture, type Post, type StepId, type StrainBand } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { VisitState } from './state.js';
import { plannedStep, postureIn, standingSince, standsIn } from './stands.js';
import { workNow } from './work-clock.js';

/**
 * Where the work stands, as the planner reads it; `undefined` before it has begun and after it has ended.
 * A band that holds counts as its line, whatever the number says: a hard sign was seen, or no good one since it rose.
 * @param nowMs wall clock
 */
export function planNowOf(state: VisitState, nowMs: number): PlanNow | undefined {
  const { work } = state;
  const now = workNow(state, nowMs);
  if (!work || !now || state.ended) return undefined;
  const more = Math.max(0, (nowMs - work.clockMs) / 1000);
  const working = work.running !== undefined && work.onBreakSinceMs === undefined;
  const planned = (step: StepId): PlannedStepRecord | undefined => plannedStep(state, step);
  const postureOf = (step: StepId): DogPosture => postureIn(state, step);
  const stands = (step: StepId): boolean => standsIn(state, step);
  const begun = [...work.steps.values()].map((s) => ({
    step: s.step,
    pieces: planned(s.step)?.pieces.map((p) => p.id) ?? [],
    status: s.status,
    minutes: (s.seconds + (s.status === 'running' && working ? more : 0)) / 60,
  }));
  const last = work.runs.at(-1);
  return {
    minute: now.minute,
    strain: Math.min(100, Math.max(now.strain.strain, BAND_BEGINS[now.strain.band])),
    standingMinutes: standingSince(state, now.minute),
    standingTotalMinutes: begun.reduce((sum, b) => sum + (stands(b.step) ? b.minutes : 0), 0),
    workedMinutes: begun.reduce((sum, b) => sum + b.minutes, 0),
    post: last ? postOf(activityOf(last.step), postureOf(last.step)) : 'table',
    posture: last ? postureOf(last.step) : undefined,
    begun,
    pieces: [...work.pieces.values()].map(({ piece, status }) => ({ piece, status })),
    soaked: work.runs.flatMap((r) => {
      if (activityOf(r.step) !== 'soak' || r.toMinute === undefined) return [];
      return [{ zones: planned(r.step)?.pieces.flatMap((p) => p.zones) ?? [], minutesAgo: now.minute - r.toMinute }];
    }),
    hard: hardSignsNow(state, now.minute),
    order: (state.plan?.steps ?? []).flatMap((s) => (['done', 'part', 'left'].includes(work.steps.get(s.id)?.status ?? '') ? [] : [s.id])),
    blades: [...work.blades.values()].map((b) => ({
      blade: b.blade,
      celsius: bladeCelsius(b.celsius, more, working && b.blade === work.blade),
    })),
  };
}

/** Hard signs of the visit, what was in hand at the last, and how long the dog has rested well since. */
function hardSignsNow(state: VisitState, minute: number): HardSignsNow | undefined {
  const work = state.work;
  const seen = (work?.strain ?? []).flatMap((e) => (e.kind === 'signal' && SIGNALS[e.signal].sets ? [e] : []));
  const last = seen.at(-1);
  if (!work || !last) return undefined;
  const run = [...work.runs].reverse().find((r) => r.fromMinute <= last.minute);
  return {
    signs: seen.map((e) => e.signal),
    inHand: run ? (plannedStep(state, run.step)?.pieces.map((p) => p.id) ?? []) : [],
    restedMinutes: restSince(work.strain, last.minute, minute),
  };
}

/** Minutes of the longest pause since a minute that had a good sign in it. */
function restSince(entries: readonly StrainEntry[], since: number, minute: number): number {
  let began: number | undefined;
  let [good, longest] = [false, 0];
  for (const e of entries.filter((x) => x.minute >= since)) {
    if (e.kind === 'break_started') [began, good] = [e.minute, false];
    else if (e.kind === 'signal' && SIGNALS[e.signal].tier === 'good') good = true;
    else if (e.kind === 'break_ended' && began !== undefined) {
      if (good) longest = Math.max(longest, e.minute - began);
      began = undefined;
    }
  }
  return began !== undefined && good ? Math.max(longest, minute - began) : longest;
}

const BAND_BEGINS: Readonly<Record<StrainBand, number>> = { settled: 0, watch: WATCH_AT, pause: PAUSE_AT, stop: STOP_AT };

const postOf = (activity: Activity, posture: DogPosture): Post => (posture === 'lap' ? 'lap' : ACTIVITY_FACTS[activity].post);
