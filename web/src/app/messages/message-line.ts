import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Message, MessageState } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';

/** How far a message has come, in words. */
export const MESSAGE_STATE_WORDS: Readonly<Record<MessageState, string>> = {
  waiting: $localize`:@@message.waiting:waits, and is tried again by itself`,
  sending: $localize`:@@message.sending:is being handed over`,
  sent: $localize`:@@message.sent:sent`,
  unsure: $localize`:@@message.unsure:may have arrived: ask before you send it again`,
  given_up: $localize`:@@message.givenUp:was not taken for two days, and is not tried again`,
};

/** One message: to whom, when, how far it has come, and why not further. */
@Component({
  selector: 'man-message-line',
  template: `<p class="small">
    <b>{{ message().to }}</b> {{ message().phone }}, {{ when() }}: <b [class]="message().state">{{ state() }}</b>
    @if (message().trouble) {
      <span class="quiet">{{ message().trouble }}</span>
    }
  </p>`,
  styles: `
    p {
      overflow-wrap: anywhere;
    }
    .unsure,
    .given_up {
      color: var(--stop);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MessageLine {
  private readonly clock = inject(ClockService);
  readonly message = input.required<Message>();
  protected readonly state = computed(() => MESSAGE_STATE_WORDS[this.message().state]);
  protected readonly when = computed(() => this.clock.sayMoment(this.message().sentAt));
}
