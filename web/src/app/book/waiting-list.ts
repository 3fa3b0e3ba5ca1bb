import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { DOG_LIST, type DogList, WAITING_FORM, type WaitingDog } from '@mansuet/core/contract';
import { addDays } from '@mansuet/core/days';
import { DateField } from '../controls/date-field';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { KeptForm } from '../controls/kept-form';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { BookService } from './book.service';

const SAID = $localize`:@@waiting.said:Put on the list.`;
/** A wish is looked at for two weeks when nobody says otherwise. Our default. */
const USUAL_DAYS = 14;

/** Dogs that would come if there were a place: the longest waiting first. */
@Component({
  selector: 'man-waiting-list',
  imports: [DateField, FormErrors, FormsModule, Notice, RouterLink, SelectField, TextField],
  template: `<section class="stack">
    <ul class="panel">
      @for (w of waiting(); track w.wishId) {
        <li>
          <b
            ><a [routerLink]="['/dogs', w.dogId]">{{ w.dog }}</a></b
          >
          <div>
            <p i18n="@@waiting.between">Between {{ day(w.from) }} and {{ day(w.to) }}. {{ w.note }}</p>
            <p class="quiet small">
              <a [href]="'tel:' + w.phone">{{ w.owner }} {{ w.phone }}</a>
            </p>
          </div>
          @if (session.may('book')) {
            <a class="plain" [routerLink]="['/dogs', w.dogId, 'book']" [attr.aria-label]="sayBook(w)" i18n="@@waiting.book">Book</a>
            <button type="button" class="plain" [attr.aria-label]="sayDone(w)" (click)="done(w)" i18n="@@waiting.done">
              Waits no more
            </button>
          }
        </li>
      } @empty {
        <li class="quiet" i18n="@@waiting.none">Nobody waits for a place.</li>
      }
    </ul>
    @if (session.may('book')) {
      <form class="panel form" [manErrors]="form.errors()" (ngSubmit)="add()" novalidate>
        <h2 i18n="@@waiting.add">Somebody waits</h2>
        <man-select label="Dog" i18n-label="@@waiting.dog" path="dogId" [of]="dogs()" [value]="dogId()" (chosen)="dogId.set($event)" />
        <man-date label="From" i18n-label="@@waiting.from" name="waitFrom" path="from" [value]="from()" (typed)="from.set($event)" />
        <man-date label="To" i18n-label="@@waiting.to" name="waitTo" path="to" [value]="to()" (typed)="to.set($event)" />
        <man-text
          class="note"
          label="What to mind"
          i18n-label="@@waiting.note"
          name="waitNote"
          path="note"
          [most]="300"
          [value]="note()"
          (typed)="note.set($event)"
        />
        <button type="submit" class="plain" [disabled]="form.busy()" i18n="@@waiting.put">Put on the list</button>
      </form>
    }
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
  </section>`,
  styles: `
    li {
      display: grid;
      grid-template-columns: minmax(110px, 160px) minmax(0, 1fr) auto auto;
      gap: 12px;
      align-items: center;
      padding: 6px 0;
    }
    li.quiet {
      display: block;
    }
    li + li {
      border-top: 1px solid var(--line);
    }
    p a,
    b a {
      text-decoration: underline;
    }
    .form {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
      align-items: start;
    }
    /* Beside the fields, not beside their labels. */
    .form > button {
      margin-top: 22px;
    }
    h2 {
      width: 100%;
    }
    .note {
      flex: 1;
      min-width: 200px;
    }
    @media (max-width: 720px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WaitingList {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly service = inject(BookService);
  private readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  protected readonly form = new KeptForm();
  protected readonly waiting = signal<readonly WaitingDog[]>([]);
  protected readonly dogs = signal<readonly { value: string; label: string }[]>([]);
  protected readonly dogId = signal<string | null>(null);
  protected readonly from = signal(this.clock.today());
  protected readonly to = signal(addDays(this.clock.today(), USUAL_DAYS));
  protected readonly note = signal('');
  protected readonly day = (date: string): string => dayInWords(date, this.clock.today());

  constructor() {
    void this.load();
    void this.api.get('/dogs', DOG_LIST).then((answer) => {
      if (answer.ok) this.dogs.set(dogChoices(answer.value));
    });
  }

  private async load(): Promise<void> {
    const answer = await this.service.waiting();
    if (answer.ok) this.waiting.set(answer.value);
    else this.form.trouble.set(sayFailure(this.words, answer.failure));
  }
  protected async add(): Promise<void> {
    const form = { dogId: this.dogId() ?? '', from: this.from(), to: this.to(), note: this.note() };
    const kept = await this.form.keep(WAITING_FORM, form, (f) => this.service.addWaiting(f), SAID);
    if (!kept) return;
    this.dogId.set(null);
    this.note.set('');
    await this.load();
  }
  protected async done(w: WaitingDog): Promise<void> {
    const answer = await this.service.waitsNoMore(w.wishId);
    if (!answer.ok) this.form.trouble.set(sayFailure(this.words, answer.failure));
    await this.load();
  }
  protected sayBook(w: WaitingDog): string {
    return $localize`:@@waiting.bookName:Book ${w.dog}:dog:`;
  }
  protected sayDone(w: WaitingDog): string {
    return $localize`:@@waiting.doneName:${w.dog}:dog: waits no more`;
  }
}

const dogChoices = ({ dogs }: DogList): { value: string; label: string }[] =>
  dogs.filter((d) => !d.archived).map((d) => ({ value: d.dogId, label: `${d.name} · ${d.owner}` }));
