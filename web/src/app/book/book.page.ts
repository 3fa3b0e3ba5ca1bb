import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { addDays } from '@mansuet/core/days';
import { Announcer } from '../controls/announcer';
import { DateField } from '../controls/date-field';
import { Notice } from '../controls/notice';
import { TabPanel, Tabs } from '../controls/tabs';
import { LeadLines, type PutAt } from '../day/lead-lines';
import { linesOfDay } from '../day/lines-of-day';
import { ClockService } from '../server/clock.service';
import { dayInWords, wholeDay } from '../wording/time';
import { BookStore } from './book-store';
import { BookedDog } from './booked-dog';
import { OverdueList } from './overdue-list';
import { WaitingList } from './waiting-list';
import { WishesList } from './wishes-list';
import { hours, WeekView } from './week-view';

const PARTS = ['day', 'week', 'overdue', 'waiting'] as const;
type Part = (typeof PARTS)[number];
const LABELS: Readonly<Record<Part, string>> = {
  day: $localize`:@@book.day:Day`,
  week: $localize`:@@book.week:Week`,
  overdue: $localize`:@@book.overdue:Overdue`,
  waiting: $localize`:@@book.waiting:Waiting list`,
};

/** The book: who comes when, by day as lead lines and by week; who is overdue, and who waits for a place. */
@Component({
  selector: 'man-book-page',
  imports: [BookedDog, DateField, LeadLines, Notice, OverdueList, TabPanel, Tabs, WaitingList, WeekView, WishesList],
  providers: [BookStore],
  templateUrl: './book.page.html',
  styleUrl: './book.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BookPage {
  private readonly clock = inject(ClockService);
  private readonly router = inject(Router);
  private readonly announcer = inject(Announcer);
  protected readonly store = inject(BookStore);
  /** The day that is open, ISO; today when none is named. */
  readonly on = input<string | undefined>();

  protected readonly part = signal<Part>('day');
  protected readonly tabs = PARTS.map((id) => ({ id, label: LABELS[id] }));
  /** Chosen in the week, before its day is open. */
  private readonly wanted = signal<string | undefined>(undefined);
  protected readonly selected = linkedSignal<string, string | undefined>({
    source: () => this.store.day(),
    computation: () => untracked(this.wanted),
  });
  protected readonly says = signal('');
  protected readonly title = computed(() => wholeDay(this.store.day()));
  protected readonly near = computed(() => dayInWords(this.store.day(), this.clock.today()));
  protected readonly visit = computed(() => this.store.visits().find((v) => v.visitId === this.selected()));
  protected readonly offs = computed(() => this.store.visits().filter((v) => v.phase === 'off'));
  protected readonly now = computed(() => {
    if (this.store.day() !== this.clock.today()) return undefined;
    const [h, m] = this.clock.timeOfDay(this.clock.nowMs()).split(':').map(Number);
    return (h ?? 0) * 60 + (m ?? 0);
  });
  protected readonly lines = computed(() => {
    const [problem, schedule] = [this.store.problem(), this.store.schedule()];
    if (!problem || !schedule) return [];
    const works = new Map(problem.people.map((p) => [p.id, p.works]));
    const known = new Set(this.store.book().people.map((p) => p.staffId));
    // Who has a dog and does not work that day has a line as well: that is what has to be seen.
    for (const v of this.store.visits())
      if (v.phase !== 'off' && known.has(v.groomerId) && !works.has(v.groomerId)) works.set(v.groomerId, []);
    return linesOfDay(problem, schedule, works, []);
  });
  protected readonly from = computed(() => Math.floor(Math.min(...this.times(), 9 * 60) / 60) * 60);
  protected readonly to = computed(() => Math.ceil(Math.max(...this.times(), 17 * 60) / 60) * 60);
  private readonly times = computed(() => this.lines().flatMap((l) => [...l.works, ...l.tags].flatMap((w) => [w.from, w.to])));

  constructor() {
    effect(() => {
      const on = this.on();
      if (on !== undefined && /^\d{4}-\d\d-\d\d$/.test(on) && wholeDay(on) !== '') this.store.day.set(on);
    });
  }

  protected go(day: string): void {
    if (wholeDay(day) !== '') void this.router.navigate([], { queryParams: { on: day }, replaceUrl: true });
  }
  protected by(days: number): void {
    this.go(addDays(this.store.day(), days));
  }
  protected today(): void {
    this.go(this.clock.today());
  }
  /** A day of the week, or a dog on it, is looked at closer. */
  protected open({ day, visitId }: { readonly day: string; readonly visitId?: string }): void {
    this.part.set('day');
    this.wanted.set(visitId);
    this.go(day);
    if (day === this.store.day()) this.selected.set(visitId);
  }

  protected readonly saysOf = (personId: string): string => {
    const full = this.store.fullness(personId, this.store.day());
    return full ? $localize`:@@book.full:${hours(full.minutes)}:booked: of ${hours(full.of)}:of:` : '';
  };
  protected held(to: PutAt | undefined): void {
    this.says.set(to ? this.sayAt(to) : '');
  }
  protected sayAt(to: PutAt): string {
    const { where, against } = this.store.sayAt(to);
    return against.length === 0 ? $localize`:@@book.free:${where}:where:: nothing stands against it.` : `${where}: ${against.join(' ')}`;
  }
  protected async put(to: PutAt): Promise<void> {
    const says = this.sayAt(to);
    if (await this.store.move(to)) this.announcer.say(says);
  }
}
