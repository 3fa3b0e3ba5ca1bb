import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type Message, MESSAGES } from '@mansuet/core/contract';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { MessageLine } from './message-line';
import { ApiService, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';

/** What went to owners, and how far it has come. */
@Component({
  selector: 'man-messages',
  imports: [EmptyState, MessageLine, Notice],
  template: `<div class="matter">
    <div class="body stack" tabindex="0" role="region" aria-label="Messages that went out">
      <h1>Messages</h1>
      <p class="quiet">
        Texts go to a stand-in: nothing leaves this machine, and each is a file in the outbox folder, if one is set. Mails go to the salon’s
        mail server; in the demo to a stand-in as well.
      </p>
      @for (m of messages(); track m.messageId) {
        <article class="panel">
          <man-message-line [message]="m" />
          @if (m.subject) {
            <p>
              <b>{{ m.subject }}</b>
            </p>
          }
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
      white-space: pre-line;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MessagesPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  protected readonly messages = signal<readonly Message[]>([]);
  protected readonly loaded = signal(false);
  protected readonly trouble = signal('');

  constructor() {
    void this.api.get('/messages', MESSAGES).then((answer) => {
      this.loaded.set(true);
      if (answer.ok) this.messages.set(answer.value.messages);
      else this.trouble.set(sayFailure(this.words, answer.failure));
    });
  }
}
