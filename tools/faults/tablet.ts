import { BATCH_TAKEN, EVENTS_ANSWER } from '../../core/src/contract/index.js';
import { laterStamp, makeEvent, type EventDraft, type Stamp, type VisitEvent } from '../../core/src/log/index.js';

/** Who the tablet belongs to. */
export interface Person {
  readonly cookie: string;
  readonly csrf: string;
  readonly staffId: string;
}

/**
 * A tablet without a screen: it keeps every entry, sends what waits until the server says that it has it, and asks for what is new from its
 * cursor on, as the page does. Its clock may be wrong.
 */
export class Tablet {
  private readonly waiting: VisitEvent[] = [];
  /** Everything that it has, by id, as the server has it where that is known. */
  readonly log = new Map<string, VisitEvent>();
  /** Ids of what was told to be kept here. */
  readonly kept: string[] = [];
  private last: Stamp | undefined;
  private cursor = 0;

  constructor(
    private readonly url: string,
    private readonly person: Person,
    readonly name: string,
    private readonly visitId: string,
    private readonly clock: () => number,
    private readonly random: () => number,
  ) {}

  tap(draft: EventDraft): VisitEvent {
    const event = makeEvent(draft, {
      visitId: this.visitId,
      by: this.person.staffId,
      device: this.name,
      nowMs: this.clock(),
      random: (into) => into.map(() => Math.floor(256 * this.random())),
      last: this.last,
    });
    this.last = event.stamp;
    this.log.set(event.id, event);
    this.waiting.push(event);
    this.kept.push(event.id);
    return event;
  }

  get waits(): number {
    return this.waiting.length;
  }

  /** One try. @returns whether nothing waits any more */
  async send(): Promise<boolean> {
    const batch = this.waiting.slice(0, 20);
    if (batch.length === 0) return true;
    const answer = await this.ask('POST', `/api/visits/${this.visitId}/events`, { events: batch, deviceNow: this.clock() });
    if (answer === undefined) return false;
    const taken = BATCH_TAKEN.parse(answer);
    const there = new Set([...taken.stored, ...taken.known]);
    for (const event of taken.timed) this.take(event);
    for (let i = this.waiting.length - 1; i >= 0; i--) if (there.has(this.waiting[i]?.id ?? '')) this.waiting.splice(i, 1);
    return this.waiting.length === 0;
  }

  /** One try. @returns whether there was an answer */
  async pull(): Promise<boolean> {
    const answer = await this.ask('GET', `/api/visits/${this.visitId}/events?after=${this.cursor}`);
    if (answer === undefined) return false;
    const { events, cursor } = EVENTS_ANSWER.parse(answer);
    for (const event of events) this.take(event);
    this.cursor = Math.max(this.cursor, cursor);
    return true;
  }

  private take(event: VisitEvent): void {
    this.log.set(event.id, event);
    this.last = laterStamp(this.last, event.stamp);
  }

  /** @returns the answer; `undefined` where there is none now. @throws for an entry that is refused: none here is wrong */
  private async ask(method: string, path: string, body?: unknown): Promise<unknown> {
    let status: number;
    let text: string;
    try {
      const answer = await fetch(this.url + path, {
        method,
        headers: { 'content-type': 'application/json', cookie: this.person.cookie, 'x-csrf-token': this.person.csrf },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(10_000),
      });
      status = answer.status;
      text = await answer.text();
    } catch {
      return undefined;
    }
    if (status >= 500) return undefined;
    if (status !== 200) throw new Error(`${this.name}: ${method} ${path} was refused with ${status}: ${text.slice(0, 300)}`);
    return JSON.parse(text);
  }
}
