import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type Message, MESSAGES } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { ApiService, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';

/** What the stand-in for text messages has "sent". */
@Component({
  selector: 'man-messages',
  imports: [EmptyState, Notice],
  template: `<div class="matter">
    <div class="body stack">
      <h1>Messages</h1>
      <p class="quiet">A stand-in: nothing leaves this machine. Each message is also a file in the outbox folder, if one is set.</p>
      @for (m of messages(); track m.messageId) {
        <article class="panel">
          <p>
            <b>{{ m.to }}</b> {{ m.phone }} <span class="quiet small">{{ when(m.sentAt) }}</span>
          </p>
          <p class="text">{{ m.text }}</p>
        </article>
      } @empty {
        @if (loaded()) {
          <man-empty class="panel" says="No message yet. A link for an owner makes one." />
        }
      }
      <man-notice kind="warn" live="alert" [says]="trouble()" />
    </div>
  </div>`,
  styles: `
    .text {
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MessagesPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  protected readonly messages = signal<readonly Message[]>([]);
  protected readonly loaded = signal(false);
  protected readonly trouble = signal('');
  protected readonly when = (iso: string): string =>
    new Date(iso).toLocaleString('en-GB', {
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
      timeZone: this.clock.zone(),
    });

  constructor() {
    void this.api.get('/messages', MESSAGES).then((answer) => {
      this.loaded.set(true);
      if (answer.ok) this.messages.set(answer.value.messages);
      else this.trouble.set(sayFailure(this.words, answer.failure));
    });
  }
}
