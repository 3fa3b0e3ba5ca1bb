import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type OwnerLinkView, WISH_ANSWER } from '@mansuet/core/contract';
import { sayMoment } from '@mansuet/core/days';
import { ChoiceGroup } from '../controls/choice-group';
import { FormErrors } from '../controls/form-errors';
import { KeptForm } from '../controls/kept-form';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { ApiService, NOTHING } from '../server/api.service';

/** Three times of which the owner takes one, or says what would be right. */
@Component({
  selector: 'man-owner-wish',
  imports: [ChoiceGroup, FormErrors, FormsModule, Notice, TextField],
  template: `<form class="stack" [manErrors]="form.errors()" (ngSubmit)="send()" novalidate>
    <h1 i18n="@@ownerWish.title">When shall {{ view().dogName }} come?</h1>
    <section class="panel stack">
      <man-choice
        label="Times that are free"
        i18n-label="@@ownerWish.times"
        shown
        layout="list"
        path="chosen"
        [of]="times()"
        [value]="chosen()"
        (chosen)="chosen.set($event)"
      />
      <man-text
        label="What we should know, or what would be right instead"
        i18n-label="@@ownerWish.says"
        name="wishSays"
        path="says"
        [rows]="2"
        [most]="300"
        [value]="says()"
        (typed)="says.set($event)"
      />
    </section>
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <p class="quiet small" i18n="@@ownerWish.held">Nothing is booked yet: the salon confirms what you choose by a message.</p>
    <button type="submit" class="next" [disabled]="form.busy()" i18n="@@ownerWish.send">Send to the salon</button>
  </form>`,
  styleUrl: './owner-page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerWish {
  private readonly api = inject(ApiService);
  readonly secret = input.required<string>();
  readonly view = input.required<Extract<OwnerLinkView, { kind: 'wish' }>>();
  readonly answered = output();
  protected readonly form = new KeptForm();
  /** Its place among the times; -1: none of them. */
  protected readonly chosen = signal<number | undefined>(undefined);
  protected readonly says = signal('');
  protected readonly times = computed(() => {
    const { times, zone, formats } = this.view();
    const free = times.map((t, value) => ({
      value,
      label: sayMoment(t.arrivesAt, zone, formats),
      detail: $localize`:@@ownerWish.with:with ${t.groomer}:who:`,
    }));
    return [...free, { value: NONE, label: $localize`:@@ownerWish.none:None of these` }];
  });

  protected async send(): Promise<void> {
    const chosen = this.chosen();
    // Nothing chosen is no answer; none of them is one, with what would be right.
    const answer = { chosen: chosen === undefined || chosen === NONE ? null : chosen, says: this.says() };
    const path = `/o/${encodeURIComponent(this.secret())}`;
    if (await this.form.keep(WISH_ANSWER, answer, (a) => this.api.send('POST', path, a, NOTHING), '')) this.answered.emit();
  }
}
const NONE = -1;
