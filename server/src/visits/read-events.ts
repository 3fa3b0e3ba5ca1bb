import { readEvent, type VisitEvent } from '@mansuet/core/log';
import type { InSalon } from '../database/database.js';

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
      throw new Error(`event ${r.event_id} in the log is not readable: ${read.fields.map((f) => `${f.path} ${f.says.rule}`).join('; ')}`);
    return read.event;
  });
}
