import { Injectable, inject } from '@angular/core';
import { group } from 'd3';
import { EMPTY, Subject, type Observable, concatMap, defer, filter, from, map, merge, of, startWith, tap } from 'rxjs';
import { laterStamp, readEvent, type Stamp, type VisitEvent } from '@mansuet/core/log';
import { Tabs } from './tabs';
import { type KeptEvent, VISIT_DB } from './visit-db';

/** A visit's log: all of it, or what was recorded in this tab since. */
export type Growth = { readonly whole: readonly VisitEvent[] } | { readonly more: readonly VisitEvent[] };
/** Which visit grew, and by what where that is known. */
export interface Grown {
  readonly visitId: string;
  readonly more?: readonly VisitEvent[];
}

/** The entries on this device: those recorded here, in whichever tab, and those of others as far as they have come. */
@Injectable({ providedIn: 'root' })
export class DeviceLog {
  private readonly db = inject(VISIT_DB);
  private readonly tabs = inject(Tabs);
  private readonly grownHere = new Subject<Grown>();
  /** Visits that have grown, or have changed, in this tab or another. */
  readonly grown$: Observable<Grown> = merge(this.grownHere, this.tabs.grown$.pipe(map((visitId) => ({ visitId }))));

  /**
   * A visit's log as it grows, from wherever what is new comes. What this tab itself records is passed on as it is; after everything else the log
   * is read again, once for all that came while it was read.
   */
  growth$(visitId: string): Observable<Growth> {
    return defer(() => {
      let unread = 0;
      return this.grown$.pipe(
        filter((g) => g.visitId === visitId),
        startWith<Grown>({ visitId }),
        tap(({ more }) => (unread += more ? 0 : 1)),
        concatMap(({ more }): Observable<Growth> => {
          if (more) return of({ more });
          unread--;
          return unread > 0 ? EMPTY : from(this.events(visitId)).pipe(map((whole) => ({ whole })));
        }),
      );
    });
  }

  async events(visitId: string): Promise<VisitEvent[]> {
    return countingOf(await this.db.events.where('visitId').equals(visitId).toArray());
  }

  /** The same of several visits, in one look. */
  async eventsOf(visitIds: readonly string[]): Promise<ReadonlyMap<string, VisitEvent[]>> {
    const found = group(
      await this.db.events
        .where('visitId')
        .anyOf([...visitIds])
        .toArray(),
      (k) => k.visitId,
    );
    return new Map(visitIds.map((id) => [id, countingOf(found.get(id) ?? [])]));
  }

  /**
   * Adds entries of this device, stamped after everything it has made or seen, in any tab and before any restart: all of them or none. Resolves
   * when they are on the disk.
   * @param make the entries of one visit, after the stamp that was last
   */
  async add(make: (last: Stamp | undefined) => readonly VisitEvent[]): Promise<void> {
    const made = await this.db.transaction('rw', this.db.events, this.db.stamps, async () => {
      const last = (await this.db.stamps.get('stamp'))?.stamp;
      const made = make(last);
      await this.db.events.bulkAdd(made.map((event) => ({ id: event.id, visitId: event.visitId, event, sent: 0 as const })));
      const latest = made.at(-1);
      if (latest) await this.db.stamps.put({ key: 'stamp', stamp: latest.stamp });
      return made;
    });
    const [first] = made;
    if (!first) return;
    this.grownHere.next({ visitId: first.visitId, more: made });
    this.tabs.tell(first.visitId);
  }

  /** Takes in events that the server has, and how far its log had come. */
  async merge(visitId: string, events: readonly VisitEvent[], cursor?: number): Promise<void> {
    const foreign = await this.db.transaction('rw', this.db.events, this.db.stamps, this.db.cursors, async () => {
      if (cursor !== undefined && cursor > ((await this.db.cursors.get(visitId))?.cursor ?? 0))
        await this.db.cursors.put({ visitId, cursor });
      if (events.length === 0) return false;
      const known = await this.db.events.bulkGet(events.map((e) => e.id));
      const news = events.filter((e, i) => known[i]?.sent !== 1 || known[i]?.event.timed !== e.timed);
      if (news.length === 0) return false;
      await this.db.events.bulkPut(news.map((event) => ({ id: event.id, visitId: event.visitId, event, sent: 1 as const })));
      let last = (await this.db.stamps.get('stamp'))?.stamp;
      for (const e of news) last = laterStamp(last, e.stamp);
      if (last) await this.db.stamps.put({ key: 'stamp', stamp: last });
      // What this device recorded itself is shown already.
      return events.some((e, i) => known[i] === undefined || known[i]?.event.timed !== e.timed);
    });
    if (foreign) this.tell(visitId);
  }

  /** How far the server's log of a visit is known here. */
  async cursorOf(visitId: string): Promise<number> {
    return (await this.db.cursors.get(visitId))?.cursor ?? 0;
  }

  /** The server put the time of entries right: they are kept as it has them, and its stamps are what this device goes on from. */
  async retime(events: readonly VisitEvent[]): Promise<void> {
    const [first] = events;
    if (!first) return;
    await this.db.transaction('rw', this.db.events, this.db.stamps, async () => {
      for (const event of events) await this.db.events.update(event.id, { event });
      await this.db.stamps.put({ key: 'stamp', stamp: events.map((e) => e.stamp).reduce((a, b) => laterStamp(a, b)) });
    });
    this.tell(first.visitId);
  }

  /** What was only read goes with whoever signs out; what waits for the server stays. */
  async forgetWhatWasRead(): Promise<void> {
    await this.db.transaction('rw', this.db.events, this.db.answers, this.db.cursors, async () => {
      await this.db.events.where('sent').equals(1).delete();
      await this.db.answers.clear();
      await this.db.cursors.clear();
    });
  }

  /** A visit has changed here. */
  tell(visitId: string): void {
    this.grownHere.next({ visitId });
    this.tabs.tell(visitId);
  }

  /** Whether something of a visit is not at the server yet. */
  async waits(visitId: string): Promise<boolean> {
    return (await this.db.events.where('[visitId+sent]').equals([visitId, 0]).count()) > 0;
  }

  /** Visits of which something is kept here. */
  async visitIds(): Promise<string[]> {
    return (await this.db.events.orderBy('visitId').uniqueKeys()).filter((id) => typeof id === 'string');
  }
}

/** Events that count, in the shape of today, whatever version of the page kept them. What the server refused was done all the same: it counts until somebody lets it go. */
function countingOf(kept: readonly KeptEvent[]): VisitEvent[] {
  return kept.flatMap((k): VisitEvent[] => {
    if (k.sent === 3) return [];
    const read = readEvent(k.event);
    return read.ok ? [read.event] : [];
  });
}
