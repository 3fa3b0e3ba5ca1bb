import { Injectable, signal } from '@angular/core';

/** The time, once a second. Tests replace it. */
@Injectable({ providedIn: 'root' })
export class ClockService {
  private readonly ticking = signal(Date.now());
  readonly nowMs = this.ticking.asReadonly();

  constructor() {
    setInterval(() => this.ticking.set(Date.now()), 1000);
  }

  now(): number {
    return Date.now();
  }

  /** Today, ISO, in the salon's time. */
  today(): string {
    const d = new Date(this.now());
    return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
  }
}
