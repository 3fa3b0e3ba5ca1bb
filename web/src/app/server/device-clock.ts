import { Injectable, inject } from '@angular/core';
import { NOW } from './now';

/** One look at the server's clock. */
export interface ClockLook {
  /** The server's clock less this device's, ms. */
  readonly offsetMs: number;
  /** How far off that may be: half of the way there and back, ms. */
  readonly withinMs: number;
  /** When, by this device, Unix ms. */
  readonly atMs: number;
}

/** Clocks that differ by less are left alone: nobody times a dog more closely, and nothing jumps. Our default. */
const LEFT_ALONE_MS = 1000;
/** A look counts for so long against a wider one, ms: a device's clock drifts by less than a second a day, and is set by hand now and then. */
const COUNTS_FOR_MS = 10 * 60_000;
const KEY = 'mansuet.clock';

/** What this device's clock is off by, measured with every answer of the server and kept for when there is none. */
@Injectable({ providedIn: 'root' })
export class DeviceClock {
  private readonly device = inject(NOW);
  private best: ClockLook | undefined = kept();

  /** The salon's time as far as this device knows it, Unix ms. */
  readonly now = (): number => this.device() + this.offsetMs();

  /** What is added to this device's clock; nothing where that is about right. */
  offsetMs(): number {
    return this.best && Math.abs(this.best.offsetMs) > LEFT_ALONE_MS ? Math.round(this.best.offsetMs) : 0;
  }

  /** @param serverMs what the server's clock showed between asking and answer, both by this device's clock, Unix ms */
  look(askedMs: number, serverMs: number, answeredMs: number): void {
    const look = { offsetMs: serverMs - (askedMs + answeredMs) / 2, withinMs: Math.max(1, (answeredMs - askedMs) / 2), atMs: answeredMs };
    if (!better(look, this.best)) return;
    this.best = look;
    try {
      localStorage.setItem(KEY, JSON.stringify(look));
    } catch {
      // A device that keeps nothing measures again.
    }
  }
}

/** A closer look counts, one after which the clock was set, and one when the last is long ago. */
function better(look: ClockLook, best: ClockLook | undefined): boolean {
  if (!best || look.withinMs <= best.withinMs) return true;
  const wasSet = Math.abs(look.offsetMs - best.offsetMs) > look.withinMs + best.withinMs;
  return wasSet || Math.abs(look.atMs - best.atMs) > COUNTS_FOR_MS;
}

function kept(): ClockLook | undefined {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    if (typeof read !== 'object' || read === null) return undefined;
    const number = (key: keyof ClockLook): number => Number(Reflect.get(read, key));
    const look = { offsetMs: number('offsetMs'), withinMs: number('withinMs'), atMs: number('atMs') };
    return Object.values(look).every(Number.isFinite) ? look : undefined;
  } catch {
    return undefined;
  }
}
