import { sql } from 'kysely';
import type { VisitEvent } from '@mansuet/core/log';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { idsElsewhere, strangersIn, voidsOfOthers } from './check-batch.js';
import { project } from './project.js';
import { readEvents, readRow } from './read-events.js';

/** The channel on which every server process hears that a visit has grown. */
export const CHANNEL = 'mansuet_visit';

export interface BatchTaken {
  readonly stored: string[];
  /** Already there: sent twice, stored once. */
  readonly known: string[];
  /** Those whose time was put right, as they are stored. */
  readonly timed: VisitEvent[];
}

/**
 * Adds events to a visit: the log, its projections and the notice to other browsers in one transaction.
 * @param told what the device had said of those whose time was put right, by id
 */
export async function appendEvents(
  trx: InSalon,
  salonId: string,
  visitId: string,
  events: readonly VisitEvent[],
  told: ReadonlyMap<string, VisitEvent> = new Map(),
): Promise<Outcome<BatchTaken>> {
  // Two tablets on one visit take turns, so that each projection is made from all events, and cursors count up in the order of commits.
  await sql`select pg_advisory_xact_lock(hashtextextended(${visitId}, 0))`.execute(trx);
  const before = await readEvents(trx, visitId);
  const wrong = [...(await strangersIn(trx, events, new Set(before.map((e) => e.id)))), ...(await idsElsewhere(trx, visitId, events))];
  if (wrong.length > 0) return refused('bad_input', saying('problem.nothing_stored', {}), wrong);
  const foreign = await voidsOfOthers(trx, before, events);
  if (foreign.length > 0) return refused('forbidden', saying('problem.nothing_stored', {}), foreign);
  if (before.length === 0 && !events.some((e) => e.type === 'visit_booked'))
    return refused('not_found', saying('problem.never_booked', {}));
  const inserted = await trx
    .insertInto('visit_event')
    .values(
      events.map((e) => {
        const said = e.timed === undefined ? undefined : told.get(e.id);
        return {
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
          timed: e.timed ?? null,
          told_at: said?.at ?? null,
          told_wall_ms: said?.stamp.wallMs ?? null,
        };
      }),
    )
    .onConflict((c) => c.columns(['salon_id', 'event_id']).doNothing())
    .returning('event_id')
    .execute();
  const stored = new Set(inserted.map((r) => r.event_id));
  if (stored.size > 0) {
    await project(trx, salonId, visitId, [...before, ...events.filter((e) => stored.has(e.id))]);
    await sql`select pg_notify(${CHANNEL}, ${`${salonId}:${visitId}`})`.execute(trx);
  }
  const known = events.map((e) => e.id).filter((id) => !stored.has(id));
  return done({
    stored: [...stored],
    known,
    // A batch whose answer was lost is sent again: how those were timed the first time is told then.
    timed: [...events.filter((e) => stored.has(e.id) && e.timed !== undefined), ...(await timedAmong(trx, known))],
  });
}

async function timedAmong(trx: InSalon, ids: readonly string[]): Promise<VisitEvent[]> {
  if (ids.length === 0) return [];
  const rows = await trx.selectFrom('visit_event').selectAll().where('event_id', 'in', ids).where('timed', 'is not', null).execute();
  return rows.flatMap((row) => readRow(row) ?? []);
}
