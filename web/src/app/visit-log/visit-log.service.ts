import { Injectable, effect, inject, type OnDestroy } from '@angular/core';
import { Observable, Subscription, distinctUntilChanged, fromEvent, map, merge, scan, shareReplay } from 'rxjs';
import { type EventDraft, type EventHand, makeEvents, tryEvent, uuidV7, type Stamp, type VisitEvent } from '@mansuet/core/log';
import { emptyVisit, type VisitState } from '@mansuet/core/visit';
import type { FieldProblem } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { deviceName } from '../this-device/device-name';
import { DeviceRights } from '../this-device/device-rights';
import { DeviceLog } from './device-log';
import { Outbox } from './outbox';
import { Pull } from './pull';
import { NOTHING_READ, readGrowth } from './read-growth';

const SEND_AFTER_MS = 60;

/**
 * The log of every visit, as screens use it: what is recorded is durable on this device (`DeviceLog`) before it is shown, goes to the server
 * (`Outbox`), and what other devices record comes in (`Pull`).
 */
@Injectable({ providedIn: 'root' })
export class VisitLog implements OnDestroy {
  private readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly log = inject(DeviceLog);
  private readonly outbox = inject(Outbox);
  private readonly rights = inject(DeviceRights);
  private readonly device = deviceName();
  private readonly heard = new Subscription();

  readonly waiting$ = this.outbox.waiting$;
  readonly status = this.outbox.status;
  readonly refused = this.outbox.refused;
  readonly held = this.outbox.held;

  constructor() {
    inject(Pull);
    this.heard.add(merge(fromEvent(window, 'online'), fromEvent(document, 'visibilitychange')).subscribe(() => void this.flush()));
    // Whoever signs in sends what waits, and may do so from here later on, whoever is signed in then.
    effect(() => {
      const staffId = this.session.signedIn()?.staff.staffId;
      if (staffId !== undefined) void this.rights.ensure(staffId).then(() => this.flush());
    });
  }

  ngOnDestroy(): void {
    this.heard.unsubscribe();
  }

  state$(visitId: string): Observable<VisitState> {
    return this.log.growth$(visitId).pipe(
      scan(readGrowth, NOTHING_READ),
      map((read) => read.state ?? emptyVisit(visitId)),
      distinctUntilChanged(),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
  }

  /** The id of a visit that is about to be booked. */
  newVisitId(): string {
    return uuidV7(this.clock.now(), (into) => crypto.getRandomValues(into));
  }

  /** What is wrong with a draft before it is recorded; empty when nothing is. */
  check(visitId: string, draft: EventDraft): readonly FieldProblem[] {
    const made = tryEvent(draft, this.hand(visitId, undefined));
    return made.ok ? [] : made.fields;
  }

  /** Who writes here, and when. @throws when nobody is signed in */
  private hand(visitId: string, last: Stamp | undefined): EventHand {
    const by = this.session.signedIn()?.staff.staffId;
    if (!by) throw new Error('nobody is signed in');
    return { visitId, by, device: this.device, nowMs: this.clock.now(), random: (into) => crypto.getRandomValues(into), last };
  }

  /**
   * Records what one stroke writes: all of it or nothing, and it is taken back together. Resolves when it is durable on this device.
   * @returns the last event
   * @throws when a draft breaks the event's schema
   */
  async record(visitId: string, ...drafts: readonly [EventDraft, ...EventDraft[]]): Promise<VisitEvent> {
    let events: readonly VisitEvent[] = [];
    await this.log.add((last) => (events = makeEvents(drafts, this.hand(visitId, last))));
    // The screen first: what is durable here can wait a moment for the network.
    this.outbox.soon(SEND_AFTER_MS);
    const event = events.at(-1);
    if (!event) throw new Error('nothing was recorded');
    return event;
  }

  /** Takes in events that the server has. */
  merge(visitId: string, events: readonly VisitEvent[], cursor?: number): Promise<void> {
    return this.log.merge(visitId, events, cursor);
  }

  /** Whether something of a visit is not at the server yet. */
  waits(visitId: string): Promise<boolean> {
    return this.log.waits(visitId);
  }
  /** Whether something that a person recorded here is not at the server yet. */
  waitsOf(staffId: string): Promise<boolean> {
    return this.outbox.waitsOf(staffId);
  }

  /** What was only read goes with whoever signs out; what waits for the server stays. */
  forgetWhatWasRead(): Promise<void> {
    return this.log.forgetWhatWasRead();
  }

  /** Sends what waits. */
  flush(): Promise<void> {
    return this.outbox.flush();
  }

  /** Sends what waits, also what was recorded when a run was at its end. What the server does not take now still waits afterwards. */
  async arrived(visitId: string): Promise<void> {
    await this.flush();
    if (await this.waits(visitId)) await this.flush();
  }
}
