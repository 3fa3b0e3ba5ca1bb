import type { PlannedPieceRecord, PlannedStepRecord } from '../log/index.js';
import type { VisitState } from './state.js';

/** A planned place that is not done. */
export interface UnfinishedPiece {
  readonly step: PlannedStepRecord;
  readonly piece: PlannedPieceRecord;
  /** Done in part. */
  readonly begun: boolean;
  readonly why: string;
}

/** Planned places that are not done, each by itself: what the owner is told of, and what goes on the next plan. */
export function unfinishedPieces(state: Pick<VisitState, 'plan' | 'work'>): UnfinishedPiece[] {
  return (state.plan?.steps ?? []).flatMap((step) =>
    step.pieces.flatMap((piece) => {
      const became = state.work?.pieces.get(piece.id);
      return became?.status === 'done' ? [] : [{ step, piece, begun: became?.status === 'part', why: became?.why ?? '' }];
    }),
  );
}
