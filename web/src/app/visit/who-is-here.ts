import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent } from 'rxjs';
import type { HereLine } from '@mansuet/core/contract';
import { ApiService, NOTHING } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { deviceName } from '../this-device/device-name';
import { VisitStore } from './visit-store';

const SAY_EVERY_MS = 10_000;
/** Not heard of for so long, somebody is not here any more: three times that it is said. */
const GONE_AFTER_MS = 3 * SAY_EVERY_MS;

/** Says to the other devices that this one has the open visit before it, and knows who else has. */
@Injectable()
export class WhoIsHere {
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);
  private readonly device = deviceName();
  private readonly heard = signal<ReadonlyMap<string, HereLine & { readonly atMs: number }>>(new Map());

  /** Names of people who have this visit open on another device. */
  readonly others = computed<readonly string[]>(() => {
    const here = [...this.heard().values()].filter(
      (h) => h.visitId === this.visit.visitId() && !h.leaves && this.clock.nowMs() - h.atMs < GONE_AFTER_MS,
    );
    const names = here.map((h) => this.visit.staff().find((s) => s.staffId === h.staffId)?.name);
    return [...new Set(names.filter((n) => n !== undefined))].sort();
  });

  constructor() {
    const live = inject(LiveService);
    live.here$.pipe(takeUntilDestroyed()).subscribe((h) => {
      if (h.device === this.device) return;
      const isNew = !this.heard().has(key(h));
      this.heard.update((all) => new Map([...all, [key(h), { ...h, atMs: this.clock.now() }]]));
      // Who comes later knows of this one at once.
      if (isNew && !h.leaves && h.visitId === this.visit.visitId()) this.say(h.visitId, false);
    });
    let open = '';
    effect(() => {
      const id = this.visit.visitId();
      untracked(() => {
        if (open) this.say(open, true);
        open = id;
        if (id) this.say(id, false);
      });
    });
    const again = setInterval(() => {
      if (open && !document.hidden) this.say(open, false);
    }, SAY_EVERY_MS);
    fromEvent(document, 'visibilitychange')
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        if (open) this.say(open, document.hidden);
      });
    inject(DestroyRef).onDestroy(() => {
      clearInterval(again);
      if (open) this.say(open, true);
    });
  }

  private say(visitId: string, leaves: boolean): void {
    // Nobody waits for it: without a network nobody is heard either.
    void this.api.send('POST', `/visits/${visitId}/here`, { device: this.device, leaves }, NOTHING);
  }
}

const key = (h: HereLine): string => `${h.visitId} ${h.device}`;
