import type * as z from 'zod';
import { may } from '@mansuet/core/access';
import type { EVENT_BATCH, Staff } from '@mansuet/core/contract';
import { type EventType, judgeTime, readEvent, type VisitEvent } from '@mansuet/core/log';
import { type Action, done, type FieldProblem, type Outcome, refused, saying } from '@mansuet/core/words';

/** Events that more is needed for than to record. */
const NEEDS: Readonly<Partial<Record<EventType, Action>>> = {
  visit_booked: 'book',
  booking_moved: 'book',
  booking_off: 'book',
  late_told: 'book',
  ready_told: 'book',
  asked_changed: 'book',
  agreed: 'plan',
  plan_wished: 'plan',
  plan_accepted: 'plan',
  handed_back: 'plan',
};

/** Past this nothing is booked, years from now. Our default. */
const BOOKED_AHEAD_YEARS = 3;
/** Before this nothing was. Our default. */
const EARLIEST = '2000-01-01';

export interface Received {
  /** As they are stored. */
  readonly events: VisitEvent[];
  /** What the device had said, by id. */
  readonly told: ReadonlyMap<string, VisitEvent>;
}

/**
 * Checks every event of a batch; one bad event refuses the batch, by name. A wrong clock refuses none: its time is put right, see `judgeTime`.
 * @param now the salon's clock
 * @param staff who sends: nobody writes as somebody else, or what their role does not let them
 */
export function readBatch(visitId: string, batch: z.infer<typeof EVENT_BATCH>, now: Date, staff: Staff): Outcome<Received> {
  const errors: FieldProblem[] = [];
  const offsetMs = batch.deviceNow === undefined ? undefined : now.getTime() - batch.deviceNow;
  const told = new Map<string, VisitEvent>();
  const events = batch.events.flatMap((one, i) => {
    const read = readEvent(one);
    if (!read.ok) errors.push(...read.fields.map((f) => ({ path: `events.${i}.${f.path}`, says: f.says })));
    else if (read.event.visitId !== visitId) errors.push({ path: `events.${i}.visitId`, says: saying('form.other_visit', {}) });
    else if (isBookedOut(read.event, now)) errors.push({ path: `events.${i}.body.arrivesAt`, says: saying('form.time_out_of_range', {}) });
    else {
      told.set(read.event.id, read.event);
      return [judgeTime(read.event, now.getTime(), offsetMs, i)];
    }
    return [];
  });
  if (errors.length > 0) return refused('bad_input', saying('problem.nothing_stored', {}), errors);
  const above = notTheirs(events, staff);
  return above.length > 0 ? refused('forbidden', saying('problem.nothing_stored', {}), above) : done({ events, told });
}

function notTheirs(events: readonly VisitEvent[], staff: Staff): FieldProblem[] {
  return events.flatMap((e, i) => {
    if (e.by !== staff.staffId) return [{ path: `events.${i}.by`, says: saying('form.by_somebody_else', {}) }];
    return may(staff.role, NEEDS[e.type] ?? 'record') ? [] : [{ path: `events.${i}.type`, says: saying('form.not_this_role', {}) }];
  });
}

/** A day on which nobody would ever look for it. */
function isBookedOut(event: VisitEvent, now: Date): boolean {
  if (event.type !== 'visit_booked' && event.type !== 'booking_moved') return false;
  const latest = new Date(now);
  latest.setUTCFullYear(now.getUTCFullYear() + BOOKED_AHEAD_YEARS);
  const arrives = Date.parse(event.body.arrivesAt);
  return arrives < Date.parse(EARLIEST) || arrives > latest.getTime();
}
