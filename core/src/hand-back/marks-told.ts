import type { MarkFound } from '../findings/index.js';
import { adviseMark, followMark } from '../knowledge/marks/index.js';
import { type MarkOfFile, presumedMarks, type VisitState } from '../visit/index.js';
import { type MarkFollow, reason } from '../words/index.js';
import { type AccountLine, line } from './account-line.js';

/** What the file knows of a dog's marks. */
export interface MarksKnown {
  readonly marks: readonly MarkOfFile[];
  readonly vetSeen?: readonly { readonly markId: string; readonly on: string }[];
}

/** Each mark by itself: what was found, what was known, and what nobody looked for. */
export function marksTold(state: VisitState, { marks: known, vetSeen = [] }: MarksKnown): AccountLine[] {
  const found = state.feelOver.marks.map((m) => {
    const before = known.filter((k) => k.markId === m.markId);
    const follow = followOf(state, m, before, vetSeen.find((v) => v.markId === m.markId)?.on);
    const facts = { mark_kind: m.kind ?? 'stands_out', zone: m.zone, size: [m.lengthMm, m.widthMm] as const, follow };
    const first = before.map((k) => k.seenOn).sort()[0];
    const says = first === undefined ? reason('told.mark', facts, 0.7) : reason('told.mark_known', { ...facts, since: first }, 0.6);
    return line('found', `mark.${m.markId}`, says, follow === 'within_days' || follow === 'check_up' ? 'vet' : undefined);
  });
  const missed = presumedMarks(known, state).map((m) =>
    line('found', `mark.${m.markId}`, reason('told.mark_presumed', { zone: m.zone, since: m.presumedSince ?? '' }, 0.5)),
  );
  return [...found, ...missed];
}

/** What becomes of a mark, by its change up to the day of the visit; nothing without a day. */
function followOf(state: VisitState, mark: MarkFound, before: readonly MarkOfFile[], vetOn: string | undefined): MarkFollow | undefined {
  const on = state.day;
  if (on === undefined) return undefined;
  if (mark.kind === 'sore') return 'within_days';
  const seen = [...before.map((k) => ({ ...k, on: k.seenOn })), { ...mark, on }];
  return followMark(adviseMark({ zone: mark.zone, seen, seenByVet: false, vetOn }).verdict, mark.isNew);
}
