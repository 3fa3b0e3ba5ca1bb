import { EventEmitter } from 'node:events';
import pg from 'pg';
import type { Logger } from 'pino';
import { CHANNEL, MOVED } from './notices.js';

const RETRY_MS = 1000;
const CONNECT_MS = 3000;

/**
 * Hears from PostgreSQL that a visit has grown, whichever server process stored it, and tells the browsers of that salon.
 * The connection is kept by itself; after a gap every browser is told to look again, for notices may have been missed.
 */
export class LiveHub {
  private readonly heard = new EventEmitter().setMaxListeners(0);
  private readonly gone = new EventEmitter().setMaxListeners(0);
  private client: pg.Client | undefined;
  private waiting: NodeJS.Timeout | undefined;
  private closed = false;

  constructor(
    private readonly listenUrl: string,
    private readonly log: Logger,
    private readonly retryMs = RETRY_MS,
  ) {}

  /** @throws when the database cannot be reached; after that it comes back by itself */
  async start(): Promise<void> {
    const client = new pg.Client({ connectionString: this.listenUrl, connectionTimeoutMillis: CONNECT_MS });
    client.on('notification', ({ payload }) => {
      const [salonId, visitId, here] = (payload ?? '').split(' ');
      if (salonId && visitId === MOVED) this.gone.emit(salonId);
      else if (salonId && visitId) this.heard.emit(salonId, visitId, here);
    });
    client.on('error', (error) => this.log.warn({ err: error }, 'live connection lost'));
    client.on('end', () => {
      if (this.client === client) this.again();
    });
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
    this.client = client;
  }

  /**
   * Calls back with visit ids, or `undefined` for "look at everything again".
   * @param tell with who has that visit open, as it was said by `hereNotice`, where that is the news
   * @param moved told when the salon is on another machine: nothing more is heard of it here
   * @returns how to end it
   */
  subscribe(salonId: string, tell: (visitId: string | undefined, here?: string) => void, moved: () => void = () => undefined): () => void {
    this.heard.on(salonId, tell);
    this.heard.on('gap', tell);
    this.gone.on(salonId, moved);
    return () => {
      this.heard.off(salonId, tell);
      this.heard.off('gap', tell);
      this.gone.off(salonId, moved);
    };
  }

  /** Screens that follow along. */
  get size(): number {
    return this.heard.listenerCount('gap');
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.waiting);
    await this.client?.end();
  }

  /** Until the database is there again, however often that has to be tried. */
  private again(): void {
    if (this.closed) return;
    this.client = undefined;
    this.waiting = setTimeout(() => {
      this.start().then(
        () => (this.closed ? void this.client?.end() : this.heard.emit('gap', undefined)),
        (error: unknown) => {
          this.log.warn({ err: error }, 'live connection not there yet');
          this.again();
        },
      );
    }, this.retryMs);
    this.waiting.unref();
  }
}
