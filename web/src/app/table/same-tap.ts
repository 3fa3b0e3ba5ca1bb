import { DestroyRef, Injectable, InjectionToken, inject, signal } from '@angular/core';

/** Time that only goes on, ms, whatever is set on the device. Specs give their own. */
export const TAP_CLOCK = new InjectionToken<() => number>('tap clock', { providedIn: 'root', factory: () => () => performance.now() });

/** Two taps on the same control within so long are one: a wet hand bounces, and what is under it has changed by then. Our default. */
export const SAME_TAP_MS = 400;

/** Tells a tap from one that bounced. */
@Injectable()
export class SameTap {
  private readonly clock = inject(TAP_CLOCK);
  private readonly last = new Map<string, number>();
  private readonly resting = signal<string | undefined>(undefined);
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** The control that was tapped last, as long as another tap on it would be the same one. */
  readonly rests = this.resting.asReadonly();

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.timer));
  }

  /** Whether this is still the tap before, on the same control. */
  bounced(control: string): boolean {
    const [now, before] = [this.clock(), this.last.get(control)];
    if (before !== undefined && now - before < SAME_TAP_MS) return true;
    this.last.set(control, now);
    this.resting.set(control);
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.resting.set(undefined), SAME_TAP_MS);
    return false;
  }
}
