import type { PlannedStepRecord } from '../log/index.js';
import type { VisitState } from './state.js';

/** A planned step that is not done. */
export interface UnfinishedStep {
  readonly step: PlannedStepRecord;
  /** It was begun, and ended before it was done. */
  readonly begun: boolean;
}

/** Planned steps that are not done: what the owner is told of, what goes on the next plan, what a new plan still holds. */
export function unfinishedSteps(state: Pick<VisitState, 'plan' | 'work'>): UnfinishedStep[] {
  return (state.plan?.steps ?? []).flatMap((step) => {
    const status = state.work?.steps.get(step.id)?.status;
    return status === 'done' ? [] : [{ step, begun: status === 'part' }];
  });
}
