import { type Insertable, type Selectable, sql } from 'kysely';
import type { VisitEvent } from '@mansuet/core/log';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';
import { CHANNEL } from '../live/notices.js';
import { type Added, idsElsewhere, strangersIn, voidsOfOthers } from './check-batch.js';
import type { KeptVisits } from './kept-visits.js';
import { project, readOnVisit } from './project.js';
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
 * @returns what was stored; `committed` is called once the transaction has ended well. After a refusal the transaction must not be kept.
 */
export async function appendEvents(
  trx: InSalon,
  salonId: string,
  visitId: string,
  events: readonly VisitEvent[],
  { told, kept }: AppendParts = {},
): Promise<Outcome<Appended>> {
  const since = kept?.cursorOf(salonId, visitId) ?? 0;
  const news = await addEvents(trx, visitId, since, events, told);
  // It is this one's turn now: whoever added before has put back what was read.
  const before = kept?.take(salonId, visitId);
  const fresh = new Set(news.filter((r) => r.fresh).map((r) => r.event_id));
  // Something stands in its log: entries come in any order, and a booking may come after what it was for.
  if (since === 0 && news.length === fresh.size && !events.some((e) => e.type === 'visit_booked'))
    return refused('not_found', saying('problem.never_booked', {}));
  const repeated = await standing(trx, events, fresh);
  const added: Added = { visitId, events, fresh };
  const wrong = [...(await strangersIn(trx, added)), ...idsElsewhere(added, new Map(repeated.map((r) => [r.event_id, r.visit_id])))];
  if (wrong.length > 0) return refused('bad_input', saying('problem.nothing_stored', {}), wrong);
  const foreign = await voidsOfOthers(trx, added);
  if (foreign.length > 0) return refused('forbidden', saying('problem.nothing_stored', {}), foreign);
  const after =
    fresh.size > 0 ? await project(trx, salonId, await readOnVisit(trx, visitId, before, { since, rows: news }, fresh)) : before;
  return done({
    stored: [...fresh],
    known: repeated.map((r) => r.event_id),
    // A batch whose answer was lost is sent again: how those were timed the first time is told then.
    timed: [
      ...events.filter((e) => fresh.has(e.id) && e.timed !== undefined),
      ...repeated.flatMap((row) => (row.timed === null ? [] : (readRow(row) ?? []))),
    ],
    committed: () => {
      if (after) kept?.put(salonId, visitId, after);
    },
  });
}

/**
 * Adds what is new, and tells every process of it.
 * @param since the cursor of what was read before
 * @returns the log from there on, what was just added among it
 */
async function addEvents(
  trx: InSalon,
  visitId: string,
  since: number,
  events: readonly VisitEvent[],
  told: AppendParts['told'],
): Promise<NewRow[]> {
  const entries = JSON.stringify(events.map((e) => entryOf(e, told?.get(e.id))));
  const { rows } = await sql<NewRow>`select * from add_events(${visitId}, ${since}, ${entries}, ${CHANNEL})`.execute(trx);
  return rows;
}
type NewRow = Selectable<Tables['visit_event']> & { readonly fresh: boolean };

/** An entry as it is stored. @param said what the device had said, where its time was put right */
function entryOf(
  e: VisitEvent,
  said: VisitEvent | undefined,
): Omit<Partial<Insertable<Tables['visit_event']>>, 'body'> & Pick<VisitEvent, 'body'> {
  const told = e.timed === undefined ? undefined : said;
  return {
    event_id: e.id,
    at: e.at,
    by_staff: e.by,
    device: e.stamp.device,
    stamp_wall_ms: e.stamp.wallMs,
    stamp_counter: e.stamp.counter,
    v: e.v,
    type: e.type,
    body: e.body,
    act: e.act ?? null,
    timed: e.timed ?? null,
    told_at: told?.at ?? null,
    told_wall_ms: told?.stamp.wallMs ?? null,
  };
}

/** What was there before it was sent, wherever it stands. */
async function standing(
  trx: InSalon,
  events: readonly VisitEvent[],
  fresh: ReadonlySet<string>,
): Promise<Selectable<Tables['visit_event']>[]> {
  const ids = events.map((e) => e.id).filter((id) => !fresh.has(id));
  if (ids.length === 0) return [];
  return trx.selectFrom('visit_event').selectAll().where('event_id', 'in', ids).execute();
}
