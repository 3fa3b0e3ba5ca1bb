import { Injectable } from '@angular/core';
import { Observable, share } from 'rxjs';
import { LIVE_LINE } from '@mansuet/core/contract';

/** Which visit has grown on the server; `undefined` says that notices may have been missed and everything is worth a look. */
@Injectable({ providedIn: 'root' })
export class LiveService {
  readonly changes$ = new Observable<string | undefined>((out) => {
    const source = new EventSource('/api/live');
    let opened = false;
    source.addEventListener('open', () => {
      // The browser reconnects by itself; what was said in between is not repeated.
      if (opened) out.next(undefined);
      opened = true;
    });
    source.addEventListener('again', () => out.next(undefined));
    source.addEventListener('visit', (message: MessageEvent<string>) => {
      const line = LIVE_LINE.safeParse(JSON.parse(message.data));
      if (line.success) out.next(line.data.visitId);
    });
    return () => source.close();
  }).pipe(share());
}
