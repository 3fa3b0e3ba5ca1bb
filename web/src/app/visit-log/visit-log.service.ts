import { Injectable, effect, inject, type OnDestroy } from '@angular/core';
import {
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
import { EVENTS_ANSWER } from '@mansuet/core/contract';
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
import { ApiService } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { SessionService } from '../server/session.service';
import { Outbox } from './outbox';
import { VISIT_DB } from './visit-db';

const SEND_AFTER_MS = 60;
const PULL_EVERY_MS = 250;
const DEVICE_KEY = 'mansuet.device';

/**
 * The log of every visit on this device. A tap is durable (IndexedDB) before it is shown; it goes to the server in batches and
 * again until the server has it; what other tablets record comes in and is merged by stamp.
 */
@Injectable({ providedIn: 'root' })
export class VisitLog implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly live = inject(LiveService);
  private readonly db = inject(VISIT_DB);
  private readonly outbox = inject(Outbox);
  private readonly device = deviceName();
  private readonly grown$ = new Subject<string>();
  private last: Stamp | undefined;
  private readonly heard = new Subscription();

  readonly waiting$ = this.outbox.waiting$;
  readonly status = this.outbox.status;
  readonly refused = this.outbox.refused;

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
    this.heard.add(this.outbox.marked$.subscribe((visitId) => this.grown$.next(visitId)));
  }

  ngOnDestroy(): void {
    this.heard.unsubscribe();
  }

  /** The events of a visit as they grow, from wherever they come. */
  events$(visitId: string): Observable<VisitEvent[]> {
    return this.grown$.pipe(
      filter((id) => id === visitId),
      startWith(visitId),
      switchMap(() => from(this.db.events.where('visitId').equals(visitId).toArray())),
      // What the server refused was done all the same: it counts here until somebody lets it go.
      map((kept) => kept.filter((k) => k.sent !== 3).flatMap((k) => present(k.event))),
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
    this.outbox.soon(SEND_AFTER_MS);
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

  /** Sends what waits. */
  flush(): Promise<void> {
    return this.outbox.flush();
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

/** A name for this device, made once. */
function deviceName(): string {
  const kept = localStorage.getItem(DEVICE_KEY);
  if (kept) return kept;
  const made = crypto.randomUUID();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}
