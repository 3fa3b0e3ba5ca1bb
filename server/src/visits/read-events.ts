import type { Selectable } from 'kysely';
import { readEvent, type VisitEvent } from '@mansuet/core/log';
import type { InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';

/** The log of a visit as it can be read now, from a cursor on. */
export interface ReadLog {
  /** In stamp order. */
  readonly events: VisitEvent[];
  /** Ids of what this version cannot read: it stays in the log, is said to be there, and does not take the rest with it. */
  readonly unreadable: string[];
  /** How far the log has come: what is new is read from here. */
  readonly cursor: number;
}

/** The events of a visit that can be read, in stamp order. */
export async function readEvents(trx: InSalon, visitId: string): Promise<VisitEvent[]> {
  return (await readLog(trx, visitId)).events;
}

/** @param after the cursor of an earlier answer; 0 for the whole log */
export async function readLog(trx: InSalon, visitId: string, after = 0): Promise<ReadLog> {
  return (await readLogs(trx, new Map([[visitId, after]]))).get(visitId) ?? emptyLog(after);
}

/** The logs of several visits, each from its own cursor on, in one statement. */
export async function readLogs(trx: InSalon, after: ReadonlyMap<string, number>): Promise<Map<string, ReadLog>> {
  const logs = new Map([...after].map(([id, from]) => [id, emptyLog(from)]));
  if (after.size === 0) return logs;
  const rows = await trx
    .selectFrom('visit_event')
    .selectAll()
    .where((x) => x.or([...after].map(([id, from]) => x.and([x('visit_id', '=', id), x('seq', '>', String(from))]))))
    .orderBy('stamp_wall_ms')
    .orderBy('stamp_counter')
    .orderBy('device')
    .execute();
  for (const row of rows) {
    const log = logs.get(row.visit_id);
    if (!log) continue;
    const read = readRow(row);
    if (read) log.events.push(read);
    else log.unreadable.push(row.event_id);
    log.cursor = Math.max(log.cursor, Number(row.seq));
  }
  return logs;
}

export type LogRow = Selectable<Tables['visit_event']>;

/** An entry as it is stored, its time put right where it had to be; `undefined` for what this version cannot read. */
export function readRow(row: LogRow): VisitEvent | undefined {
  const read = readEvent({
    id: row.event_id,
    visitId: row.visit_id,
    at: row.at.toISOString(),
    by: row.by_staff,
    stamp: { wallMs: Number(row.stamp_wall_ms), counter: row.stamp_counter, device: row.device },
    v: row.v,
    type: row.type,
    body: row.body,
    ...(row.act === null ? {} : { act: row.act }),
    ...(row.timed === null ? {} : { timed: row.timed }),
  });
  return read.ok ? read.event : undefined;
}

const emptyLog = (cursor: number) => ({ events: new Array<VisitEvent>(), unreadable: new Array<string>(), cursor }) satisfies ReadLog;
