import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import { AGREEMENT_ANSWER, type OwnerLinkView } from '@mansuet/core/contract';
import type { Signature } from '@mansuet/core/log';
import type { ConsentId } from '@mansuet/core/words';
import { SignatureField } from '../agreement/signature-field';
import { errorsOf } from '../forms/errors-of';
import { FieldError } from '../forms/field-error';
import { ApiService, NOTHING, fieldErrors, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';

/** The agreement as the owner reads, answers and signs it on the phone. */
@Component({
  selector: 'man-owner-agreement',
  imports: [FieldError, FormsModule, NzInputModule, SignatureField],
  template: `<form class="stack" (ngSubmit)="send()" novalidate>
    <h1>{{ view().offer.dogName }}, today</h1>
    <section class="panel">
      <h2>You asked for</h2>
      <p>{{ view().offer.asked.join(', ') || 'nothing in particular' }}</p>
    </section>
    <section class="panel stack">
      <h2>Possible today</h2>
      @for (line of view().offer.possible; track $index) {
        <p>{{ line }}</p>
      }
      @for (line of view().offer.notToday; track $index) {
        <p class="told">{{ line }}</p>
      }
      <p>
        <b>{{ view().offer.extra }}</b>
      </p>
    </section>
    @for (c of view().offer.consents; track c.id) {
      <section class="panel stack" [attr.aria-label]="labels[c.id]">
        <p>{{ c.text }}</p>
        <div class="row two">
          <button type="button" class="chip" [attr.aria-pressed]="answers().get(c.id) === true" (click)="answer(c.id, true)">
            I agree
          </button>
          <button type="button" class="chip" [attr.aria-pressed]="answers().get(c.id) === false" (click)="answer(c.id, false)">No</button>
        </div>
        @if (c.id === 'vet_emergency' && answers().get(c.id) === true) {
          <label class="field"
            >Up to, in {{ view().offer.currency }}, before you are rung first
            <input
              nz-input
              type="number"
              name="limit"
              min="0"
              inputmode="numeric"
              [ngModel]="limit()"
              (ngModelChange)="limit.set($event)"
            />
            <span class="quiet small">Leave it empty for no limit.</span>
          </label>
        }
        @if (c.required && answers().get(c.id) === false) {
          <p class="told small">Without it we leave that work out, or ring you about another day.</p>
        }
        <man-field-error [message]="errors().get('answers.' + c.id)" />
      </section>
    }
    <section class="panel stack">
      <label class="field"
        >Your name
        <input nz-input name="ownerName" autocomplete="name" [ngModel]="name()" (ngModelChange)="name.set($event)" />
        <man-field-error [message]="errors().get('name')" />
      </label>
      <man-signature-field (drawn)="signature.set($event)" />
      <man-field-error [message]="errors().get('signature')" />
      <p class="quiet small">
        Our words are not law: local law and the vet come first. Text of {{ view().offer.textVersion }}. In an emergency:
        {{ view().vetPhone }}.
      </p>
    </section>
    @if (trouble()) {
      <p class="warn" role="alert">{{ trouble() }}</p>
    }
    <button type="submit" class="next" [disabled]="busy()">{{ busy() ? 'Sending …' : 'Send my answers' }}</button>
  </form>`,
  styleUrl: './owner-page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerAgreement {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  readonly secret = input.required<string>();
  readonly view = input.required<Extract<OwnerLinkView, { kind: 'agreement' }>>();
  readonly answered = output();
  protected readonly labels = this.words.labels.consent;
  protected readonly answers = signal<ReadonlyMap<ConsentId, boolean>>(new Map());
  protected readonly name = signal('');
  protected readonly limit = signal<number | null>(null);
  protected readonly signature = signal<Signature | undefined>(undefined);
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  private readonly body = computed(() => ({
    name: this.name(),
    answers: [...this.answers()].map(([id, agreed]) => ({ id, agreed })),
    limitMinor: this.limit() === null ? null : Math.round((this.limit() ?? 0) * 100),
    signature: this.signature(),
  }));

  protected answer(id: ConsentId, agreed: boolean): void {
    this.answers.update((a) => new Map(a).set(id, agreed));
  }

  protected async send(): Promise<void> {
    const read = AGREEMENT_ANSWER.safeParse(this.body());
    const errors = new Map(errorsOf(this.words, read));
    if (!this.signature()) errors.set('signature', 'Sign with your finger.');
    for (const c of this.view().offer.consents) if (!this.answers().has(c.id)) errors.set(`answers.${c.id}`, 'Agree, or say no.');
    this.errors.set(errors);
    this.trouble.set(errors.size > 0 ? 'Something is still open above. Nothing was sent yet.' : '');
    if (!read.success || errors.size > 0) return;
    this.busy.set(true);
    const answer = await this.api.send('POST', `/o/${this.secret()}`, read.data, NOTHING);
    this.busy.set(false);
    if (answer.ok) {
      this.answered.emit();
      return;
    }
    this.trouble.set(sayFailure(this.words, answer.failure));
    this.errors.set(fieldErrors(this.words, answer.failure));
  }
}
