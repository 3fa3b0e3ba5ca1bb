import { InjectionToken } from '@angular/core';
import Dexie, { type EntityTable } from 'dexie';
import type { VisitEvent } from '@mansuet/core/log';

export interface KeptEvent {
  readonly id: string;
  readonly visitId: string;
  readonly event: VisitEvent;
  /** 0 waits for the server, 1 is stored there, 2 was refused, 3 was refused and let go. Numbers, because IndexedDB indexes no booleans. */
  readonly sent: 0 | 1 | 2 | 3;
  readonly refusedWhy?: string;
}
export interface KeptAnswer {
  readonly key: string;
  readonly value: unknown;
}

/** What the browser keeps: events and the answers that the table needs with the network off. */
export class VisitDb extends Dexie {
  declare readonly events: EntityTable<KeptEvent, 'id'>;
  declare readonly answers: EntityTable<KeptAnswer, 'key'>;

  constructor(name = 'mansuet') {
    super(name);
    this.version(1).stores({ events: 'id, visitId, sent, [visitId+sent]', answers: 'key' });
  }
}

export const VISIT_DB = new InjectionToken<VisitDb>('visit db', { providedIn: 'root', factory: () => new VisitDb() });
