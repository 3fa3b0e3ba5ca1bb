import { LiveAnnouncer } from '@angular/cdk/a11y';
import { Injectable, inject } from '@angular/core';

/** Says to who cannot see it what has changed on the screen. */
@Injectable({ providedIn: 'root' })
export class Announcer {
  private readonly live = inject(LiveAnnouncer);

  /** @param now at once, over what is being read; otherwise when there is time */
  say(text: string, now = false): void {
    if (text !== '') void this.live.announce(text, now ? 'assertive' : 'polite');
  }
}
