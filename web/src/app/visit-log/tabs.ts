import { DestroyRef, Injectable, InjectionToken, inject } from '@angular/core';
import { Subject } from 'rxjs';

/** A channel between the tabs of one device; none where the browser has none. Specs give their own. */
export const TAB_CHANNEL = new InjectionToken<BroadcastChannel | undefined>('tab channel', {
  providedIn: 'root',
  factory: () => (typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('mansuet.log')),
});

/** Says to the other tabs of this device that a visit has grown, and hears it from them: they share one store, and show the same. */
@Injectable({ providedIn: 'root' })
export class Tabs {
  private readonly channel = inject(TAB_CHANNEL);
  private readonly heard = new Subject<string>();
  private isClosed = false;
  /** Visits that grew in another tab. */
  readonly grown$ = this.heard.asObservable();

  constructor() {
    this.channel?.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      if (typeof data === 'string') this.heard.next(data);
    });
    inject(DestroyRef).onDestroy(() => {
      this.isClosed = true;
      this.channel?.close();
    });
  }

  tell(visitId: string): void {
    // An answer may come after the page has gone.
    if (!this.isClosed) this.channel?.postMessage(visitId);
  }
}
