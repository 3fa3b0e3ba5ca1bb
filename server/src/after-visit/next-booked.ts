import { replay } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import type { BookedVisit } from '../papers/calendar.js';
import { readEvents } from '../visits/read-events.js';

/** The visit that was booked at the end of this one, as it stands now; `undefined` where none was, or it was called off. */
export async function nextBooked(trx: InSalon, visitId: string): Promise<BookedVisit | undefined> {
  const next = replay(visitId, await readEvents(trx, visitId)).nextVisit;
  if (!next) return undefined;
  const row = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .select(['dog.name', 'visit.arrives_at'])
    .where('visit.visit_id', '=', next.visitId)
    .executeTakeFirst();
  return row && { visitId: next.visitId, dogName: row.name, start: row.arrives_at, minutes: next.sessionMinutes };
}
