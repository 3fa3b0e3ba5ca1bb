import { ALL_SAFE, type SafeFinish, safeFinish, type Unfinished } from '../knowledge/fit/index.js';
import type { LoopAdvice } from '../knowledge/holds/index.js';
import type { Activity, Post } from '../words/index.js';
import { DRYING, isMatWork, LATHER } from '../work/index.js';

/** A step as the way home needs it. */
export interface WayHomeStep {
  readonly activity: Activity;
  readonly post: Post;
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
  readonly hold: { readonly also: readonly string[] };
}

/** What is unfinished at a minute of the plan. */
export function unfinishedAt(steps: readonly WayHomeStep[], loop: LoopAdvice['loop'], minute: number): Unfinished {
  const now = steps.find((s) => minute >= s.from && minute < s.to);
  const bath = steps.find((s) => s.activity === 'bath');
  const drying = steps.filter((s) => DRYING.includes(s.activity));
  const dry = drying.find((s) => s.activity === 'dry');
  const wet = bath !== undefined && minute >= bath.from && (dry === undefined || minute < dry.to);
  const left = drying.reduce((sum, s) => sum + s.minutes - Math.max(0, Math.min(s.minutes, minute - s.from)), 0);
  return {
    ...ALL_SAFE,
    lathered: now !== undefined && LATHER.includes(now.activity),
    // Without a drying step nobody would be bathed; the bath then counts as its own drying.
    dryingMinutes: wet ? (dry ? left : bath.minutes) : 0,
    muzzleOn: now?.hold.also.includes('muzzle') ?? false,
    loopOn: now?.post === 'table' && loop !== 'none',
    matHalfCut: now !== undefined && isMatWork(now.activity),
    onTable: now !== undefined,
  };
}

export interface SafeFinishPoint extends SafeFinish {
  /** Minutes from the start of the work. */
  readonly at: number;
}

/**
 * Minutes until the dog could go home, at each minute of the plan: the worst of the visit is known before it begins.
 * @returns one point a minute, from 0 to the end
 */
export function safeFinishOfPlan(steps: readonly WayHomeStep[], loop: LoopAdvice['loop']): SafeFinishPoint[] {
  const end = Math.max(0, ...steps.map((s) => s.to));
  return Array.from({ length: Math.ceil(end) + 1 }, (_, at) => ({ at, ...safeFinish(unfinishedAt(steps, loop, at)) }));
}
