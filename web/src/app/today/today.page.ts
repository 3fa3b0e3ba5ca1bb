import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { WishesList } from '../book/wishes-list';
import { DayPanel } from '../day/day-panel';
import { DueList } from './due-list';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { HandlingMark } from '../lead-wall/handling-mark';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitLog } from '../visit-log/visit-log.service';
import { screenOf } from '../visit/screen-of';
import { TodayService, type Tag } from './today.service';
import { Words } from '../wording/words.service';
import { dateOf, kgOf } from '../wording/formats';

/** Nothing more is done with them today. */
const OVER: ReadonlySet<string> = new Set(['gone', 'off']);

/** All dogs of the day: what each needs next, the most urgent first. */
@Component({
  selector: 'man-today',
  imports: [DayPanel, DueList, EmptyState, HandlingMark, Notice, RouterLink, WishesList],
  templateUrl: './today.page.html',
  styleUrl: './today.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly words = inject(Words);
  protected readonly day = inject(TodayService);
  protected readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly log = inject(VisitLog);
  protected readonly trouble = signal('');
  protected readonly kindLabels = this.words.labels.dogKind;
  protected readonly kg = kgOf;
  protected readonly title = computed(() => dateOf(this.clock.dayOf(this.clock.nowMs()), 'weekday'));
  protected readonly here = computed(() => this.day.tags().filter((t) => !OVER.has(t.phase) && this.arrived(t)));
  protected readonly toCome = computed(() => this.day.tags().filter((t) => !OVER.has(t.phase) && !this.arrived(t)));
  protected readonly off = computed(() => this.day.tags().filter((t) => t.phase === 'off'));
  protected readonly gone = computed(() => this.day.tags().filter((t) => t.phase === 'gone'));

  protected readonly since = (t: Tag): string => dayInWords(this.clock.dayOf(t.visit.arrivesAt), this.clock.today());
  protected readonly time = (t: Tag): string => this.clock.sayTime(t.visit.arrivesAt);
  protected readonly age = (t: Tag): string => this.words.age(t.visit.dog.born, this.day.today()?.day ?? '');
  protected readonly asked = (t: Tag): string => t.state.asked.items.map((i) => this.words.labels.service[i]).join(', ') || 'nothing yet';
  protected readonly screen = (t: Tag): string => screenOf(t.phase);
  protected readonly doing = (t: Tag): string => {
    if (t.phase === 'off') return t.state.off ? this.words.labels.bookingOff[t.state.off.how] : '';
    return t.phase === 'gone' ? 'gone home' : this.words.labels.phase[t.phase];
  };
  /** What to have in mind before this dog comes in, weightiest first. */
  protected readonly mind = (t: Tag): string[] =>
    [...t.kinds]
      .sort((a, b) => b.because.weight - a.because.weight)
      .slice(0, 2)
      .map((k) => this.words.say(k.because));

  /** What the next hand on this dog does. */
  protected readonly next = (t: Tag): string => {
    switch (t.phase) {
      case 'know':
        return 'Read the file';
      case 'feel_over':
        return 'Feel over';
      case 'agree':
        return 'Agree with the owner';
      case 'plan':
        return 'Look at the plan';
      case 'work':
        return 'At the table';
      case 'hand_back':
        return 'Hand back';
      default:
        return 'Read again';
    }
  };

  /** Somebody said so, or has begun with it. */
  private arrived(t: Tag): boolean {
    return t.phase !== 'know' || t.state.arrivedMs !== undefined;
  }
  /** It should be here by now, or is expected at another time than it was booked for. */
  protected sayDue(t: Tag): string {
    if (this.arrived(t) || t.phase === 'off') return '';
    const { expectedAt } = t.state;
    if (expectedAt !== undefined) return $localize`:@@today.expected:expected ${this.clock.sayTime(expectedAt)}:at:`;
    return Date.parse(t.visit.arrivesAt) < this.clock.nowMs() ? $localize`:@@today.due:not here yet` : '';
  }
  protected canComeIn(t: Tag): boolean {
    return t.phase === 'know' && !this.arrived(t) && this.session.may('record');
  }
  protected sayCame(t: Tag): string {
    return $localize`:@@today.isHereName:${t.visit.dog.name}:dog: is here`;
  }
  protected async cameIn(t: Tag): Promise<void> {
    this.trouble.set('');
    try {
      await this.log.record(t.visit.visitId, { type: 'dog_arrived', body: {} });
    } catch (error) {
      this.trouble.set(sayStorageTrouble(error));
    }
  }
}
