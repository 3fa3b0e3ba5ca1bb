import type { Message } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';
import type { Attached } from '../messages/carriers.js';
import { nextCalendar } from '../papers/calendar.js';
import { salonOf } from '../sign-in/sign-in.repository.js';
import { keptPage } from './kept-page.js';
import { nextBooked } from './next-booked.js';

/** What goes with a mail of a visit: its account as a page, and the next visit for a calendar. */
export async function attachedTo(trx: InSalon, message: Message): Promise<readonly Attached[]> {
  if (message.channel !== 'mail' || message.visitId === null) return [];
  const page = await keptPage(trx, message.visitId);
  const [next, salon] = [await nextBooked(trx, message.visitId), await salonOf(trx)];
  const calendar = next && salon && nextCalendar(next, salon, new Date(message.sentAt));
  return [
    ...(page ? [{ filename: 'visit.pdf', contentType: 'application/pdf', content: page }] : []),
    ...(calendar ? [{ filename: 'next-visit.ics', contentType: 'text/calendar; charset=utf-8', content: Buffer.from(calendar) }] : []),
  ];
}
