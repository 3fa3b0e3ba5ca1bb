import type { Reading } from '@mansuet/core/visit';

/** A visit as this process last left it: read on from here, where nobody else has added to it in a way that needs all of it anew. */
export interface KeptVisit {
  readonly reading: Reading;
  /** How far the log had been read. */
  readonly cursor: number;
  /** What was last written of it to each table. */
  readonly written: ReadonlyMap<string, string>;
}

/** Visits that a salon of some tables has open at a time; the one that rested longest goes first. Our default. */
const MOST = 200;

/**
 * Visits that are being worked on, so that a tap costs what is new and not the whole log. It holds nothing that cannot be read again:
 * another process, a restart or a transaction that came to nothing only make the next tap slower.
 */
export class KeptVisits {
  private readonly kept = new Map<string, { readonly cursor: number; readonly visit: KeptVisit | undefined }>();

  /** How far this process has read its log, also while somebody else reads it on; 0 for one that it does not keep. */
  cursorOf(salonId: string, visitId: string): number {
    return this.kept.get(keyOf(salonId, visitId))?.cursor ?? 0;
  }

  /** Takes it out: until it is put back after the commit, nobody else reads it on. */
  take(salonId: string, visitId: string): KeptVisit | undefined {
    const key = keyOf(salonId, visitId);
    const kept = this.kept.get(key);
    if (kept) this.kept.set(key, { cursor: kept.cursor, visit: undefined });
    return kept?.visit;
  }

  /** After the commit. */
  put(salonId: string, visitId: string, visit: KeptVisit): void {
    const key = keyOf(salonId, visitId);
    // The one that rested longest stands first.
    this.kept.delete(key);
    this.kept.set(key, { cursor: visit.cursor, visit });
    for (const oldest of this.kept.keys()) {
      if (this.kept.size <= MOST) return;
      this.kept.delete(oldest);
    }
  }
}

const keyOf = (salonId: string, visitId: string): string => `${salonId} ${visitId}`;
