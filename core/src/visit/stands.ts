import type { StandSeen } from '../knowledge/dogs/index.js';
import type { PlannedStepRecord } from '../log/index.js';
import { activityOf, type DogPosture, type StepId } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { VisitState } from './state.js';

/** In these the dog is not on its feet. */
const LYING: readonly DogPosture[] = ['lying_left', 'lying_right', 'lap'];

export function plannedStep(state: VisitState, step: StepId): PlannedStepRecord | undefined {
  return state.plan?.steps.find((s) => s.id === step);
}
export function postureIn(state: VisitState, step: StepId): DogPosture {
  return plannedStep(state, step)?.posture ?? 'standing';
}
/** The dog is on its feet in a step. */
export function standsIn(state: VisitState, step: StepId): boolean {
  return ACTIVITY_FACTS[activityOf(step)].standing && !LYING.includes(postureIn(state, step));
}

/**
 * Stands of a visit: minutes of standing work from one rest to the next, or until somebody said that it was tired out.
 * @param end minutes from the start of the work to its end
 * @returns in order of time; what goes on after it was tired is not counted, until it has rested
 */
export function standsOf(state: VisitState, end: number): StandSeen[] {
  const { work } = state;
  if (!work) return [];
  const rests = work.strain.flatMap((e) => (e.kind === 'break_started' ? [e.minute] : []));
  const tiredAt = work.strain.flatMap((e) => (e.kind === 'state_seen' && e.mood === 'tired_out' ? [e.minute] : []));
  const out: StandSeen[] = [];
  let minutes = 0;
  let tired = false;
  const rest = (): void => {
    if (minutes > 0) out.push({ minutes, tired });
    minutes = 0;
    tired = false;
  };
  let until = 0;
  for (const run of work.runs) {
    const to = Math.min(run.toMinute ?? end, end);
    if (!standsIn(state, run.step) || rests.some((r) => r >= until && r <= run.fromMinute)) rest();
    until = to;
    if (!standsIn(state, run.step)) continue;
    let from = run.fromMinute;
    for (const at of [...rests.filter((r) => r > run.fromMinute && r < to), to]) {
      const said = tiredAt.find((t) => t >= from && t <= at);
      if (!tired) minutes += (said ?? at) - from;
      if (said !== undefined) tired = true;
      if (at < to) rest();
      from = work.strain.find((e) => e.kind === 'break_ended' && e.minute >= at)?.minute ?? at;
    }
  }
  rest();
  return out;
}

/** Minutes of standing work since the last break, or since it last lay or sat. @param minute of the visit */
export function standingSince(state: VisitState, minute: number): number {
  const work = state.work;
  if (!work || work.onBreakSinceMs !== undefined) return 0;
  const rested = Math.max(0, ...work.strain.flatMap((e) => (e.kind === 'break_ended' ? [e.minute] : [])));
  let standing = 0;
  for (const run of work.runs) {
    const to = run.toMinute ?? minute;
    if (to <= rested) continue;
    standing = standsIn(state, run.step) ? standing + to - Math.max(run.fromMinute, rested) : 0;
  }
  return standing;
}
