import { randomUUID } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Message } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';

export interface Letter {
  readonly to: string;
  readonly phone: string;
  readonly text: string;
}

/** Whatever brings a text to an owner's phone. It is asked once the message is stored, so that what came to nothing is never sent. */
export interface MessageGateway {
  deliver(message: Message): Promise<void>;
}

/** Keeps a message for the screen "Messages" and for whatever delivers it. */
export async function keepMessage(trx: InSalon, salonId: string, letter: Letter, at: Date): Promise<Message> {
  const message: Message = { messageId: randomUUID(), ...letter, sentAt: at.toISOString() };
  await trx
    .insertInto('message')
    .values({
      salon_id: salonId,
      message_id: message.messageId,
      to_name: letter.to,
      phone: letter.phone,
      text: letter.text,
      sent_at: message.sentAt,
    })
    .execute();
  return message;
}

/** Stands in for a text-message service: nothing leaves this machine. When there is a folder for them, each message is written there as a readable file. */
export class StandInGateway implements MessageGateway {
  constructor(private readonly folder: string | undefined) {}

  async deliver(message: Message): Promise<void> {
    if (!this.folder) return;
    await mkdir(this.folder, { recursive: true });
    const file = join(this.folder, `${message.sentAt.replace(/[:.]/g, '-')}-${message.messageId.slice(0, 8)}.txt`);
    await writeFile(file, `To: ${message.to} ${message.phone}\nAt: ${message.sentAt}\n\n${message.text}\n`, { mode: 0o600 });
  }
}

/** The latest messages, newest first. */
export async function readMessages(trx: InSalon): Promise<Message[]> {
  const rows = await trx.selectFrom('message').selectAll().orderBy('sent_at', 'desc').limit(100).execute();
  return rows.map((r) => ({ messageId: r.message_id, to: r.to_name, phone: r.phone, text: r.text, sentAt: r.sent_at.toISOString() }));
}
