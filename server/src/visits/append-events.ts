import { sql } from 'kysely';
import { readEvent, type VisitEvent } from '@mansuet/core/log';
import type { InSalon } from '../database/database.js';
import { ProblemError, type FieldError } from '../problems/problem-error.js';
import { project } from './project.js';

/** The channel on which every server process hears that a visit has grown. */
export const CHANNEL = 'mansuet_visit';

export interface BatchTaken {
  readonly stored: string[];
  /** Already there: sent twice, stored once. */
  readonly known: string[];
}

/** Checks every event of a batch; one bad event refuses the batch, by name. @throws ProblemError `bad_input` */
export function readBatch(visitId: string, raw: readonly unknown[]): VisitEvent[] {
  const errors: FieldError[] = [];
  const events = raw.flatMap((one, i) => {
    const read = readEvent(one);
    if (!read.ok) errors.push(...read.issues.map((issue) => ({ path: `events.${i}.${issue.path}`, message: issue.message })));
    else if (read.event.visitId !== visitId) errors.push({ path: `events.${i}.visitId`, message: 'belongs to another visit' });
    else return [read.event];
    return [];
  });
  if (errors.length > 0) throw new ProblemError('bad_input', 'No event of this batch was stored.', errors);
  return events;
}

/**
 * Adds events to a visit: the log, its projections and the notice to other browsers in one transaction.
 * @throws ProblemError `not_found` for a visit that was never booked here, `bad_input` for people or dogs of nowhere
 */
export async function appendEvents(trx: InSalon, salonId: string, visitId: string, events: readonly VisitEvent[]): Promise<BatchTaken> {
  // Two tablets on one visit take turns, so that each projection is made from all events.
  await sql`select pg_advisory_xact_lock(hashtextextended(${visitId}, 0))`.execute(trx);
  const before = await readEvents(trx, visitId);
  await checkPeople(trx, events, new Set(before.map((e) => e.id)));
  if (before.length === 0 && !events.some((e) => e.type === 'visit_booked'))
    throw new ProblemError('not_found', 'This visit was never booked here.');
  const inserted = await trx
    .insertInto('visit_event')
    .values(
      events.map((e) => ({
        salon_id: salonId,
        event_id: e.id,
        visit_id: visitId,
        at: e.at,
        by_staff: e.by,
        device: e.stamp.device,
        stamp_wall_ms: e.stamp.wallMs,
        stamp_counter: e.stamp.counter,
        v: e.v,
        type: e.type,
        body: JSON.stringify(e.body),
      })),
    )
    .onConflict((c) => c.columns(['salon_id', 'event_id']).doNothing())
    .returning('event_id')
    .execute();
  const stored = inserted.map((r) => r.event_id);
  if (stored.length > 0) {
    await project(trx, salonId, visitId, [...before, ...events]);
    await sql`select pg_notify(${CHANNEL}, ${`${salonId}:${visitId}`})`.execute(trx);
  }
  return { stored, known: events.map((e) => e.id).filter((id) => !stored.includes(id)) };
}

/** People and dogs that events name must be of this salon; what row-level security hides is nowhere. */
async function checkPeople(trx: InSalon, events: readonly VisitEvent[], known: ReadonlySet<string>): Promise<void> {
  const staff = new Set((await trx.selectFrom('staff').select('staff_id').execute()).map((s) => s.staff_id));
  const errors: FieldError[] = [];
  for (const [i, e] of events.entries()) {
    if (!staff.has(e.by)) errors.push({ path: `events.${i}.by`, message: 'nobody here has this id' });
    // What is stored already was right when it came: sent again, it is not asked about anew.
    if (e.type !== 'visit_booked' || known.has(e.id)) continue;
    if (!staff.has(e.body.groomerId)) errors.push({ path: `events.${i}.body.groomerId`, message: 'nobody here has this id' });
    const dog = await trx.selectFrom('dog').select(['archived_at', 'merged_into']).where('dog_id', '=', e.body.dogId).executeTakeFirst();
    const message = !dog
      ? 'no dog here has this id'
      : dog.merged_into
        ? 'this file is part of another one: book there'
        : dog.archived_at
          ? 'this dog was put away: bring it back first'
          : undefined;
    if (message) errors.push({ path: `events.${i}.body.dogId`, message });
  }
  if (errors.length > 0) throw new ProblemError('bad_input', 'No event of this batch was stored.', errors);
}

/** The events of a visit, in stamp order. */
export async function readEvents(trx: InSalon, visitId: string): Promise<VisitEvent[]> {
  const rows = await trx
    .selectFrom('visit_event')
    .selectAll()
    .where('visit_id', '=', visitId)
    .orderBy('stamp_wall_ms')
    .orderBy('stamp_counter')
    .orderBy('device')
    .execute();
  return rows.map((r) => {
    const read = readEvent({
      id: r.event_id,
      visitId: r.visit_id,
      at: r.at.toISOString(),
      by: r.by_staff,
      stamp: { wallMs: Number(r.stamp_wall_ms), counter: r.stamp_counter, device: r.device },
      v: r.v,
      type: r.type,
      body: r.body,
    });
    if (!read.ok)
      throw new Error(`event ${r.event_id} in the log is not readable: ${read.issues.map((i) => `${i.path} ${i.message}`).join('; ')}`);
    return read.event;
  });
}
