import { Injectable, InjectionToken, effect, inject, signal, type OnDestroy } from '@angular/core';
import {
  BehaviorSubject,
  Observable,
  Subject,
  Subscription,
  bufferTime,
  filter,
  fromEvent,
  map,
  merge,
  startWith,
  switchMap,
  from,
  distinctUntilChanged,
  shareReplay,
} from 'rxjs';
import { BATCH_TAKEN, EVENTS_ANSWER } from '@mansuet/core/contract';
import {
  type EventDraft,
  type EventHand,
  laterStamp,
  makeEvent,
  readEvent,
  type Stamp,
  tryEvent,
  uuidV7,
  type VisitEvent,
} from '@mansuet/core/log';
import { replay, type VisitState } from '@mansuet/core/visit';
import type { FieldProblem } from '@mansuet/core/words';
import { ApiService, fieldErrors } from '../server/api.service';
import { Words } from '../wording/words.service';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { SessionService } from '../server/session.service';
import { VisitDb, type KeptEvent } from './visit-db';

export const VISIT_DB = new InjectionToken<VisitDb>('visit db', { providedIn: 'root', factory: () => new VisitDb() });

const BATCH = 200;
const SEND_AFTER_MS = 60;
const PULL_EVERY_MS = 250;
const RETRY_FROM_MS = 1000;
const RETRY_TO_MS = 30_000;
const DEVICE_KEY = 'mansuet.device';

/** `signed_out`: the session has ended; entries wait here until somebody signs in. */
export type LogStatus = 'saved' | 'sending' | 'waiting' | 'signed_out';

/**
 * The log of every visit on this device. A tap is durable (IndexedDB) before it is shown; it goes to the server in batches and
 * again until the server has it; what other tablets record comes in and is merged by stamp.
 */
@Injectable({ providedIn: 'root' })
export class VisitLog implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly words = inject(Words);
  private readonly live = inject(LiveService);
  private readonly db = inject(VISIT_DB);
  private readonly device = deviceName();
  private readonly grown$ = new Subject<string>();
  private last: Stamp | undefined;
  private flushing: Promise<void> | undefined;
  private retryMs = RETRY_FROM_MS;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private readonly heard = new Subscription();

  /** Events that wait for the server. */
  readonly waiting$ = new BehaviorSubject(0);
  readonly status = signal<LogStatus>('saved');
  /** Events that the server refused: shown, never dropped. */
  readonly refused = signal<readonly KeptEvent[]>([]);

  constructor() {
    this.heard.add(
      this.live.changes$
        .pipe(
          bufferTime(PULL_EVERY_MS),
          filter((ids) => ids.length > 0),
        )
        .subscribe((ids) => void this.pullAll(ids)),
    );
    this.heard.add(merge(fromEvent(window, 'online'), fromEvent(document, 'visibilitychange')).subscribe(() => void this.flush()));
    // Whoever signs in sends what waits.
    effect(() => {
      if (this.session.signedIn()) void this.flush();
    });
    void this.showRefused();
  }

  ngOnDestroy(): void {
    this.heard.unsubscribe();
    clearTimeout(this.retry);
  }

  /** The events of a visit as they grow, from wherever they come. */
  events$(visitId: string): Observable<VisitEvent[]> {
    return this.grown$.pipe(
      filter((id) => id === visitId),
      startWith(visitId),
      switchMap(() => from(this.db.events.where('visitId').equals(visitId).toArray())),
      map((kept) => kept.filter((k) => k.sent !== 2).flatMap((k) => present(k.event))),
    );
  }

  state$(visitId: string): Observable<VisitState> {
    return this.events$(visitId).pipe(
      distinctUntilChanged((a, b) => a.length === b.length && a.every((e, i) => e.id === b[i]?.id)),
      map((events) => replay(visitId, events)),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
  }

  /** The id of a visit that is about to be booked. */
  newVisitId(): string {
    return uuidV7(this.clock.now(), (into) => crypto.getRandomValues(into));
  }

  /** What is wrong with a draft before it is recorded; empty when nothing is. */
  check(visitId: string, draft: EventDraft): readonly FieldProblem[] {
    const made = tryEvent(draft, this.hand(visitId));
    return made.ok ? [] : made.fields;
  }

  /** Who writes here, and when. @throws when nobody is signed in */
  private hand(visitId: string): EventHand {
    const by = this.session.signedIn()?.staff.staffId;
    if (!by) throw new Error('nobody is signed in');
    return {
      visitId,
      by,
      device: this.device,
      nowMs: this.clock.now(),
      random: (into) => crypto.getRandomValues(into),
      last: this.last,
    };
  }

  /** Records something. Resolves when it is durable on this device. @throws when the draft breaks the event's schema */
  async record(visitId: string, draft: EventDraft): Promise<VisitEvent> {
    const event = makeEvent(draft, this.hand(visitId));
    this.last = event.stamp;
    await this.db.events.put({ id: event.id, visitId, event, sent: 0 });
    this.grown$.next(visitId);
    // The screen first: what is durable here can wait a moment for the network.
    clearTimeout(this.retry);
    this.retry = setTimeout(() => void this.flush(), SEND_AFTER_MS);
    return event;
  }

  /** Takes in events that the server has. */
  async merge(events: readonly VisitEvent[]): Promise<void> {
    if (events.length === 0) return;
    for (const e of events) this.last = laterStamp(this.last, e.stamp);
    const known = await this.db.events.bulkGet(events.map((e) => e.id));
    const news = events.filter((_, i) => known[i]?.sent !== 1);
    if (news.length === 0) return;
    await this.db.events.bulkPut(news.map((event) => ({ id: event.id, visitId: event.visitId, event, sent: 1 as const })));
    // What this device recorded itself is shown already.
    const foreign = events.filter((_, i) => known[i] === undefined);
    for (const visitId of new Set(foreign.map((e) => e.visitId))) this.grown$.next(visitId);
  }

  /** Sends what waits. One run at a time; a failure is tried again later, by itself. */
  flush(): Promise<void> {
    return (this.flushing ??= this.flushAll().finally(() => (this.flushing = undefined)));
  }

  private async flushAll(): Promise<void> {
    let renewed = false;
    for (;;) {
      const waiting = await this.db.events.where('sent').equals(0).sortBy('id');
      this.waiting$.next(waiting.length);
      const visitId = waiting[0]?.visitId;
      if (!visitId || !this.session.signedIn()) {
        this.status.set(waiting.length > 0 ? 'waiting' : 'saved');
        return;
      }
      // A retry is not yet a success: until the server has answered, the entries are on this device alone.
      if (this.status() === 'saved') this.status.set('sending');
      const batch = waiting.filter((k) => k.visitId === visitId).slice(0, BATCH);
      const answer = await this.api.send('POST', `/visits/${visitId}/events`, { events: batch.map((k) => k.event) }, BATCH_TAKEN);
      if (answer.ok) {
        this.retryMs = RETRY_FROM_MS;
        await this.mark([...answer.value.stored, ...answer.value.known], { sent: 1 });
        continue;
      }
      if (answer.failure.kind === 'refused' && REFUSALS.includes(answer.failure.problem.code)) {
        await this.setAside(batch, fieldErrors(this.words, answer.failure), this.words.heading('problem', answer.failure.problem.code));
        continue;
      }
      if (answer.failure.kind === 'refused' && ENDED.includes(answer.failure.problem.code)) {
        // Signed in again in another tab: the new token is fetched, once for each answer that asks for it.
        if (!renewed && (await this.session.renew())) {
          renewed = true;
          continue;
        }
        this.status.set('signed_out');
        return;
      }
      this.status.set('waiting');
      clearTimeout(this.retry);
      this.retry = setTimeout(() => void this.flush(), this.retryMs);
      this.retryMs = Math.min(RETRY_TO_MS, this.retryMs * 2);
      return;
    }
  }

  /** Events that the server names as wrong are set aside, so that the others get through. When it names none, all of them are. */
  private async setAside(batch: readonly KeptEvent[], errors: ReadonlyMap<string, string>, title: string): Promise<void> {
    const why = new Map<string, string>();
    for (const [path, message] of errors) {
      const kept = batch[Number(/^events\.(\d+)/.exec(path)?.[1] ?? NaN)];
      if (kept) why.set(kept.id, `${path}: ${message}`);
    }
    if (why.size === 0) for (const kept of batch) why.set(kept.id, title);
    for (const [id, refusedWhy] of why) await this.mark([id], { sent: 2, refusedWhy });
    await this.showRefused();
  }

  private async mark(ids: readonly string[], change: Pick<KeptEvent, 'sent'> & { refusedWhy?: string }): Promise<void> {
    await this.db.transaction('rw', this.db.events, async () => {
      for (const id of ids) await this.db.events.update(id, change);
    });
    if (change.sent === 2) for (const kept of await this.db.events.bulkGet([...ids])) if (kept) this.grown$.next(kept.visitId);
  }

  private async showRefused(): Promise<void> {
    this.refused.set(await this.db.events.where('sent').equals(2).toArray());
  }

  /** Visits that have grown on the server; `undefined` among them stands for all. */
  private async pullAll(ids: readonly (string | undefined)[]): Promise<void> {
    if (ids.includes(undefined)) await this.pull(undefined);
    else for (const id of new Set(ids)) await this.pull(id);
  }

  /** Fetches what the server has of a visit, or of every visit on this device. */
  private async pull(visitId: string | undefined): Promise<void> {
    const ids = visitId ? [visitId] : await this.db.events.orderBy('visitId').uniqueKeys();
    for (const id of ids) {
      if (typeof id !== 'string') continue;
      // Visits that nobody has opened here are not kept here.
      if (visitId && (await this.db.events.where('visitId').equals(id).count()) === 0) continue;
      const answer = await this.api.get(`/visits/${id}/events`, EVENTS_ANSWER);
      if (answer.ok) await this.merge(answer.value.events);
    }
  }
}

/** An event as it was kept, by whatever version of the page, in the shape of today. */
function present(kept: unknown): VisitEvent[] {
  const read = readEvent(kept);
  return read.ok ? [read.event] : [];
}

/** Answers that a new sign-in changes. */
const ENDED: readonly string[] = ['signed_out', 'csrf'];

/** Answers that sending again does not change. */
const REFUSALS: readonly string[] = ['bad_input', 'not_found', 'forbidden', 'too_large'];

/** A name for this device, made once. */
function deviceName(): string {
  const kept = localStorage.getItem(DEVICE_KEY);
  if (kept) return kept;
  const made = crypto.randomUUID();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}
