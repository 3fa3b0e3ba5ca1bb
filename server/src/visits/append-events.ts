import { sql } from 'kysely';
import type { VisitEvent } from '@mansuet/core/log';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { CHANNEL, grownNotice } from '../live/notices.js';
import { idsElsewhere, strangersIn, voidsOfOthers, whereStored } from './check-batch.js';
import type { KeptVisits } from './kept-visits.js';
import { project } from './project.js';
import { readRow } from './read-events.js';

export interface BatchTaken {
  readonly stored: string[];
  /** Already there: sent twice, stored once. */
  readonly known: string[];
  /** Those whose time was put right, as they are stored. */
  readonly timed: VisitEvent[];
}

/** What came of a batch, and what is done once it is committed. */
export interface Appended extends BatchTaken {
  readonly committed: () => void;
}

export interface AppendParts {
  /** What the device had said of those whose time was put right, by id. */
  readonly told?: ReadonlyMap<string, VisitEvent>;
  /** Visits that this process has read; without them the whole log is read. */
  readonly kept?: KeptVisits;
}

/**
 * Adds events to a visit: the log, its projections and the notice to other browsers in one transaction. They are added first; then only what is
 * new is read, and only tables in which something changed are written.
 * @returns what was stored; `committed` is called once the transaction has ended well
 */
export async function appendEvents(
  trx: InSalon,
  salonId: string,
  visitId: string,
  events: readonly VisitEvent[],
  { told, kept }: AppendParts = {},
): Promise<Outcome<Appended>> {
  // Two tablets on one visit take turns, so that each projection is made from all events, and cursors count up in the order of commits.
  await sql`select pg_advisory_xact_lock(hashtextextended(${visitId}, 0))`.execute(trx);
  const before = kept?.take(salonId, visitId);
  const stands = await whereStored(trx, events);
  const wrong = [...(await strangersIn(trx, events, stands)), ...idsElsewhere(visitId, events, stands)];
  if (wrong.length > 0) return refused('bad_input', saying('problem.nothing_stored', {}), wrong);
  const foreign = await voidsOfOthers(trx, visitId, events, stands);
  if (foreign.length > 0) return refused('forbidden', saying('problem.nothing_stored', {}), foreign);
  if (!before && !events.some((e) => e.type === 'visit_booked') && !(await isBooked(trx, visitId)))
    return refused('not_found', saying('problem.never_booked', {}));
  const inserted = await trx
    .insertInto('visit_event')
    .values(
      events.map((e) => {
        const said = e.timed === undefined ? undefined : told?.get(e.id);
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
          act: e.act ?? null,
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
  let after = before;
  if (stored.size > 0) {
    after = await project(trx, salonId, visitId, before, stored);
    await sql`select pg_notify(${CHANNEL}, ${grownNotice(salonId, visitId)})`.execute(trx);
  }
  const known = events.map((e) => e.id).filter((id) => !stored.has(id));
  return done({
    stored: [...stored],
    known,
    // A batch whose answer was lost is sent again: how those were timed the first time is told then.
    timed: [...events.filter((e) => stored.has(e.id) && e.timed !== undefined), ...(await timedAmong(trx, known))],
    committed: () => {
      if (after) kept?.put(salonId, visitId, after);
    },
  });
}

/** Something stands in its log: entries come in any order, and a booking may come after what it was for. */
async function isBooked(trx: InSalon, visitId: string): Promise<boolean> {
  return (await trx.selectFrom('visit_event').select('event_id').where('visit_id', '=', visitId).limit(1).executeTakeFirst()) !== undefined;
}

async function timedAmong(trx: InSalon, ids: readonly string[]): Promise<VisitEvent[]> {
  if (ids.length === 0) return [];
  const rows = await trx.selectFrom('visit_event').selectAll().where('event_id', 'in', ids).where('timed', 'is not', null).execute();
  return rows.flatMap((row) => readRow(row) ?? []);
}
