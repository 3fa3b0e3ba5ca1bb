import type { VisitState } from '../visit/index.js';
import { activityOf, reason, type StepName } from '../words/index.js';
import { isForEase } from '../work/index.js';
import { type AccountLine, line } from './account-line.js';

/** What was done, and what was begun and not finished. */
export function doneTold(state: VisitState): AccountLine[] {
  const done = stepsWith(state, 'done');
  const part = stepsWith(state, 'part');
  return [
    ...(done.length > 0 ? [line('done', 'whole', reason('told.done', { steps_done: done }, 0.5))] : []),
    ...(part.length > 0 ? [line('done', 'part', reason('told.part', { steps_done: part }, 0.6))] : []),
  ];
}

function stepsWith(state: VisitState, status: string): StepName[] {
  const names = [...(state.work?.steps.values() ?? [])]
    .filter((s) => s.status === status && !isForEase(activityOf(s.step)))
    .map((s) => state.plan?.steps.find((p) => p.id === s.step)?.name ?? activityOf(s.step));
  return [...new Set(names)];
}
