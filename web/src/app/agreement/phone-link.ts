import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzQRCodeModule } from 'ng-zorro-antd/qr-code';
import { type AgreementOffer, NEW_LINK, type NewLink, OWNER_LINKS, type OwnerLink } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { ApiService, NOTHING, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';

const STATE_WORDS: Readonly<Record<OwnerLink['state'], string>> = {
  open: 'waits for an answer',
  answered: 'answered',
  reviewed: 'answered',
  set_aside: 'set aside',
  taken_back: 'taken back',
  expired: 'run out',
};

/** The agreement on the owner's own phone: a link that works once, as a code to scan and as a message of the stand-in gateway. */
@Component({
  selector: 'man-phone-link',
  imports: [Notice, NzQRCodeModule, RouterLink, TextField],
  template: `<h2>On the owner’s phone</h2>
    @if (made(); as m) {
      <div class="made">
        <nz-qrcode [nzValue]="m.url" [nzSize]="164" [nzBordered]="false" role="img" aria-label="Code with the link, to scan" />
        <div class="stack">
          <p class="small">{{ m.message }}</p>
          <p class="quiet small">“Sent” by the stand-in gateway: nothing leaves this machine. <a routerLink="/messages">Messages</a></p>
          <div class="row">
            <a class="plain tiny" [href]="m.url" target="_blank" rel="noreferrer">Open it here</a>
            <button type="button" class="plain tiny" (click)="takeBack(m.linkId)">Take it back</button>
          </div>
        </div>
      </div>
    } @else {
      <div class="row">
        <man-text class="phone" label="Number" name="linkPhone" type="tel" [value]="to()" (typed)="typed.set($event)" />
        <button type="button" class="plain" [disabled]="!offer() || busy()" (click)="send()">
          {{ busy() ? 'Sending …' : 'Send a link' }}
        </button>
      </div>
      <p class="quiet small">It works once, for 24 hours, and shows only this agreement.</p>
    }
    @for (l of links(); track l.linkId) {
      <p class="quiet small">
        Link of {{ time(l.madeAt) }}: {{ stateNames[l.state] }}{{ l.answeredAt ? ' at ' + time(l.answeredAt) : '' }}.
      </p>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />`,
  styles: `
    .made {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 12px;
      align-items: center;
      overflow-wrap: anywhere;
      margin-top: 6px;
    }
    .phone {
      width: 180px;
    }
    .row {
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhoneLink {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly api = inject(ApiService);
  readonly visitId = input.required<string>();
  readonly offer = input<AgreementOffer | undefined>();
  readonly name = input.required<string>();
  readonly phone = input.required<string>();
  /** Events of the visit so far: an answer by the link adds to them. */
  readonly events = input.required<number>();
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly to = computed(() => this.typed() ?? this.phone());
  protected readonly made = signal<NewLink | undefined>(undefined);
  protected readonly links = signal<readonly OwnerLink[]>([]);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly stateNames = STATE_WORDS;
  protected readonly time = (moment: string | number): string => this.clock.sayTime(moment);

  constructor() {
    effect(() => {
      this.events();
      void this.load(this.visitId());
    });
  }

  private async load(visitId: string): Promise<void> {
    if (visitId === '') return;
    const answer = await this.api.get(`/visits/${visitId}/links`, OWNER_LINKS);
    if (!answer.ok) return;
    this.links.set(answer.value.links);
    const made = this.made();
    if (made && answer.value.links.find((l) => l.linkId === made.linkId)?.state !== 'open') this.made.set(undefined);
  }

  protected async send(): Promise<void> {
    const offer = this.offer();
    if (!offer) return;
    this.busy.set(true);
    const answer = await this.api.send(
      'POST',
      `/visits/${this.visitId()}/links`,
      { offer, toName: this.name() || 'Owner', phone: this.to() },
      NEW_LINK,
    );
    this.busy.set(false);
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok) this.made.set(answer.value);
    await this.load(this.visitId());
  }

  protected async takeBack(linkId: string): Promise<void> {
    const answer = await this.api.send('DELETE', `/links/${linkId}`, undefined, NOTHING);
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok) this.made.set(undefined);
    await this.load(this.visitId());
  }
}
