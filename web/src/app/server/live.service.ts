import { Injectable, InjectionToken, inject } from '@angular/core';
import { Observable, Subject, share } from 'rxjs';
import { HERE_LINE, type HereLine, LIVE_LINE } from '@mansuet/core/contract';

/** Opens a stream of server-sent events. Specs give their own. */
export const OPEN_STREAM = new InjectionToken<(path: string) => EventSource>('open stream', {
  providedIn: 'root',
  factory: () => (path) => new EventSource(path),
});

const AGAIN_FROM_MS = 1000;
const AGAIN_TO_MS = 30_000;

/** Which visit has grown on the server; `undefined` says that notices may have been missed and everything is worth a look. */
@Injectable({ providedIn: 'root' })
export class LiveService {
  private readonly open = inject(OPEN_STREAM);
  private readonly heres = new Subject<HereLine>();
  /** Who has a visit open on which device, as they say it; heard while somebody listens for changes. */
  readonly here$ = this.heres.asObservable();

  readonly changes$ = new Observable<string | undefined>((out) => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let waitMs = AGAIN_FROM_MS;
    let opened = false;
    const listen = (): void => {
      const stream = this.open('/api/live');
      source = stream;
      stream.addEventListener('open', () => {
        waitMs = AGAIN_FROM_MS;
        // What was said while it was closed is not repeated.
        if (opened) out.next(undefined);
        opened = true;
      });
      stream.addEventListener('again', () => out.next(undefined));
      stream.addEventListener('visit', (message: MessageEvent<string>) => {
        const line = LIVE_LINE.safeParse(JSON.parse(message.data));
        if (line.success) out.next(line.data.visitId);
      });
      stream.addEventListener('here', (message: MessageEvent<string>) => {
        const line = HERE_LINE.safeParse(JSON.parse(message.data));
        if (line.success) this.heres.next(line.data);
      });
      stream.addEventListener('error', () => {
        // The browser comes back by itself after a cut; an answer that is no stream, from a proxy or after a sign-in ended, it takes for the end.
        if (stream.readyState !== stream.CLOSED) return;
        again = setTimeout(() => {
          // Until the stream is there, it is asked for what is new as often as the stream is tried.
          if (opened) out.next(undefined);
          listen();
        }, waitMs);
        waitMs = Math.min(AGAIN_TO_MS, 2 * waitMs);
      });
    };
    listen();
    return () => {
      clearTimeout(again);
      source?.close();
    };
  }).pipe(share());
}
