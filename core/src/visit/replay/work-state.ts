import type { PieceId, StepId } from '../../words/index.js';
import type { StepProgress, VisitState, WorkState } from '../state.js';

/** Work that has just begun. @param startedMs Unix ms */
export function newWork(startedMs: number): WorkState {
  return {
    startedMs,
    clockMs: startedMs,
    endedMs: undefined,
    steps: new Map(),
    pieces: new Map(),
    running: undefined,
    onBreakSinceMs: undefined,
    breakSeconds: 0,
    breaks: 0,
    hold: undefined,
    also: [],
    muzzled: false,
    blade: undefined,
    untouchedSince: undefined,
    holdSeconds: new Map(),
    holdStretch: new Map(),
    blades: new Map(),
    strain: [],
    signs: [],
    runs: [],
    exposure: new Map(),
  };
}

/** The places of a step, as the plan at the table has them. */
export const plannedPieces = (s: Pick<VisitState, 'plan'>, step: StepId): PieceId[] =>
  (s.plan?.steps.find((p) => p.id === step)?.pieces ?? []).map((p) => p.id);

/** Ends a step with what became of it; what ran for it stops. @param pieces its places: what became of one by itself stays so */
export function finishStep(
  work: WorkState,
  step: StepProgress['step'],
  pieces: readonly PieceId[],
  outcome: 'done' | 'part' | 'left',
  why: string,
): void {
  for (const piece of pieces)
    if (work.pieces.get(piece)?.withStep !== false) work.pieces.set(piece, { piece, status: outcome, why, withStep: true });
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

/** Ends the break, if there is one. */
export function endBreak(work: WorkState): void {
  if (work.onBreakSinceMs === undefined) return;
  work.onBreakSinceMs = undefined;
  work.strain.push({ kind: 'break_ended', minute: minuteOf(work, work.clockMs) });
}

/** Minutes since the work began. @param atMs Unix ms */
export const minuteOf = (work: WorkState, atMs: number): number => Math.max(0, (atMs - work.startedMs) / 60_000);
