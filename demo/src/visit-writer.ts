import { type EventDraft, makeEvent, type Stamp, uuidV7, type VisitEvent } from '@mansuet/core/log';
import type { Random } from './random.js';

/** Writes the events of one visit as a tablet would: ids, times and stamps in order. */
export class VisitWriter {
  readonly events: VisitEvent[] = [];
  readonly visitId: string;
  private stamp: Stamp | undefined;
  private nowMs: number;

  constructor(
    private readonly random: Random,
    startMs: number,
    private readonly by: string,
  ) {
    this.nowMs = startMs;
    this.visitId = uuidV7(startMs, random.bytes);
  }

  /** Moves the clock on. */
  wait(minutes: number): this {
    this.nowMs += Math.round(minutes * 60_000);
    return this;
  }

  at(ms: number): this {
    this.nowMs = Math.max(this.nowMs, ms);
    return this;
  }

  get now(): number {
    return this.nowMs;
  }

  id(): string {
    return uuidV7(this.nowMs, this.random.bytes);
  }

  write(draft: EventDraft): this {
    const event = makeEvent(draft, {
      visitId: this.visitId,
      by: this.by,
      device: 'tablet-1',
      nowMs: this.nowMs,
      random: this.random.bytes,
      last: this.stamp,
    });
    this.stamp = event.stamp;
    this.events.push(event);
    return this;
  }
}
