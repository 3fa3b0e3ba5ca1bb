import type * as z from 'zod';
import type { EVENT_BATCH } from '@mansuet/core/contract';
import { judgeTime, readEvent, type VisitEvent } from '@mansuet/core/log';
import { done, type FieldProblem, type Outcome, refused, saying } from '@mansuet/core/words';

/** Past this nothing is booked, years from now. Our default. */
const BOOKED_AHEAD_YEARS = 3;
/** Before this nothing was. Our default. */
const EARLIEST = '2000-01-01';

/** An entry as it is stored, beside what the device had said. */
export interface Received {
  readonly event: VisitEvent;
  readonly told: VisitEvent;
}

/**
 * Checks every event of a batch; one bad event refuses the batch, by name. A wrong clock refuses none: its time is put right, see `judgeTime`.
 * @param now the salon's clock
 */
export function readBatch(visitId: string, batch: z.infer<typeof EVENT_BATCH>, now: Date): Outcome<Received[]> {
  const errors: FieldProblem[] = [];
  const offsetMs = batch.deviceNow === undefined ? undefined : now.getTime() - batch.deviceNow;
  const received = batch.events.flatMap((one, i) => {
    const read = readEvent(one);
    if (!read.ok) errors.push(...read.fields.map((f) => ({ path: `events.${i}.${f.path}`, says: f.says })));
    else if (read.event.visitId !== visitId) errors.push({ path: `events.${i}.visitId`, says: saying('form.other_visit', {}) });
    else if (isBookedOut(read.event, now)) errors.push({ path: `events.${i}.body.arrivesAt`, says: saying('form.time_out_of_range', {}) });
    else return [{ event: judgeTime(read.event, now.getTime(), offsetMs, i), told: read.event }];
    return [];
  });
  return errors.length > 0 ? refused('bad_input', saying('problem.nothing_stored', {}), errors) : done(received);
}

/** A day on which nobody would ever look for it. */
function isBookedOut(event: VisitEvent, now: Date): boolean {
  if (event.type !== 'visit_booked') return false;
  const latest = new Date(now);
  latest.setUTCFullYear(now.getUTCFullYear() + BOOKED_AHEAD_YEARS);
  const arrives = Date.parse(event.body.arrivesAt);
  return arrives < Date.parse(EARLIEST) || arrives > latest.getTime();
}
