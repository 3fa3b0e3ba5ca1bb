import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NzQRCodeModule } from 'ng-zorro-antd/qr-code';
import { NEW_LINK, type NewLink, type SendAccount } from '@mansuet/core/contract';
import { ChoiceGroup } from '../controls/choice-group';
import { FormErrors } from '../controls/form-errors';
import { MessageLine } from '../messages/message-line';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { ApiService, fieldErrors, sayFailure } from '../server/api.service';
import { VisitStore } from '../visit/visit-store';
import { VisitLog } from '../visit-log/visit-log.service';
import { Words } from '../wording/words.service';
import { HandBackStore } from './hand-back-store';

/** The account goes to its owner: by mail, by text with a link, as a code to scan, as a page. */
@Component({
  selector: 'man-send-panel',
  imports: [ChoiceGroup, FormErrors, MessageLine, Notice, NzQRCodeModule, TextField],
  template: `<h2 i18n="@@send.title">For the owner</h2>
    <div class="row">
      <a class="plain" [href]="'/api/visits/' + visit.visitId() + '/account.pdf'" target="_blank" rel="noreferrer" i18n="@@send.page"
        >As a page, to print</a
      >
    </div>
    <form class="stack" [manErrors]="errors()" (submit)="$event.preventDefault(); send()" novalidate>
      <man-choice label="Send it" i18n-label="@@send.how" shown [of]="ways" [value]="way()" (chosen)="choose($event)" />
      @if (way() !== 'link') {
        <man-text
          [label]="way() === 'mail' ? addressLabel : numberLabel"
          name="sendTo"
          path="to"
          [type]="way() === 'mail' ? 'email' : 'tel'"
          [value]="to()"
          (typed)="typed.set($event)"
        />
      }
      <div class="row">
        <button type="submit" class="plain" [disabled]="busy()">
          @if (busy()) {
            <span i18n="@@send.sending">Sending …</span>
          } @else {
            <span i18n="@@send.send">Send it to {{ name() }}</span>
          }
        </button>
      </div>
    </form>
    @if (made(); as m) {
      <div class="made">
        <nz-qrcode
          [nzValue]="m.url"
          [nzSize]="132"
          [nzBordered]="false"
          role="img"
          aria-label="Code with the link, to scan"
          i18n-aria-label="@@send.code"
        />
        <div>
          <p class="small">{{ m.message }}</p>
          <a class="plain tiny" [href]="m.url" target="_blank" rel="noreferrer" i18n="@@send.open">Open it here</a>
        </div>
      </div>
    }
    @for (m of store.after()?.messages ?? []; track m.messageId) {
      <man-message-line [message]="m" />
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />`,
  styles: `
    .made {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 12px;
      align-items: center;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SendPanel {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly log = inject(VisitLog);
  protected readonly visit = inject(VisitStore);
  protected readonly store = inject(HandBackStore);
  protected readonly ways: readonly { value: SendAccount['way']; label: string }[] = [
    { value: 'mail', label: $localize`:@@send.mail:By mail` },
    { value: 'text', label: $localize`:@@send.text:By text message` },
    { value: 'link', label: $localize`:@@send.link:A code to scan` },
  ];
  protected readonly addressLabel = $localize`:@@send.address:Address`;
  protected readonly numberLabel = $localize`:@@send.number:Number`;
  private readonly owner = computed(() => this.visit.context()?.file.owner);
  protected readonly chosen = signal<SendAccount['way'] | undefined>(undefined);
  protected readonly way = computed(() => this.chosen() ?? (this.owner()?.email ? 'mail' : 'text'));
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly to = computed(() => this.typed() ?? (this.way() === 'mail' ? this.owner()?.email : this.owner()?.phone) ?? '');
  protected readonly name = computed(() => this.visit.state().handedBack?.toldTo ?? this.owner()?.name ?? '');
  protected readonly made = signal<NewLink | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());

  protected choose(way: SendAccount['way']): void {
    this.chosen.set(way);
    this.typed.set(undefined);
  }
  protected async send(): Promise<void> {
    const body: SendAccount = { way: this.way(), toName: this.name() || '–', to: this.way() === 'link' ? '' : this.to() };
    this.busy.set(true);
    // What is told is what the server has kept: that the dog was handed back may just be on its way.
    await this.log.arrived(this.visit.visitId());
    const answer = await this.api.send('POST', `/visits/${this.visit.visitId()}/account/sent`, body, NEW_LINK);
    this.busy.set(false);
    this.errors.set(answer.ok ? new Map() : fieldErrors(this.words, answer.failure));
    this.trouble.set(answer.ok || this.errors().size > 0 ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok) this.made.set(answer.value);
    await this.store.look();
  }
}
