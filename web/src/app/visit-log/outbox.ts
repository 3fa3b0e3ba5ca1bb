import { Injectable, type OnDestroy, inject, signal } from '@angular/core';
import { BehaviorSubject, Subscription, auditTime } from 'rxjs';
import { BATCH_TAKEN } from '@mansuet/core/contract';
import { ApiService, type Failure, fieldErrors } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';
import { KeyRing } from '../this-device/key-ring';
import { DeviceLog } from './device-log';
import { Tabs } from './tabs';
import { type KeptEvent, VISIT_DB } from './visit-db';

/** Entries of a request at most, and bytes: the server takes one megabyte, and a slow network many small ones rather than one that breaks off. */
const BATCH = 500;
const BATCH_BYTES = 200_000;
const RETRY_FROM_MS = 1000;
const OTHER_TAB_MS = 200;
const OTHER_TAB_SENDS_MS = 4000;
const RETRY_TO_MS = 30_000;

/** `signed_out`: the session has ended, and entries wait here until somebody signs in; `held`: what waits is other people's. */
export type LogStatus = 'saved' | 'sending' | 'waiting' | 'signed_out' | 'held';

/** Answers that a new sign-in changes. */
const ENDED: readonly string[] = ['signed_out', 'csrf'];
/** Answers that sending again does not change. */
const REFUSALS: readonly string[] = ['bad_input', 'not_found', 'forbidden', 'too_large'];

/** How a queue stands. */
interface Queue {
  /** Entries of its next request at most: one by one after a refusal that named none. */
  size: number;
  /** Not before this, Unix ms, and how long it then waits. */
  notBefore: number;
  waitMs: number;
}

/** What becomes of an entry here. */
type Mark = Pick<KeptEvent, 'sent' | 'refusedWhy'>;
const all = (ids: readonly string[], mark: Mark): ReadonlyMap<string, Mark> => new Map(ids.map((id) => [id, mark]));

/** In whose name a request goes out; without a secret by the session. */
interface Hand {
  readonly by: string;
  readonly secret: string | undefined;
}
const GRANT_HEADER = 'x-mansuet-grant';
/** One queue for each visit and person. */
const queueKey = (k: KeptEvent): string => `${k.visitId} ${k.event.by}`;

/** What came of a queue: look again at what waits, with the next one, or with none, since nobody is signed in or nobody answers. */
type Sent = 'more' | 'next' | 'over' | 'away';

/**
 * Sends what waits on this device: one queue for each visit and person, so that one that fails holds up no other,
 * and each in the name of whoever recorded it. What the server refuses is marked, said, and stays where it was.
 */
@Injectable({ providedIn: 'root' })
export class Outbox implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly words = inject(Words);
  private readonly db = inject(VISIT_DB);
  private readonly log = inject(DeviceLog);
  private readonly ring = inject(KeyRing);
  /** The session of whoever is signed in has ended at the server. */
  private ended = false;
  private readonly queues = new Map<string, Queue>();
  private flushing: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private dueMs = 0;
  private awayMs = RETRY_FROM_MS;

  /** Events that wait for the server. */
  readonly waiting$ = new BehaviorSubject(0);
  readonly status = signal<LogStatus>('saved');
  /** Entries that the server refused: shown, never dropped. */
  readonly refused = signal<readonly KeptEvent[]>([]);
  /** Entries of people in whose name this device may not send now, by staff id. */
  readonly held = signal<ReadonlyMap<string, number>>(new Map());
  private readonly tabs = inject(Tabs);
  private readonly heard: Subscription;

  constructor() {
    void this.showRefused();
    // Another tab recorded, sent or was refused something: what waits here is the same.
    this.heard = this.tabs.grown$.pipe(auditTime(OTHER_TAB_MS)).subscribe(() => void this.count());
  }
  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.heard.unsubscribe();
  }

  /** Sends soon: the screen comes first. What is to go out sooner already does. */
  soon(ms: number): void {
    const dueMs = performance.now() + ms;
    if (this.timer !== undefined && this.dueMs <= dueMs) return;
    clearTimeout(this.timer);
    this.dueMs = dueMs;
    this.timer = setTimeout(() => {
      this.timer = undefined;
      void this.flush();
    }, ms);
  }

  /** Sends what waits, at once, whatever failed before. One run at a time. */
  flush(): Promise<void> {
    this.ended = false;
    return (this.flushing ??= this.sendAll().finally(() => (this.flushing = undefined)));
  }

  async waitsOf(staffId: string): Promise<boolean> {
    return (await this.db.events.where('sent').anyOf(0, 2).toArray()).some((k) => k.event.by === staffId);
  }

  /** Refused entries are offered once more, such as by somebody who may write them. */
  async sendAgain(ids: readonly string[]): Promise<void> {
    await this.mark(all(ids, { sent: 0 }));
    await this.flush();
  }
  /** A refused entry is let go: it stays on this device, and no longer counts. */
  async letGo(id: string): Promise<void> {
    await this.mark(all([id], { sent: 3 }));
  }

  private async sendAll(): Promise<void> {
    let renewed = false;
    const tried = new Set<string>();
    const held = new Map<string, number>();
    for (;;) {
      const waiting = await this.db.events.where('sent').equals(0).sortBy('id');
      this.waiting$.next(waiting.length);
      const next = waiting.find((k) => !tried.has(queueKey(k)));
      if (next === undefined) return this.rest(waiting.length, held);
      const mine = waiting.filter((k) => queueKey(k) === queueKey(next));
      const hand = await this.handFor(next.event.by);
      if (hand === undefined) {
        // Nobody else sends it in that person's name.
        tried.add(queueKey(next));
        held.set(next.event.by, (held.get(next.event.by) ?? 0) + mine.length);
        continue;
      }
      // A retry is not yet a success: until the server has answered, the entries are on this device alone.
      if (this.status() === 'saved') this.status.set('sending');
      const queue = this.queueOf(queueKey(next));
      const sent = await this.sendQueue(mine, queue, hand, waiting.length);
      if (sent === 'next') tried.add(queueKey(next));
      else if (sent === 'over') {
        // Signed in again in another tab: the new token is fetched, once for each answer that asks for it. The right of this device is good without.
        if (!renewed && (await this.session.renew())) renewed = true;
        else if (hand.secret === undefined && (await this.ring.secretOf(next.event.by)) !== undefined) this.ended = true;
        else return this.status.set('signed_out');
      } else if (sent === 'away') return this.wait(this.longer());
    }
  }

  /** Everything is sent that can be. */
  private rest(waiting: number, held: ReadonlyMap<string, number>): void {
    this.held.set(held);
    const others = [...held.values()].reduce((a, b) => a + b, 0);
    if (waiting === 0) this.status.set('saved');
    else if (waiting === others) this.status.set(this.session.signedIn() ? 'held' : 'waiting');
    else this.wait();
  }

  /** In whose name entries go out: by the session of whoever is signed in, or by a right of this device; `undefined`: not from here, not now. */
  private async handFor(by: string): Promise<Hand | undefined> {
    const own = this.session.signedIn()?.staff.staffId === by;
    if (own && !this.ended) return { by, secret: undefined };
    const secret = await this.ring.secretOf(by);
    return secret === undefined ? (own ? { by, secret } : undefined) : { by, secret };
  }

  /** One request after the other, as long as each is taken. @param waiting entries of all queues */
  private async sendQueue(mine: readonly KeptEvent[], queue: Queue, hand: Hand, waiting: number): Promise<Sent> {
    for (let from = 0; from < mine.length;) {
      const batch = cut(mine.slice(from), queue.size);
      const sent = await this.send(batch, queue, hand);
      if (sent !== 'taken') return sent;
      from += batch.length;
      this.waiting$.next(waiting - from);
    }
    return 'more';
  }

  private async send(batch: readonly KeptEvent[], queue: Queue, hand: Hand): Promise<Sent | 'taken'> {
    const [first] = batch;
    if (!first) return 'next';
    const answer = await this.api.send(
      'POST',
      `/visits/${first.visitId}/events`,
      { events: batch.map((k) => k.event), deviceNow: this.clock.now() },
      BATCH_TAKEN,
      hand.secret === undefined ? {} : { [GRANT_HEADER]: hand.secret },
    );
    if (answer.ok) {
      this.awayMs = RETRY_FROM_MS;
      this.queues.delete(queueKey(first));
      await this.mark(all([...answer.value.stored, ...answer.value.known], { sent: 1 }));
      await this.log.retime(answer.value.timed);
      return 'taken';
    }
    const { failure } = answer;
    if (failure.kind === 'offline') return 'away';
    const { code } = failure.problem;
    if (code === 'grant_ended') {
      await this.ring.drop(hand.by);
      return 'more';
    }
    if (ENDED.includes(code)) return 'over';
    if (REFUSALS.includes(code)) {
      const why = this.whyEach(batch, failure);
      if (why.size === 0) {
        // It names none: which it is shows when they are sent one by one.
        queue.size = 1;
        return 'more';
      }
      await this.mark(new Map([...why].map(([id, refusedWhy]) => [id, { sent: 2, refusedWhy }])));
      return 'more';
    }
    queue.notBefore = this.clock.now() + queue.waitMs;
    queue.waitMs = Math.min(RETRY_TO_MS, queue.waitMs * 2);
    return 'next';
  }

  private queueOf(key: string): Queue {
    const known = this.queues.get(key) ?? { size: BATCH, notBefore: 0, waitMs: RETRY_FROM_MS };
    this.queues.set(key, known);
    return known;
  }

  /** Waits until the first queue may be tried again. */
  private wait(ms?: number): void {
    this.status.set('waiting');
    const soonest = Math.min(...[...this.queues.values()].map((q) => q.notBefore)) - this.clock.now();
    this.soon(ms ?? Math.max(RETRY_FROM_MS, Number.isFinite(soonest) ? soonest : RETRY_FROM_MS));
  }
  /** Longer each time that the server is away, and not at the same moment on every tablet. */
  private longer(): number {
    const now = this.awayMs;
    this.awayMs = Math.min(RETRY_TO_MS, this.awayMs * 2);
    return now * (1 - JITTER * jitter());
  }

  /** Which entries of a batch are refused, and why; none when the server names none of several. */
  private whyEach(batch: readonly KeptEvent[], failure: Failure): ReadonlyMap<string, string> {
    const why = new Map<string, string>();
    for (const [path, message] of fieldErrors(this.words, failure)) {
      const kept = batch[Number(/^events\.(\d+)/.exec(path)?.[1] ?? NaN)];
      if (kept) why.set(kept.id, message);
    }
    const only = batch[0];
    if (why.size === 0 && batch.length === 1 && only && failure.kind === 'refused')
      why.set(only.id, this.words.heading('problem', failure.problem.code));
    return why;
  }

  private async mark(changes: ReadonlyMap<string, Mark>): Promise<void> {
    const kept = await this.db.transaction('rw', this.db.events, async () => {
      const found = (await this.db.events.bulkGet([...changes.keys()])).filter((k) => k !== undefined);
      await this.db.events.bulkPut(found.map((k) => ({ ...k, ...changes.get(k.id) })));
      return found;
    });
    const visits = new Set(kept.map((k) => k.visitId));
    if ([...changes.values()].every((c) => c.sent === 1)) {
      for (const visitId of visits) this.tabs.tell(visitId);
      return;
    }
    for (const visitId of visits) this.log.tell(visitId);
    await this.showRefused();
  }
  private async count(): Promise<void> {
    const waiting = await this.db.events.where('sent').equals(0).count();
    this.waiting$.next(waiting);
    if (waiting === 0 && this.status() !== 'saved' && this.flushing === undefined) this.status.set('saved');
    // The tab that recorded it sends it; should that one be gone, this one does.
    if (waiting > 0) this.soon(OTHER_TAB_SENDS_MS);
    await this.showRefused();
  }
  private async showRefused(): Promise<void> {
    this.refused.set(await this.db.events.where('sent').equals(2).toArray());
  }
}

const JITTER = 0.3;
const jitter = (): number => (crypto.getRandomValues(new Uint8Array(1))[0] ?? 0) / 255;

/** As many entries from the first on as one request takes: at least one. */
export function cut(waiting: readonly KeptEvent[], entries: number): readonly KeptEvent[] {
  let bytes = 0;
  const past = waiting.slice(0, entries).findIndex((k, at) => (bytes += JSON.stringify(k.event).length) > BATCH_BYTES && at > 0);
  return waiting.slice(0, past < 0 ? entries : past);
}
