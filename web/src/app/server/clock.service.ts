import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { clockOf, dayOf, type Zone } from '@mansuet/core/days';
import { DeviceClock } from './device-clock';

/** The salon's time, once a second: what this device's clock is off by is put right, and days and hours are those of the salon's place. */
@Injectable({ providedIn: 'root' })
export class ClockService {
  readonly now = inject(DeviceClock).now;
  private readonly ticking = signal(this.now());
  readonly nowMs = this.ticking.asReadonly();
  /** Where the salon is; the session says so. Until then where this device is. */
  readonly zone = signal<Zone>(Intl.DateTimeFormat().resolvedOptions().timeZone);

  constructor() {
    const ticks = setInterval(() => this.ticking.set(this.now()), 1000);
    inject(DestroyRef).onDestroy(() => clearInterval(ticks));
  }

  /** The time of day in the salon, `HH:MM`, now or at a moment. */
  timeOfDay(moment: string | number = this.now()): string {
    return clockOf(moment, this.zone());
  }

  /** Today in the salon, ISO. */
  today(): string {
    return this.dayOf(this.now());
  }

  /** The day in the salon that a moment belongs to, ISO. */
  dayOf(moment: string | number): string {
    return dayOf(moment, this.zone());
  }
}
