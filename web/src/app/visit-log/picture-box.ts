import { Injectable, type OnDestroy, effect, inject, signal, untracked } from '@angular/core';
import { liveQuery } from 'dexie';
import { NEW_ID } from '@mansuet/core/contract';
import { ApiService, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';
import { Outbox } from './outbox';
import { type KeptPicture, VISIT_DB } from './visit-db';

const AGAIN_MS = 30_000;

/**
 * Pictures from the table, kept on this device until the server has them, as entries are. The entry that names a picture goes its own way; the
 * picture carries the same id, so that sending it twice keeps it once.
 */
@Injectable({ providedIn: 'root' })
export class PictureBox implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly words = inject(Words);
  private readonly db = inject(VISIT_DB);
  private readonly outbox = inject(Outbox);
  private sending: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** Those that wait here, in whatever tab they were taken. */
  readonly waiting = signal<readonly KeptPicture[]>([]);
  private readonly heard = liveQuery(() => this.db.pictures.toArray()).subscribe({
    next: (kept) => this.waiting.set(kept),
    error: () => this.waiting.set([]),
  });

  constructor() {
    // Entries get through: so will pictures.
    effect(() => {
      if (this.outbox.status() === 'saved') untracked(() => void this.flush());
    });
  }
  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.heard.unsubscribe();
  }

  /** Keeps a picture on the disk of this device, and sends it when it can. @throws what the storage says when there is no room */
  async keep(picture: KeptPicture): Promise<void> {
    await this.db.pictures.put(picture);
    void this.flush();
  }

  /** Sends what waits and was not refused. One run at a time. */
  flush(): Promise<void> {
    return (this.sending ??= this.sendAll().finally(() => (this.sending = undefined)));
  }

  /** One that was refused is offered again, or let go. */
  async again(photoId: string): Promise<void> {
    await this.db.pictures.update(photoId, { refusedWhy: undefined });
    await this.flush();
  }
  async letGo(photoId: string): Promise<void> {
    await this.db.pictures.delete(photoId);
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer);
    for (const picture of await this.db.pictures.toArray()) {
      if (picture.refusedWhy !== undefined) continue;
      const form = new FormData();
      form.append('photoId', picture.photoId);
      form.append('kind', picture.kind);
      form.append('visitId', picture.visitId);
      if (picture.zone) form.append('zone', picture.zone);
      form.append('picture', picture.picture, 'picture');
      const answer = await this.api.send('POST', `/dogs/${picture.dogId}/photos`, form, NEW_ID);
      if (answer.ok) await this.db.pictures.delete(picture.photoId);
      else if (answer.failure.kind === 'refused' && !['signed_out', 'csrf'].includes(answer.failure.problem.code))
        await this.db.pictures.update(picture.photoId, { refusedWhy: sayFailure(this.words, answer.failure) });
      else {
        this.timer = setTimeout(() => void this.flush(), AGAIN_MS);
        return;
      }
    }
  }
}
