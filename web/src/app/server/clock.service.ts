import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { clockOf, type DateLength, dayOf, type Zone } from '@mansuet/core/days';
import { DeviceClock } from './device-clock';
import { clockTime, dateOf } from '../wording/formats';

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

  /** The same as this salon writes it: for reading, not for fields. */
  sayTime(moment: string | number = this.now()): string {
    return clockTime(this.timeOfDay(moment));
  }

  /** A moment with its day, as lists have it. */
  sayMoment(moment: string | number, length: DateLength = 'weekday_short'): string {
    return `${dateOf(this.dayOf(moment), length)}, ${this.sayTime(moment)}`;
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
