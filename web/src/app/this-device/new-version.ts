import { DestroyRef, Injectable, InjectionToken, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter, fromEvent, merge, throttleTime, timer } from 'rxjs';

/** Loads the page anew. Specs give their own. */
export const RELOAD = new InjectionToken<() => void>('reload', { providedIn: 'root', factory: () => () => window.location.reload() });

const LOOK_EVERY_MS = 30 * 60_000;

/** Whether a newer version of the page is on this device. It never takes over by itself: whoever works decides when, and not during a visit. */
@Injectable({ providedIn: 'root' })
export class NewVersion {
  private readonly updates = inject(SwUpdate, { optional: true });
  private readonly reload = inject(RELOAD);
  private readonly isReady = signal(false);
  private readonly isBroken = signal(false);
  readonly ready = this.isReady.asReadonly();
  /** Parts of this version are gone from the device, and the server no longer has them: only loading it anew helps. */
  readonly broken = this.isBroken.asReadonly();

  constructor() {
    const { updates } = this;
    if (!updates?.isEnabled) return;
    const until = takeUntilDestroyed<unknown>(inject(DestroyRef));
    updates.versionUpdates
      .pipe(
        filter((e) => e.type === 'VERSION_READY'),
        until,
      )
      .subscribe(() => this.isReady.set(true));
    updates.unrecoverable.pipe(until).subscribe(() => this.isBroken.set(true));
    merge(timer(LOOK_EVERY_MS, LOOK_EVERY_MS), fromEvent(document, 'visibilitychange'), fromEvent(window, 'online'))
      .pipe(throttleTime(60_000), until)
      // Without a network there is nothing newer to find.
      .subscribe(() => void updates.checkForUpdate().catch(() => false));
  }

  /** Goes on with the newer version. What was entered is on this device, whatever the version. */
  async take(): Promise<void> {
    if (this.isReady()) await this.updates?.activateUpdate();
    this.reload();
  }
}
