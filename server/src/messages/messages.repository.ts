import { randomUUID } from 'node:crypto';
import type { Selectable } from 'kysely';
import type { Message } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';

export interface Letter {
  readonly to: string;
  /** Number, or address for a mail. */
  readonly phone: string;
  readonly text: string;
  readonly channel?: Message['channel'];
  readonly subject?: string;
  readonly visitId?: string | null;
}

/** Keeps a message for the screen "Messages" and for the post office, which sends it once this is committed. */
export async function keepMessage(trx: InSalon, salonId: string, letter: Letter, at: Date): Promise<Message> {
  const { to, phone, text, channel = 'text', subject = '', visitId = null } = letter;
  const messageId = randomUUID();
  await trx
    .insertInto('message')
    .values({
      salon_id: salonId,
      message_id: messageId,
      channel,
      to_name: to,
      phone,
      subject,
      text,
      visit_id: visitId,
      sent_at: at.toISOString(),
      state: 'waiting',
      tries: 0,
      next_try_at: at.toISOString(),
    })
    .execute();
  return { messageId, channel, to, phone, subject, text, sentAt: at.toISOString(), state: 'waiting', tries: 0, trouble: '', visitId };
}

/** The latest messages, newest first; those of one visit where it is named. */
export async function readMessages(trx: InSalon, visitId?: string): Promise<Message[]> {
  const query = trx.selectFrom('message').selectAll().orderBy('sent_at', 'desc').limit(100);
  return (await (visitId === undefined ? query : query.where('visit_id', '=', visitId)).execute()).map(messageOf);
}

export function messageOf(r: Selectable<Tables['message']>): Message {
  return {
    messageId: r.message_id,
    channel: r.channel,
    to: r.to_name,
    phone: r.phone,
    subject: r.subject,
    text: r.text,
    sentAt: r.sent_at.toISOString(),
    state: r.state,
    tries: r.tries,
    trouble: r.trouble,
    visitId: r.visit_id,
  };
}
