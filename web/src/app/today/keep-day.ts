import { Injectable, effect, inject, signal } from '@angular/core';
import { type TodayVisit, VISIT_CONTEXT } from '@mansuet/core/contract';
import { ApiService } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { DeviceLog } from '../visit-log/device-log';
import { type KeptAnswer, VISIT_DB } from '../visit-log/visit-db';
import { TodayService } from './today.service';

/** What is kept of a dog is fetched anew after so long, ms: rates and prices of the salon change under it. Our default. */
const FRESH_MS = 30 * 60_000;
/** Under this key a visit's file is kept. */
export const contextKey = (visitId: string): string => `visit:${visitId}`;

/** Keeps the file, plan and record of every dog of today on this device, so that each can be worked with when the network is gone. */
@Injectable({ providedIn: 'root' })
export class KeepDay {
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly db = inject(VISIT_DB);
  private readonly log = inject(DeviceLog);
  private readonly day = inject(TodayService);
  /** What each of them was when it was kept. */
  private readonly known = new Map<string, Pick<KeptAnswer, 'tag' | 'at'>>();
  /** How many files were taken in since this page was opened: whoever reads them looks again. */
  readonly taken = signal(0);
  /** How often all of them were asked for: what is not here by then does not come by itself. */
  readonly rounds = signal(0);
  private keeping: Promise<void> | undefined;
  private again = false;

  constructor() {
    effect(() => {
      if (this.day.today()) void this.keep();
    });
  }

  /** One visit after the other, and what changed meanwhile after that. */
  private keep(): Promise<void> {
    this.again = this.keeping !== undefined;
    return (this.keeping ??= this.keepAll().finally(() => {
      this.keeping = undefined;
      this.rounds.update((n) => n + 1);
      if (this.again) void this.keep();
    }));
  }

  private async keepAll(): Promise<void> {
    // Keys alone: what is kept of a dog is large, and a tap at the table comes by here.
    const onDisk = new Set(await this.db.answers.where(':id').startsWith(contextKey('')).primaryKeys());
    for (const visit of this.day.today()?.visits ?? []) if (!(await this.isFresh(visit, onDisk)) && !(await this.keepOne(visit))) return;
  }

  private async isFresh({ visitId, tag }: TodayVisit, onDisk: ReadonlySet<string>): Promise<boolean> {
    const key = contextKey(visitId);
    if (!onDisk.has(key)) return false;
    const kept = this.known.get(key) ?? (await this.db.answers.get(key));
    if (kept) this.known.set(key, { tag: kept.tag, at: kept.at });
    return kept !== undefined && kept.tag === tag && this.clock.now() - (kept.at ?? 0) < FRESH_MS;
  }

  /** @returns whether the next one is worth asking for */
  private async keepOne({ visitId, tag }: TodayVisit): Promise<boolean> {
    const answer = await this.api.get(`/visits/${visitId}`, VISIT_CONTEXT);
    // One that the server does not give holds up no other; without a server none is asked for.
    if (!answer.ok) return answer.failure.kind !== 'offline';
    const at = this.clock.now();
    await this.db.answers.put({ key: contextKey(visitId), value: answer.value, tag, at });
    this.known.set(contextKey(visitId), { tag, at });
    this.taken.update((n) => n + 1);
    await this.log.merge(visitId, answer.value.events, answer.value.cursor);
    return true;
  }
}
