import { Injectable, inject, signal } from '@angular/core';
import type { EventDraft } from '@mansuet/core/log';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';

/** Writes what a tap says, and says so once it is durable. */
@Injectable()
export class Recorder {
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);
  /** What was last recorded, and when. */
  readonly lastEntry = signal('');

  /**
   * Records, with what goes before it at the same stroke.
   * @returns whether it is kept; the frame says why when it is not
   */
  async record(draft: EventDraft, says: string, ...before: readonly EventDraft[]): Promise<boolean> {
    const [first = draft, ...more] = [...before, draft];
    if (!(await this.visit.record(first, ...more))) return false;
    this.say(`${says}, ${new Date(this.clock.now()).toLocaleTimeString('en-GB', { timeZone: this.clock.zone() })}`);
    return true;
  }

  say(says: string): void {
    this.lastEntry.set(says);
  }
}
