import { ALL_SAFE, type SafeFinish, safeFinish } from '../knowledge/fit/index.js';
import { ACTIVITY_FACTS, DRYING, isMatWork, LATHER } from '../work/index.js';
import { activityOf } from '../words/index.js';
import type { VisitState } from './state.js';

/**
 * Minutes until this dog could go home safely, from where the work stands; `undefined` before it has begun.
 * A wound counts for as long as its unbroken pressure takes.
 * @param nowMs wall clock
 */
export function safeFinishNow(state: VisitState, nowMs: number): SafeFinish | undefined {
  const work = state.work;
  if (!work) return undefined;
  const status = (step: 'bath' | 'dry'): string | undefined => work.steps.get(step)?.status;
  const wet = status('bath') !== undefined && status('bath') !== 'left' && status('dry') !== 'done';
  const planned = state.plan?.steps.filter((s) => DRYING.includes(activityOf(s.id))) ?? [];
  const dryingPlanned = planned.length > 0 ? planned.reduce((sum, s) => sum + s.minutes, 0) : ACTIVITY_FACTS.dry.minutes;
  const dried = DRYING.reduce((sum, id) => sum + (work.steps.get(id)?.seconds ?? 0) / 60, 0);
  const running = work.endedMs === undefined && work.running ? activityOf(work.running) : undefined;
  const loopPossible = running !== undefined && ACTIVITY_FACTS[running].post === 'table';
  const fresh = state.incidents.some((i) => HURT.includes(i.kind) && i.harm !== 'none' && nowMs - i.atMs < WOUND_MS);
  return safeFinish({
    ...ALL_SAFE,
    lathered: running !== undefined && LATHER.includes(running),
    dryingMinutes: wet ? Math.max(1, dryingPlanned - dried) : 0,
    muzzleOn: work.hold === 'muzzle' || work.also.includes('muzzle'),
    loopOn: loopPossible || work.also.includes('loop'),
    matHalfCut: running !== undefined && isMatWork(running),
    woundOpen: fresh,
    onTable: running !== undefined,
  });
}

const HURT = ['nick', 'laceration', 'ear_edge_cut', 'tongue_or_lip_cut', 'quicked_nail'] as readonly string[];
/** Pressure for 5 min unbroken, twice at most. Common practice, no source. */
const WOUND_MS = 10 * 60_000;
