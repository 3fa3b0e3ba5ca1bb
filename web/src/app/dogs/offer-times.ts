import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { NEW_WISH_LINK, type NewLink, type NewWishLink, TIMES_ASKED, type TimeOffered } from '@mansuet/core/contract';
import { addDays } from '@mansuet/core/days';
import { BookService } from '../book/book.service';
import { DateField } from '../controls/date-field';
import { FormErrors } from '../controls/form-errors';
import { KeptForm } from '../controls/kept-form';
import { Notice } from '../controls/notice';
import { ClockService } from '../server/clock.service';

/** Times are looked for so many days ahead when nobody says otherwise. Our default. */
const AHEAD_DAYS = 14;

/** The owner chooses: three times that are free, sent as a link; what is chosen comes back into the book. */
@Component({
  selector: 'man-offer-times',
  imports: [DateField, FormErrors, Notice],
  template: `<section class="panel stack" [manErrors]="form.errors()">
    <h2 i18n="@@offer.title">Let the owner choose</h2>
    @if (made(); as m) {
      <p>{{ m.message }}</p>
      <p class="quiet small" i18n="@@offer.sent">
        “Sent” by the stand-in gateway: nothing leaves this machine. What they choose stands in the book, under “Waiting list”.
      </p>
      <div class="row"><a class="plain tiny" [href]="m.url" target="_blank" rel="noreferrer" i18n="@@offer.open">Open it here</a></div>
    } @else {
      <div class="row fields">
        <man-date label="From" i18n-label="@@offer.from" name="offerFrom" path="from" [value]="from()" (typed)="setFrom($event)" />
        <man-date label="To" i18n-label="@@offer.to" name="offerTo" path="to" [value]="to()" (typed)="to.set($event)" />
        <button type="button" class="plain" [disabled]="form.busy()" (click)="look()" i18n="@@offer.look">Find three times</button>
      </div>
      @if (times(); as all) {
        @if (all.length > 0) {
          <ul>
            @for (t of all; track t.arrivesAt) {
              <li>{{ say(t) }}</li>
            }
          </ul>
          <div class="row">
            <button type="button" class="plain" [disabled]="form.busy()" (click)="send()" i18n="@@offer.send">
              Send them to the owner
            </button>
          </div>
          <p class="quiet small" i18n="@@offer.held">They are not held: you confirm what the owner chooses, by one press in the book.</p>
        } @else {
          <p i18n="@@offer.none">Nothing is free between these days for that long.</p>
        }
      }
    }
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
  </section>`,
  styles: `
    .fields {
      align-items: start;
    }
    /* Beside the fields, not beside their labels. */
    .fields > button {
      margin-top: 22px;
    }
    li {
      padding: 3px 0;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OfferTimes {
  private readonly book = inject(BookService);
  private readonly clock = inject(ClockService);
  readonly dogId = input.required<string>();
  /** What is asked for, as the page has it now. */
  readonly asked = input.required<NewWishLink['asked']>();
  readonly helperThere = input.required<boolean>();
  readonly groomerId = input.required<string>();
  protected readonly form = new KeptForm();
  protected readonly from = signal(this.clock.today());
  protected readonly to = linkedSignal(() => addDays(this.from(), AHEAD_DAYS));
  private readonly question = computed(() => ({
    from: this.from(),
    to: this.to(),
    minutes: this.asked().sessionMinutes,
    groomerId: this.groomerId(),
  }));
  /** What was found is for what was asked: another question has to be asked anew. */
  protected readonly times = linkedSignal<object, readonly TimeOffered[] | undefined>({
    source: this.question,
    computation: () => undefined,
  });
  protected readonly made = signal<NewLink | undefined>(undefined);

  protected say(t: TimeOffered): string {
    return $localize`:@@offer.time:${this.clock.sayMoment(t.arrivesAt, 'weekday')}:when: with ${t.groomer}:who:`;
  }
  protected setFrom(day: string): void {
    if (/^\d{4}-\d\d-\d\d$/.test(day)) this.from.set(day);
  }
  protected async look(): Promise<void> {
    const found = await this.form.keep(TIMES_ASKED, this.question(), (f) => this.book.freeTimes(f), '');
    if (found) this.times.set(found.value);
  }
  protected async send(): Promise<void> {
    const form = { asked: this.asked(), helperThere: this.helperThere(), times: [...(this.times() ?? [])] };
    const made = await this.form.keep(NEW_WISH_LINK, form, (f) => this.book.offerTimes(this.dogId(), f), '');
    if (made) this.made.set(made.value);
  }
}
