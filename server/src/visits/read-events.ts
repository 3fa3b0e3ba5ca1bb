import { readEvent, type VisitEvent } from '@mansuet/core/log';
import type { InSalon } from '../database/database.js';

/** The log of a visit as it can be read now. */
export interface ReadLog {
  /** In stamp order. */
  readonly events: VisitEvent[];
  /** Ids of what this version cannot read: it stays in the log, is said to be there, and does not take the rest with it. */
  readonly unreadable: string[];
}

/** The events of a visit that can be read, in stamp order. */
export async function readEvents(trx: InSalon, visitId: string): Promise<VisitEvent[]> {
  return (await readLog(trx, visitId)).events;
}

export async function readLog(trx: InSalon, visitId: string): Promise<ReadLog> {
  const rows = await trx
    .selectFrom('visit_event')
    .selectAll()
    .where('visit_id', '=', visitId)
    .orderBy('stamp_wall_ms')
    .orderBy('stamp_counter')
    .orderBy('device')
    .execute();
  const log: ReadLog = { events: [], unreadable: [] };
  for (const r of rows) {
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
    if (read.ok) log.events.push(read.event);
    else log.unreadable.push(r.event_id);
  }
  return log;
}
