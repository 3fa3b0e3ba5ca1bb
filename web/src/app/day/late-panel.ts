import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { clockOfMinute, momentOf } from '@mansuet/core/days';
import { BookService } from '../book/book.service';
import { TextField } from '../controls/text-field';
import { Notice } from '../controls/notice';
import { sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { TodayService } from '../today/today.service';
import { VisitLog } from '../visit-log/visit-log.service';
import { Words } from '../wording/words.service';
import { DayStore } from './day-store';
import { type LateDog, lateDogs } from './late-dogs';
import { clockOf } from '../wording/formats';

/** Who will be ready later than was said: each with a message ready for the owner. */
@Component({
  selector: 'man-late-dogs',
  imports: [Notice, TextField],
  template: `@for (l of late(); track l.visitId) {
      <section class="late" [attr.aria-label]="sayName(l)">
        <p class="row">
          <b class="grow" i18n="@@late.says">{{ l.name }} is likely {{ l.by }} min late: ready about {{ clock(l.ready) }}.</b>
          @if (session.may('book')) {
            <button type="button" class="plain" [attr.aria-expanded]="open() === l.visitId" (click)="toggle(l)" i18n="@@late.tell">
              Tell the owner
            </button>
          }
        </p>
        @if (open() === l.visitId) {
          <div class="row">
            <man-text
              class="text"
              label="To the owner"
              i18n-label="@@late.text"
              [name]="'late-' + l.visitId"
              [most]="600"
              [rows]="2"
              [value]="textOf(l)"
              (typed)="write(l, $event)"
            />
            <button type="button" class="plain" [disabled]="busy()" (click)="tell(l)" i18n="@@late.send">Send it</button>
          </div>
        }
      </section>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <man-notice kind="good" live="status" [says]="said()" />`,
  styles: `
    .late {
      border-left: 5px solid var(--pause-strong);
      background: var(--pause-light);
      padding: 4px 12px;
      border-radius: 4px var(--radius) var(--radius) 4px;
      margin-top: 8px;
    }
    .grow {
      flex: 1;
    }
    div.row {
      align-items: end;
    }
    .text {
      flex: 1;
      min-width: 240px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LatePanel {
  private readonly words = inject(Words);
  private readonly book = inject(BookService);
  private readonly clockOf = inject(ClockService);
  private readonly store = inject(DayStore);
  private readonly day = inject(TodayService);
  private readonly log = inject(VisitLog);
  protected readonly session = inject(SessionService);
  protected readonly clock = clockOf;
  protected readonly busy = signal(false);
  protected readonly open = signal('');
  protected readonly trouble = signal('');
  protected readonly said = signal('');
  /** What was written by hand, by visit. */
  private readonly written = signal<ReadonlyMap<string, string>>(new Map());
  readonly late = computed(() => {
    const shown = this.store.shown();
    return shown ? lateDogs(this.day.tags(), shown.odds, this.clockOf.zone()) : [];
  });

  protected sayName(l: LateDog): string {
    return $localize`:@@late.name:${l.name}:dog: will be late`;
  }
  protected toggle(l: LateDog): void {
    this.open.update((was) => (was === l.visitId ? '' : l.visitId));
  }
  protected textOf(l: LateDog): string {
    return this.written().get(l.visitId) ?? this.words.say(l.message);
  }
  protected write(l: LateDog, text: string): void {
    this.written.update((all) => new Map([...all, [l.visitId, text]]));
  }

  protected async tell(l: LateDog): Promise<void> {
    this.busy.set(true);
    this.trouble.set('');
    this.said.set('');
    const answer = await this.book.tellLater(l.visitId, this.textOf(l));
    if (answer.ok) {
      const readyAt = new Date(momentOf(this.clockOf.today(), clockOfMinute(l.ready), this.clockOf.zone())).toISOString();
      try {
        await this.log.record(l.visitId, { type: 'ready_told', body: { readyAt } });
        this.said.set($localize`:@@late.told:The owner of ${l.name}:dog: is told: ready about ${clockOf(l.ready)}:at:.`);
      } catch (error) {
        this.trouble.set(sayStorageTrouble(error));
      }
    } else
      this.trouble.set(
        answer.failure.kind === 'offline'
          ? $localize`:@@late.offline:The server does not answer, so nothing was sent. Ring the owner, or try again.`
          : sayFailure(this.words, answer.failure),
      );
    this.busy.set(false);
  }
}
