import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Feed, NewFeed } from '@mansuet/core/contract';
import { BookService } from '../book/book.service';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { TodayService } from '../today/today.service';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

const ALL = 'all';

/** Calendars of the bookings, for the calendar programs of the salon's people: each with an address of its own that can be taken back. */
@Component({
  selector: 'man-feeds',
  imports: [Notice, SelectField],
  template: `<section class="panel stack">
    <p class="quiet" i18n="@@feeds.why">
      A calendar program reads the bookings by a secret address (iCalendar). It has the names of dogs and groomers, no owner and no number.
      Whoever knows the address can read it: take it back when it is lost.
    </p>
    <div class="row">
      <man-select label="Whose bookings" i18n-label="@@feeds.whose" [of]="whose()" [value]="who()" (chosen)="who.set($event ?? all)" />
      <button type="button" class="plain" [disabled]="busy()" (click)="make()" i18n="@@feeds.make">Make an address</button>
    </div>
    @if (made(); as m) {
      <man-notice kind="good" live="status">
        <span i18n="@@feeds.once">Copy it now: it is shown only this once.</span>
        <code class="address">{{ m.url }}</code>
      </man-notice>
    }
    <ul>
      @for (f of feeds(); track f.feedId) {
        <li class="row">
          <span class="grow">
            <b>{{ nameOf(f) }}</b>
            <span class="quiet small">{{ sayRead(f) }}</span>
          </span>
          <button type="button" class="plain" [attr.aria-label]="sayEnd(f)" (click)="end(f)" i18n="@@feeds.end">Take it back</button>
        </li>
      } @empty {
        <li class="quiet" i18n="@@feeds.none">No calendar is read yet.</li>
      }
    </ul>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
  </section>`,
  styles: `
    .row {
      align-items: end;
    }
    li.row {
      align-items: center;
      padding: 6px 0;
    }
    .grow {
      flex: 1;
    }
    .grow .small {
      display: block;
    }
    .address {
      display: block;
      overflow-wrap: anywhere;
      user-select: all;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeedsPanel {
  private readonly words = inject(Words);
  private readonly book = inject(BookService);
  private readonly clock = inject(ClockService);
  private readonly day = inject(TodayService);
  protected readonly all = ALL;
  protected readonly feeds = signal<readonly Feed[]>([]);
  protected readonly made = signal<NewFeed | undefined>(undefined);
  protected readonly who = signal<string>(ALL);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  private readonly staff = computed(() => this.day.today()?.staff ?? []);
  protected readonly whose = computed(() => [
    { value: ALL, label: EVERYBODY },
    ...this.staff()
      .filter((s) => !s.left)
      .map((s) => ({ value: s.staffId, label: s.name })),
  ]);

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    const answer = await this.book.feeds();
    if (answer.ok) this.feeds.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
  protected async make(): Promise<void> {
    this.busy.set(true);
    this.trouble.set('');
    const answer = await this.book.makeFeed(this.who() === ALL ? null : this.who());
    this.busy.set(false);
    if (answer.ok) this.made.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
    await this.load();
  }
  protected async end(feed: Feed): Promise<void> {
    const answer = await this.book.endFeed(feed.feedId);
    if (!answer.ok) this.trouble.set(sayFailure(this.words, answer.failure));
    if (this.made()?.feedId === feed.feedId) this.made.set(undefined);
    await this.load();
  }

  protected nameOf(f: Feed): string {
    return f.staffId === null ? EVERYBODY : (this.staff().find((s) => s.staffId === f.staffId)?.name ?? '');
  }
  protected sayRead(f: Feed): string {
    const day = (at: string): string => dayInWords(this.clock.dayOf(at), this.clock.today());
    return f.readAt === null
      ? $localize`:@@feeds.notRead:made ${day(f.madeAt)}:on:, not read yet`
      : $localize`:@@feeds.read:made ${day(f.madeAt)}:on:, read last ${day(f.readAt)}:read: at ${this.clock.sayTime(f.readAt)}:at:`;
  }
  protected sayEnd(f: Feed): string {
    return $localize`:@@feeds.endName:Take back the calendar: ${this.nameOf(f)}:whose:`;
  }
}

const EVERYBODY = $localize`:@@feeds.everybody:Everybody`;
