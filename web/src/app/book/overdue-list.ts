import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { OverdueDog } from '@mansuet/core/contract';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { BookService } from './book.service';

/** Dogs that should have been here again and are not booked: by what, and whom to ring. */
@Component({
  selector: 'man-overdue-list',
  imports: [EmptyState, Notice, RouterLink],
  template: `<man-notice kind="warn" live="alert" [says]="trouble()" />
    @if (dogs(); as all) {
      @if (all.length === 0) {
        <man-empty
          class="panel"
          head="Nobody is overdue"
          i18n-head="@@overdue.none"
          says="Every dog that was here this year is booked, or not due yet."
          i18n-says="@@overdue.noneSays"
        />
      } @else {
        <ul class="panel">
          @for (d of all; track d.dogId) {
            <li>
              <b
                ><a [routerLink]="['/dogs', d.dogId]">{{ d.dog }}</a></b
              >
              <div>
                <p>{{ d.says }}</p>
                <p class="quiet small">
                  <span i18n="@@overdue.last">Last here {{ day(d.lastOn) }}.</span>{{ ' ' }}
                  <a [href]="'tel:' + d.phone">{{ d.owner }} {{ d.phone }}</a>
                </p>
              </div>
              @if (session.may('book')) {
                <a class="plain" [routerLink]="['/dogs', d.dogId, 'book']" [attr.aria-label]="sayBook(d)" i18n="@@overdue.book">Book</a>
              }
            </li>
          }
        </ul>
      }
    }`,
  styles: `
    li {
      display: grid;
      grid-template-columns: minmax(110px, 160px) minmax(0, 1fr) auto;
      gap: 12px;
      align-items: center;
      padding: 6px 0;
    }
    li + li {
      border-top: 1px solid var(--line);
    }
    p a,
    b a {
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OverdueList {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  protected readonly dogs = signal<readonly OverdueDog[] | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly day = (date: string): string => dayInWords(date, this.clock.today());

  constructor() {
    void inject(BookService)
      .overdue()
      .then((answer) => {
        if (answer.ok) this.dogs.set(answer.value);
        else this.trouble.set(sayFailure(this.words, answer.failure));
      });
  }
  protected sayBook(d: OverdueDog): string {
    return $localize`:@@overdue.bookName:Book ${d.dog}:dog:`;
  }
}
