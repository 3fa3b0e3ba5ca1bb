import { ALL_SAFE, type SafeFinish, safeFinish, type Unfinished } from '../knowledge/fit/index.js';
import { ACTIVITY_FACTS, DRYING, isMatWork, LATHER } from '../work/index.js';
import { activityOf, type Post } from '../words/index.js';
import { PRESS_MINUTES, PRESSED } from './table-clocks.js';
import type { StepProgress, VisitState, WorkState } from './state.js';

/**
 * Minutes until this dog could go home safely, from where the work stands; `undefined` before it has begun.
 * A wound counts for as long as its unbroken pressure takes.
 * @param nowMs wall clock
 */
export function safeFinishNow(state: VisitState, nowMs: number): SafeFinish | undefined {
  if (!state.work) return undefined;
  const u = unfinishedNow(state, nowMs);
  const { done } = state.closing;
  return safeFinish({
    lathered: u.lathered && !done.has('rinse'),
    dryingMinutes: done.has('dry_enough') ? 0 : u.dryingMinutes,
    muzzleOn: u.muzzleOn && !done.has('muzzle_off'),
    loopOn: u.loopOn && !done.has('lead_on'),
    matHalfCut: u.matHalfCut && !done.has('mat'),
    woundOpen: u.woundOpen && !done.has('pressure'),
    onTable: u.onTable && !done.has('down') && !done.has('out_of_tub'),
  });
}

/**
 * What is unfinished on the dog, also between two steps: a muzzle that was put on, a coat that was wetted and is not dried, a mat that was
 * done in part. What of it was ticked since on the closing list still counts here.
 * @param nowMs wall clock
 */
export function unfinishedNow(state: Pick<VisitState, 'work' | 'plan' | 'incidents' | 'closing'>, nowMs: number): Unfinished {
  const work = state.work;
  if (!work) return ALL_SAFE;
  const all = [...work.steps.values()];
  const wet = all.some((s) => LATHER.includes(activityOf(s.step)) && s.status !== 'left') && work.steps.get('dry')?.status !== 'done';
  const planned = state.plan?.steps.filter((s) => DRYING.includes(activityOf(s.id))) ?? [];
  const dryingPlanned = planned.length > 0 ? planned.reduce((sum, s) => sum + s.minutes, 0) : ACTIVITY_FACTS.dry.minutes;
  const dried = DRYING.reduce((sum, id) => sum + (work.steps.get(id)?.seconds ?? 0) / 60, 0);
  const last = lastStep(work);
  const begun = last && last.status !== 'done' && last.status !== 'left' ? activityOf(last.step) : undefined;
  const post = postNow(work);
  return {
    lathered: begun !== undefined && LATHER.includes(begun),
    dryingMinutes: wet ? Math.max(1, dryingPlanned - dried) : 0,
    muzzleOn: work.muzzled || state.closing.done.has('muzzle_off'),
    loopOn: post === 'table' || work.also.includes('loop'),
    matHalfCut: all.some((s) => isMatWork(activityOf(s.step)) && (s.status === 'part' || s.status === 'running')),
    woundOpen: state.incidents.some((i) => PRESSED.includes(i.kind) && i.harm !== 'none' && nowMs - i.atMs < WOUND_MS),
    onTable: post !== 'floor',
  };
}

/** Where the dog was last worked on: it is there until somebody takes it down. `floor` before the first step. */
export function postNow(work: WorkState | undefined): Post | 'floor' {
  const last = work && lastStep(work);
  return last ? ACTIVITY_FACTS[activityOf(last.step)].post : 'floor';
}

function lastStep(work: WorkState): StepProgress | undefined {
  const run = work.runs.at(-1);
  return run && work.steps.get(run.step);
}

/** Pressure twice at most. Handbook 12; common practice, no source. */
const WOUND_MS = 2 * PRESS_MINUTES * 60_000;
