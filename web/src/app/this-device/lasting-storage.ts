import { Injectable, InjectionToken, inject, signal } from '@angular/core';

/** The part of the browser's storage that is asked. Specs give their own. */
export const STORAGE = new InjectionToken<Pick<StorageManager, 'persist' | 'persisted' | 'estimate'> | undefined>('storage', {
  providedIn: 'root',
  factory: () => ('storage' in navigator && 'persist' in navigator.storage ? navigator.storage : undefined),
});

/** Below this much room it is said, bytes: some hundred pictures, or years of entries. Our default. */
const LITTLE_ROOM = 50_000_000;

/** Asks the browser not to clear what is kept here, and looks whether there is room for more. */
@Injectable({ providedIn: 'root' })
export class LastingStorage {
  private readonly storage = inject(STORAGE);
  private readonly may = signal<'asked' | 'lasts' | 'may_go'>('asked');
  private readonly room = signal<number | undefined>(undefined);
  /** Whether what is kept stays: a browser may clear it when the device runs full, unless it has promised. */
  readonly lasts = this.may.asReadonly();
  /** Megabytes left where that is little. */
  readonly littleRoomMb = this.room.asReadonly();

  async ask(): Promise<void> {
    const { storage } = this;
    if (!storage) return this.may.set('may_go');
    this.may.set((await storage.persisted()) || (await storage.persist()) ? 'lasts' : 'may_go');
    const { quota = 0, usage = 0 } = await storage.estimate();
    this.room.set(quota - usage < LITTLE_ROOM ? Math.max(0, Math.round((quota - usage) / 1_000_000)) : undefined);
  }
}
