import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Wish } from '@mansuet/core/contract';
import { Notice } from '../controls/notice';
import { type Answer, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';
import { BookService } from './book.service';

/** An owner may answer at any time: the list is fetched so often, ms. */
const LOOK_MS = 120_000;

/** Owners who were asked to choose a time: what they chose, booked by one press, and who has not answered. */
@Component({
  selector: 'man-wishes-list',
  imports: [Notice, RouterLink],
  template: `@if (wishes().length > 0) {
      @if (answered()) {
        <h2 i18n="@@wishes.answered">Owners have answered</h2>
      } @else {
        <h2 i18n="@@wishes.title">Owners were asked for a time</h2>
      }
      <ul class="panel" aria-label="Owners’ wishes" i18n-aria-label="@@wishes.list">
        @for (w of wishes(); track w.linkId) {
          <li>
            <b
              ><a [routerLink]="['/dogs', w.dogId]">{{ w.dog }}</a></b
            >
            <div>
              <p>{{ say(w) }}</p>
              <p class="quiet small">
                <a [href]="'tel:' + w.phone">{{ w.owner }} {{ w.phone }}</a>
              </p>
            </div>
            @if (session.may('book')) {
              @if (w.isFree) {
                <button
                  type="button"
                  class="plain"
                  [attr.aria-label]="sayBook(w)"
                  [disabled]="busy()"
                  (click)="book(w)"
                  i18n="@@wishes.book"
                >
                  Book it
                </button>
              } @else if (w.state === 'answered') {
                <a class="plain" [routerLink]="['/dogs', w.dogId, 'book']" [attr.aria-label]="sayOther(w)" i18n="@@wishes.other"
                  >Other times</a
                >
              }
              <button
                type="button"
                class="plain"
                [attr.aria-label]="sayAside(w)"
                [disabled]="busy()"
                (click)="aside(w)"
                i18n="@@wishes.aside"
              >
                Set aside
              </button>
            }
          </li>
        }
      </ul>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <man-notice kind="good" live="status" [says]="said()" />`,
  styles: `
    :host {
      display: block;
      margin-bottom: 12px;
    }
    h2 {
      margin: 14px 0 6px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(110px, 160px) minmax(0, 1fr) auto auto;
      gap: 12px;
      align-items: center;
      padding: 6px 0;
    }
    li + li {
      border-top: 1px solid var(--line);
    }
    a:not(.plain) {
      text-decoration: underline;
    }
    @media (max-width: 720px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WishesList {
  private readonly words = inject(Words);
  private readonly service = inject(BookService);
  private readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  /** Only what waits for the salon; what waits for an owner is not shown. */
  readonly answered = input(false, { transform: booleanAttribute });
  /** One was booked: the book has another visit. */
  readonly booked = output();
  private readonly all = signal<readonly Wish[]>([]);
  protected readonly wishes = computed(() => this.all().filter((w) => !this.answered() || w.state === 'answered'));
  protected readonly trouble = signal('');
  protected readonly said = signal('');
  protected readonly busy = signal(false);

  constructor() {
    const round = computed(() => Math.floor(this.clock.nowMs() / LOOK_MS));
    effect(() => {
      round();
      untracked(() => void this.load());
    });
  }
  private async load(): Promise<void> {
    const answer = await this.service.wishes();
    if (answer.ok) this.all.set(answer.value);
    // On the day's screen what stands there stays, and the screen itself says that the server is away.
    else if (!this.answered()) this.trouble.set(sayFailure(this.words, answer.failure));
  }

  protected say(w: Wish): string {
    if (!w.answer) return $localize`:@@wishes.open:Asked ${this.clock.sayMoment(w.madeAt)}:when:, no answer yet.`;
    const chosen = w.answer.chosen === null ? undefined : w.times[w.answer.chosen];
    const says = w.answer.says;
    if (!chosen) return $localize`:@@wishes.none:None of the times. “${says}:says:”`;
    const when = this.clock.sayMoment(chosen.arrivesAt, 'weekday');
    const wish = $localize`:@@wishes.chosen:${when}:when: with ${chosen.groomer}:who:.`;
    const taken = w.isFree ? '' : $localize`:@@wishes.taken: This time is not free any more.`;
    return `${wish}${taken}${says === '' ? '' : ` “${says}”`}`;
  }
  protected async book(w: Wish): Promise<void> {
    const says = $localize`:@@wishes.said:${w.dog}:dog: is booked, and the owner is told.`;
    if (await this.after(this.service.bookWish(w.linkId), says)) this.booked.emit();
  }
  protected async aside(w: Wish): Promise<void> {
    await this.after(this.service.setWishAside(w.linkId), '');
  }
  private async after(asked: Promise<Answer<unknown>>, says: string): Promise<boolean> {
    this.busy.set(true);
    const answer = await asked;
    this.busy.set(false);
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    this.said.set(answer.ok ? says : '');
    await this.load();
    return answer.ok;
  }
  protected sayBook(w: Wish): string {
    return $localize`:@@wishes.bookName:Book ${w.dog}:dog: as its owner chose`;
  }
  protected sayOther(w: Wish): string {
    return $localize`:@@wishes.otherName:Other times for ${w.dog}:dog:`;
  }
  protected sayAside(w: Wish): string {
    return $localize`:@@wishes.asideName:Set the wish for ${w.dog}:dog: aside`;
  }
}
