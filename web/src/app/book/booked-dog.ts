import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BookedVisit } from '@mansuet/core/contract';
import { minutesOfBooking } from '@mansuet/core/day';
import { BOOKING_OFF, type BookingOff } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { DateField } from '../controls/date-field';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { screenOf } from '../visit/screen-of';
import { aboutMinutes } from '../wording/time';
import { Words } from '../wording/words.service';
import { BookStore } from './book-store';

interface Typed {
  readonly day?: string;
  readonly time?: string;
  readonly person?: string;
  readonly why?: string;
}

/** A booking that was chosen in the book: who it is, how long it takes, and moving it or calling it off. */
@Component({
  selector: 'man-booked-dog',
  imports: [ChoiceGroup, DateField, Notice, RouterLink, SelectField, TextField],
  template: `<section class="booked" [attr.aria-label]="visit().dog">
    <header class="row">
      <h2>{{ visit().dog }}</h2>
      <p>
        <span i18n="@@booked.keeps">{{ minutes() }} are kept for the visit.</span>{{ ' ' }}
        <span class="quiet">{{ visit().owner }}</span>
        @if (visit().phone) {
          {{ ' ' }}<a [href]="'tel:' + visit().phone">{{ visit().phone }}</a>
        }
      </p>
      <a class="plain tiny" [routerLink]="['/visits', visit().visitId, screen()]" i18n="@@booked.open">Open the visit</a>
      <button type="button" class="plain tiny" (click)="closed.emit()" i18n="@@booked.close">Close</button>
    </header>
    @if (visit().off; as how) {
      <p>
        <b>{{ words.heading('bookingOff', how) }}.</b> <span i18n="@@booked.again">Give a time to have it on again.</span>
      </p>
    }
    @if (store.may() && canMove()) {
      <div class="form">
        <man-date label="Day" i18n-label="@@booked.day" name="moveDay" [value]="day()" (typed)="type({ day: $event })" />
        <man-text label="Time" i18n-label="@@booked.time" name="moveTime" type="time" [value]="time()" (typed)="type({ time: $event })" />
        <man-select
          label="With"
          i18n-label="@@booked.with"
          [of]="people()"
          [value]="person()"
          (chosen)="$event && type({ person: $event })"
        />
        <man-text
          class="why"
          label="Why, if it matters"
          i18n-label="@@booked.why"
          name="moveWhy"
          [most]="200"
          [value]="why()"
          (typed)="type({ why: $event })"
        />
        <button type="button" class="plain" [disabled]="busy()" (click)="move()" i18n="@@booked.move">Move it there</button>
        @if (!visit().off) {
          <button type="button" class="plain" [attr.aria-expanded]="asksOff()" (click)="asksOff.set(!asksOff())" i18n="@@booked.off">
            It does not come
          </button>
        }
      </div>
      @if (asksOff() && !visit().off) {
        <man-choice label="How that came" i18n-label="@@booked.how" shown [of]="offWays" [value]="undefined" (chosen)="off($event)" />
      }
      <p class="quiet" role="status">{{ against() }}</p>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />
  </section>`,
  styles: `
    .booked {
      background: var(--brass-pale);
      border: 1px solid var(--brass);
      border-radius: var(--radius);
      padding: 10px 14px;
      margin-top: 8px;
    }
    header p {
      flex: 1;
    }
    .form {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: start;
      margin-top: 8px;
    }
    /* Beside the fields, not beside their labels. */
    .form > button {
      margin-top: 22px;
    }
    .why {
      flex: 1;
      min-width: 160px;
    }
    a {
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BookedDog {
  protected readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  protected readonly store = inject(BookStore);
  readonly visit = input.required<BookedVisit>();
  readonly closed = output();

  protected readonly offWays = choicesOf(BOOKING_OFF, this.words.labels.bookingOff);
  protected readonly screen = computed(() => screenOf(this.visit().phase));
  /** Nothing was begun: it can be moved. */
  protected readonly canMove = computed(() => ['know', 'off'].includes(this.visit().phase));
  protected readonly minutes = computed(() => {
    const m = minutesOfBooking(this.visit());
    return aboutMinutes(m.minutes, [m.from, m.to]);
  });
  protected readonly people = computed(() => this.store.book().people.map((p) => ({ value: p.staffId, label: p.name })));
  private readonly id = computed(() => this.visit().visitId);
  /** What was typed for this booking: a book that is read anew meanwhile takes none of it. */
  private readonly typed = linkedSignal<string, Typed>({ source: this.id, computation: () => ({}) });
  protected readonly day = computed(() => this.typed().day ?? this.clock.dayOf(this.visit().arrivesAt));
  protected readonly time = computed(() => this.typed().time ?? this.clock.timeOfDay(this.visit().arrivesAt));
  protected readonly person = computed(() => this.typed().person ?? this.visit().groomerId);
  protected readonly why = computed(() => this.typed().why ?? '');
  protected readonly busy = signal(false);
  protected readonly asksOff = linkedSignal<string, boolean>({ source: this.id, computation: () => false });
  protected readonly trouble = signal('');
  private readonly to = computed(() => {
    const at = /^(\d\d):(\d\d)$/.exec(this.time());
    return at ? { visitId: this.visit().visitId, person: this.person(), from: Number(at[1]) * 60 + Number(at[2]) } : undefined;
  });
  /** Told before it is moved, on every day of the week that is open; on others it is told once it is there. */
  protected readonly against = computed(() => {
    const to = this.to();
    if (!to || !this.store.days().includes(this.day())) return '';
    return this.store.sayAt(to, this.day()).against.join(' ');
  });

  protected type(part: Typed): void {
    this.typed.update((t) => ({ ...t, ...part }));
  }
  protected async move(): Promise<void> {
    const to = this.to();
    this.trouble.set('');
    if (!to || !/^\d{4}-\d\d-\d\d$/.test(this.day())) {
      this.trouble.set($localize`:@@booked.missing:Give a day and a time.`);
      return;
    }
    this.busy.set(true);
    if (await this.store.move(to, this.why(), this.day())) this.typed.set({});
    this.busy.set(false);
  }
  protected off(how: BookingOff): Promise<void> {
    this.asksOff.set(false);
    return this.store.callOff(this.visit(), how);
  }
}
