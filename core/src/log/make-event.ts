import { type FieldProblem, saying } from '../words/index.js';
import { EVENT_VERSION, type EventDraft, VISIT_EVENT, type VisitEvent } from './events.js';
import { fieldProblems } from './form-issue.js';
import { notPlainText } from './plain-text.js';
import { nextStamp, type Stamp } from './stamp.js';
import { type RandomBytes, uuidV7 } from './uuid.js';

/** Who writes, where and when: nothing of it is taken from the air. */
export interface EventHand {
  readonly visitId: string;
  /** Staff id. */
  readonly by: string;
  readonly device: string;
  /** Unix time, ms. */
  readonly nowMs: number;
  readonly random: RandomBytes;
  /** The latest stamp that this device made or saw. */
  readonly last: Stamp | undefined;
}

export type EventMade =
  { readonly ok: true; readonly event: VisitEvent } | { readonly ok: false; readonly fields: readonly FieldProblem[] };

/**
 * The only envelope: id, time, stamp, hand and version round a draft, checked whole.
 * @returns the event, or where the draft is wrong and why; never throws for a bad draft
 */
export function tryEvent(draft: EventDraft, { visitId, by, device, nowMs, random, last }: EventHand): EventMade {
  const made = VISIT_EVENT.safeParse({
    id: uuidV7(nowMs, random),
    visitId,
    at: new Date(nowMs).toISOString(),
    by,
    stamp: nextStamp(last, nowMs, device),
    v: EVENT_VERSION,
    ...draft,
  });
  if (!made.success) return { ok: false, fields: fieldProblems(made.error) };
  const strange = notPlainText(made.data);
  if (strange.length > 0) return { ok: false, fields: strange.map((path) => ({ path, says: saying('form.not_text', {}) })) };
  return { ok: true, event: made.data };
}

/** The same for drafts that are known to be right. @throws RangeError that names the field for one that is not */
export function makeEvent(draft: EventDraft, hand: EventHand): VisitEvent {
  const made = tryEvent(draft, hand);
  if (made.ok) return made.event;
  throw new RangeError(`makeEvent: ${draft.type}: ${made.fields.map((f) => `${f.path} ${f.says.rule}`).join('; ')}`);
}

/** What one stroke writes, each stamped after the one before: taken back together. @throws RangeError as {@link makeEvent} */
export function makeEvents(drafts: readonly EventDraft[], hand: EventHand): VisitEvent[] {
  let { last } = hand;
  let act: string | undefined;
  return drafts.map((draft) => {
    const event = makeEvent(draft, { ...hand, last });
    last = event.stamp;
    if (drafts.length === 1) return event;
    act ??= event.id;
    return { ...event, act };
  });
}
