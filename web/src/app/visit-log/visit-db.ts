import { InjectionToken } from '@angular/core';
import Dexie, { type EntityTable, type Table } from 'dexie';
import type { Photo } from '@mansuet/core/contract';
import type { Stamp, VisitEvent } from '@mansuet/core/log';
import type { ZoneId } from '@mansuet/core/words';

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
  /** What it was when it was fetched: fetched again when that is another. */
  readonly tag?: string | undefined;
  /** Unix ms. */
  readonly at?: number | undefined;
}
/** How far a visit's log at the server is known here. */
export interface KeptCursor {
  readonly visitId: string;
  readonly cursor: number;
}
/** The latest stamp that this device made or saw, whichever tab it was. */
export interface KeptStamp {
  readonly key: 'stamp';
  readonly stamp: Stamp;
}

/** A person's right to send entries from this device, its secret encrypted with the ring's key. */
export interface KeptGrant {
  readonly staffId: string;
  readonly grantId: string;
  readonly iv: Uint8Array<ArrayBuffer>;
  readonly box: ArrayBuffer;
}
/** What opens the rights on this device: a key that the browser gives nobody, or what a PIN and this become together. */
export type KeptRing =
  | { readonly key: 'ring'; readonly cryptoKey: CryptoKey }
  | {
      readonly key: 'ring';
      readonly salt: Uint8Array<ArrayBuffer>;
      readonly iv: Uint8Array<ArrayBuffer>;
      /** A known word under the key: a wrong PIN does not open it. */
      readonly check: ArrayBuffer;
      /** Wrong PINs so far. */
      readonly tries: number;
    };

/** A photograph that waits for the server. */
export interface KeptPicture {
  readonly photoId: string;
  readonly visitId: string;
  readonly dogId: string;
  readonly kind: Photo['kind'];
  readonly zone: ZoneId | null;
  readonly picture: Blob;
  /** Why the server did not take it. */
  readonly refusedWhy?: string | undefined;
}

/** What the browser keeps: events and the answers that the table needs with the network off. */
export class VisitDb extends Dexie {
  declare readonly events: EntityTable<KeptEvent, 'id'>;
  declare readonly answers: EntityTable<KeptAnswer, 'key'>;
  declare readonly cursors: EntityTable<KeptCursor, 'visitId'>;
  declare readonly stamps: EntityTable<KeptStamp, 'key'>;
  declare readonly grants: EntityTable<KeptGrant, 'staffId'>;
  declare readonly pictures: EntityTable<KeptPicture, 'photoId'>;
  // A union has no one shape to insert.
  declare readonly rings: Table<KeptRing, string>;

  constructor(name = 'mansuet') {
    // What is told to be kept is on the disk, not on its way there.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, visitId, sent, [visitId+sent]', answers: 'key' });
    this.version(2).stores({ cursors: 'visitId', stamps: 'key', grants: 'staffId', rings: 'key' });
    this.version(3).stores({ pictures: 'photoId' });
  }
}

export const VISIT_DB = new InjectionToken<VisitDb>('visit db', { providedIn: 'root', factory: () => new VisitDb() });
