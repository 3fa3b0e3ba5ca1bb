import { DestroyRef, Injectable, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { auditTime, concatMap, from, tap } from 'rxjs';
import { EVENTS_ANSWER } from '@mansuet/core/contract';
import { ApiService } from '../server/api.service';
import { LiveService } from '../server/live.service';
import { DeviceLog } from './device-log';

const PULL_EVERY_MS = 100;

/** Fetches what other devices recorded, from where this one has read to, whenever a visit that is kept here has grown. */
@Injectable({ providedIn: 'root' })
export class Pull {
  private readonly api = inject(ApiService);
  private readonly log = inject(DeviceLog);

  constructor() {
    const grown = new Set<string | undefined>();
    inject(LiveService)
      .changes$.pipe(
        tap((id) => grown.add(id)),
        // A buffer by time would have a clock of its own run while nothing grows.
        auditTime(PULL_EVERY_MS),
        concatMap(() => {
          const ids = new Set(grown);
          grown.clear();
          return from(this.pullAll(ids));
        }),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe();
  }

  /** Visits that have grown; `undefined` among them stands for all, since notices may have been missed. */
  private async pullAll(grown: ReadonlySet<string | undefined>): Promise<void> {
    const kept = await this.log.visitIds();
    // Visits that nobody has opened here are not kept here.
    for (const id of kept) if (grown.has(undefined) || grown.has(id)) await this.pull(id);
  }

  private async pull(visitId: string): Promise<void> {
    const after = await this.log.cursorOf(visitId);
    const answer = await this.api.get(`/visits/${visitId}/events?after=${after}`, EVENTS_ANSWER);
    if (answer.ok) await this.log.merge(visitId, answer.value.events, answer.value.cursor);
  }
}
