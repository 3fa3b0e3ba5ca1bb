import { sayingOf } from '../log/index.js';
import { unfinishedPieces, type VisitState } from '../visit/index.js';
import { activityOf, type Saying, saying } from '../words/index.js';
import { isForEase } from '../work/index.js';

/** Work planned or asked for that was not finished: it goes on the next plan by itself. */
export function leftOver(state: VisitState): Saying[] {
  // What was begun is told of by itself.
  const open = state.ended ? unfinishedPieces(state).filter((u) => !u.begun && !isForEase(activityOf(u.step.id))) : [];
  const planned = [...new Set(open.map((u) => u.step))].map((step) => {
    const left = open.filter((u) => u.step === step);
    return left.length === step.pieces.length
      ? saying('what.step', { step: step.name })
      : saying('what.pieces', { step: step.name, zones: left.flatMap((u) => u.piece.zones) });
  });
  const later = state.plan?.notToday.filter((n) => n.to !== 'vet').map((n) => sayingOf(n.what)) ?? [];
  const known = new Set<string>();
  return [...planned, ...later].filter((s) => {
    const key = JSON.stringify([s.rule, s.facts]);
    if (known.has(key)) return false;
    known.add(key);
    return true;
  });
}
