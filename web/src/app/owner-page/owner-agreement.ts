import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { AGREEMENT_ANSWER, type OwnerLinkView } from '@mansuet/core/contract';
import type { Signature } from '@mansuet/core/log';
import { type ConsentId, saying } from '@mansuet/core/words';
import { SecondNumber } from '../agreement/second-number';
import { SignatureField } from '../agreement/signature-field';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { errorsOf } from '../controls/errors-of';
import { FieldError } from '../controls/field-error';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { TextField } from '../controls/text-field';
import { ApiService, NOTHING, fieldErrors, sayFailure } from '../server/api.service';
import { vetLimit } from '../wording/ranges';
import { Words } from '../wording/words.service';

/** The agreement as the owner reads, answers and signs it on the phone. */
@Component({
  selector: 'man-owner-agreement',
  imports: [ChoiceGroup, FieldError, FormErrors, FormsModule, Notice, NumberField, SecondNumber, SignatureField, TextField],
  template: `<form class="stack" [manErrors]="errors()" (ngSubmit)="send()" novalidate>
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
        <man-notice [says]="line" />
      }
      <p>
        <b>{{ view().offer.extra }}</b>
      </p>
    </section>
    @for (c of view().offer.consents; track c.id) {
      <section class="panel stack" [attr.aria-label]="labels[c.id]">
        <p>{{ c.text }}</p>
        <man-choice
          [label]="labels[c.id]"
          [path]="'answers.' + c.id"
          [of]="yesNo"
          [value]="answers().get(c.id)"
          (chosen)="answer(c.id, $event)"
        />
        @if (c.id === 'vet_emergency' && answers().get(c.id) === true) {
          <man-number
            label="Up to this much, before you are rung first"
            name="limit"
            [range]="limitRange()"
            optional
            hint="Leave it empty for no limit."
            [value]="limit()"
            (entered)="limit.set($event)"
          />
          @if (view().offer.asksSecondNumber) {
            <man-second-number path="secondPhone" [value]="secondPhone()" (told)="secondPhone.set($event)" />
          }
        }
        @if (c.required && answers().get(c.id) === false) {
          <man-notice says="Without it we leave that work out, or ring you about another day." />
        }
      </section>
    }
    <section class="panel stack">
      <man-text label="Your name" name="ownerName" path="name" complete="name" [value]="name()" (typed)="name.set($event)" />
      <man-signature-field (drawn)="signature.set($event)" />
      <man-field-error [message]="errors().get('signature')" />
      <p class="quiet small">
        Our words are not law: local law and the vet come first. Text of {{ view().offer.textVersion }}. In an emergency:
        {{ view().vetPhone }}.
      </p>
    </section>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
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
  protected readonly yesNo: readonly Choice<boolean>[] = [
    { value: true, label: 'I agree' },
    { value: false, label: 'No' },
  ];
  protected readonly answers = signal<ReadonlyMap<ConsentId, boolean>>(new Map());
  protected readonly name = signal('');
  protected readonly limitRange = computed(() => vetLimit(this.view().offer.currency));
  protected readonly limit = signal<number | null>(null);
  protected readonly secondPhone = signal<string | null | undefined>(undefined);
  protected readonly signature = signal<Signature | undefined>(undefined);
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  private readonly body = computed(() => ({
    name: this.name(),
    answers: [...this.answers()].map(([id, agreed]) => ({ id, agreed })),
    limitMinor: this.limit() === null ? null : Math.round((this.limit() ?? 0) * 100),
    signature: this.signature(),
    ...(this.view().offer.asksSecondNumber ? { secondPhone: this.secondPhone() } : {}),
  }));

  protected answer(id: ConsentId, agreed: boolean): void {
    this.answers.update((a) => new Map(a).set(id, agreed));
  }

  protected async send(): Promise<void> {
    const read = AGREEMENT_ANSWER.safeParse(this.body());
    const errors = new Map(errorsOf(this.words, read));
    if (!this.signature()) errors.set('signature', 'Sign with your finger.');
    for (const c of this.view().offer.consents) if (!this.answers().has(c.id)) errors.set(`answers.${c.id}`, 'Agree, or say no.');
    if (this.view().offer.asksSecondNumber && this.answers().get('vet_emergency') === true && this.secondPhone() === undefined)
      errors.set('secondPhone', this.words.say(saying('form.second_number', {})));
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
