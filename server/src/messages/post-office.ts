import { sql } from 'kysely';
import type { Logger } from 'pino';
import type { Message } from '@mansuet/core/contract';
import type { Database, InSalon } from '../database/database.js';
import type { Attached, Carrier } from './carriers.js';
import { messageOf } from './messages.repository.js';

/** Minutes until the next try; after the last of them it is given up and said so. Our defaults: two days in all. */
const WAIT_MINUTES = [1, 5, 15, 60, 240, 720, 1440] as const;
/** A message that was handed over for so long without a word may have arrived: it is not sent again by itself. */
const STUCK_MINUTES = 5;
/** How often waiting messages are looked for, ms. */
const ROUND_MS = 20_000;
const TROUBLE_LETTERS = 300;

export interface PostOfficeParts {
  readonly db: Database;
  readonly log: Logger;
  readonly clock: () => Date;
  readonly carriers: Readonly<Record<Message['channel'], Carrier>>;
  /** Told how many were due each time it looked. */
  readonly onDue?: (count: number) => void;
  /** What goes with a message of a visit. */
  readonly attachments: (trx: InSalon, message: Message) => Promise<readonly Attached[]>;
}

/**
 * Sends what is kept, tries again what was not taken, and never sends twice: a message is claimed and committed before it is handed over, so that of
 * two processes one has it, and one that stopped in between leaves it `unsure`.
 */
export class PostOffice {
  private timer: NodeJS.Timeout | undefined;
  private round: Promise<void> = Promise.resolve();

  constructor(private readonly parts: PostOfficeParts) {}

  start(): void {
    this.timer = setInterval(() => void this.look(), ROUND_MS);
    this.timer.unref();
  }

  /** Sends all that waits and is due; one round at a time. */
  look(): Promise<void> {
    this.round = this.round.then(() => this.lookOnce()).catch((error: unknown) => this.parts.log.error({ err: error }, 'post office'));
    return this.round;
  }

  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.round;
  }

  private async lookOnce(): Promise<void> {
    const { db, clock } = this.parts;
    const now = clock();
    const stuck = new Date(now.getTime() - STUCK_MINUTES * 60_000);
    const { rows } = await sql<{ salon_id: string; message_id: string }>`
      select * from waiting_messages(${now.toISOString()}::timestamptz, ${stuck.toISOString()}::timestamptz)`.execute(db.kysely);
    this.parts.onDue?.(rows.length);
    for (const row of rows) await this.send(row.salon_id, row.message_id);
  }

  /** One message, unless somebody else has it. What comes of it stands with the message. */
  async send(salonId: string, messageId: string): Promise<void> {
    const { db, clock, carriers, attachments } = this.parts;
    const claimed = await db.inSalon(salonId, async (trx) => {
      const row = await trx
        .selectFrom('message')
        .selectAll()
        .where('message_id', '=', messageId)
        .forUpdate()
        .skipLocked()
        .executeTakeFirst();
      if (!row) return undefined;
      if (row.state === 'sending' && row.claimed_at && clock().getTime() - row.claimed_at.getTime() >= STUCK_MINUTES * 60_000) {
        await set(trx, messageId, {
          state: 'unsure',
          trouble: 'The machine stopped while it was handed over: it may have arrived. Ask before you send it again.',
        });
        return undefined;
      }
      if (row.state !== 'waiting') return undefined;
      const message = messageOf(row);
      const attached = await attachments(trx, message);
      await set(trx, messageId, { state: 'sending', tries: row.tries + 1, claimed_at: clock().toISOString() });
      return { message, attached, tries: row.tries + 1 };
    });
    if (!claimed) return;
    const { message, attached, tries } = claimed;
    const trouble = await carriers[message.channel].carry(message, attached).then(
      () => undefined,
      (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, TROUBLE_LETTERS),
    );
    await db.inSalon(salonId, async (trx) => {
      if (trouble === undefined) return set(trx, messageId, { state: 'sent', trouble: '', next_try_at: null });
      const wait = WAIT_MINUTES[tries - 1];
      if (wait === undefined) return set(trx, messageId, { state: 'given_up', trouble, next_try_at: null });
      return set(trx, messageId, { state: 'waiting', trouble, next_try_at: new Date(clock().getTime() + wait * 60_000).toISOString() });
    });
  }
}

interface MessageChange {
  readonly state: Message['state'];
  readonly trouble?: string;
  readonly tries?: number;
  readonly next_try_at?: string | null;
  readonly claimed_at?: string;
}

async function set(trx: InSalon, messageId: string, change: MessageChange): Promise<void> {
  await trx.updateTable('message').set(change).where('message_id', '=', messageId).execute();
}
