import { DestroyRef, Injectable, InjectionToken, inject, signal } from '@angular/core';

/** Where the time comes from, Unix ms. Specs give their own. */
export const NOW = new InjectionToken<() => number>('now', { providedIn: 'root', factory: () => () => Date.now() });

/** The time, once a second. */
@Injectable({ providedIn: 'root' })
export class ClockService {
  readonly now = inject(NOW);
  private readonly ticking = signal(this.now());
  readonly nowMs = this.ticking.asReadonly();

  constructor() {
    const ticks = setInterval(() => this.ticking.set(this.now()), 1000);
    inject(DestroyRef).onDestroy(() => clearInterval(ticks));
  }

  /** The time of day in the salon's time, `HH:MM`. */
  timeOfDay(): string {
    const d = new Date(this.now());
    return `${String(d.getHours()).padStart(2, '0')}:${String(d.getMinutes()).padStart(2, '0')}`;
  }

  /** Today, ISO, in the salon's time. */
  today(): string {
    const d = new Date(this.now());
    return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
  }
}
