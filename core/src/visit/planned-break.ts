import { breaksOfStep } from './plan-record.js';
import type { VisitState, WorkState } from './state.js';

/** A break of the plan that is in hand, or comes next. */
export interface PlannedBreakNow {
  /** Of the plan, minutes. */
  readonly minutes: number;
  /** How much of it the dog has had, minutes: a break that was cut short is owed the rest. */
  readonly rested: number;
  /** After how many minutes of the step's own work it comes; 0 before the step. */
  readonly after: number;
  /** By what is seen it begins; empty where the plan says nothing. */
  readonly when: string;
  /** It is time for it. */
  readonly due: boolean;
}

/**
 * The break that the plan has now: inside the step in hand, or before the next one. Minutes of rest count, not how often it was begun: a break of
 * 41 seconds leaves nearly all of one of five minutes.
 * @param nowMs the moment, Unix ms
 * @returns `undefined` where none is left to be had
 */
export function plannedBreakNow(state: VisitState, nowMs: number): PlannedBreakNow | undefined {
  return plannedBreakAt(state, Math.max(state.work?.clockMs ?? 0, nowMs));
}

/** As {@link plannedBreakNow}, at a moment that may lie before the last event. */
export function plannedBreakAt(state: VisitState, atMs: number): PlannedBreakNow | undefined {
  const { work, plan } = state;
  if (!plan || state.ended) return undefined;
  const running = plan.steps.find((s) => s.id === work?.running);
  const step = running ?? plan.steps.find((s) => work?.steps.get(s.id) === undefined);
  if (!step) return undefined;
  const minute = work ? (atMs - work.startedMs) / 60_000 : 0;
  const resting = work?.onBreakSinceMs !== undefined;
  const seconds = (running && work?.steps.get(running.id)?.seconds) || 0;
  const worked = seconds / 60 + (running && work && !resting ? Math.max(0, atMs - work.clockMs) / 60_000 : 0);
  let rested = work ? restedSince(work, running ? beganAt(work) : endedAt(work), minute) : 0;
  for (const b of breaksOfStep(step)) {
    if (running ? b.after === 0 : b.after > 0) continue;
    const had = Math.min(rested, b.minutes);
    rested -= had;
    if (b.minutes - had > NEARLY_MINUTES)
      return { minutes: b.minutes, rested: had, after: b.after, when: b.when, due: !running || worked >= b.after };
  }
  return undefined;
}

/** What is left of a break when nobody would begin it again for it, minutes. Our default. */
const NEARLY_MINUTES = 0.5;

/** When the step in hand was begun, or taken up again. */
const beganAt = (work: WorkState): number => work.runs.at(-1)?.fromMinute ?? 0;
/** When the last step ended. */
const endedAt = (work: WorkState): number => Math.max(0, ...work.runs.map((r) => r.toMinute ?? 0));

/** Minutes on a break from one minute of the visit to another. */
function restedSince(work: WorkState, from: number, to: number): number {
  let began: number | undefined;
  let rested = 0;
  for (const e of work.strain) {
    if (e.kind === 'break_started') began = e.minute;
    if (e.kind !== 'break_ended' || began === undefined) continue;
    rested += Math.max(0, Math.min(e.minute, to) - Math.max(began, from));
    began = undefined;
  }
  return began === undefined ? rested : rested + Math.max(0, to - Math.max(began, from));
}
