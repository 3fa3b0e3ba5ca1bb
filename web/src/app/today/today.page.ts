import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { DueList } from './due-list';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { HandlingMark } from '../lead-wall/handling-mark';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { screenOf } from '../visit/screen-of';
import { TodayService, type Tag } from './today.service';
import { Words } from '../wording/words.service';

/** All dogs of the day: what each needs next, the most urgent first. */
@Component({
  selector: 'man-today',
  imports: [DueList, EmptyState, HandlingMark, Notice, RouterLink],
  templateUrl: './today.page.html',
  styleUrl: './today.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly words = inject(Words);
  protected readonly day = inject(TodayService);
  protected readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  protected readonly kindLabels = this.words.labels.dogKind;
  protected readonly title = computed(() =>
    new Date(this.clock.nowMs()).toLocaleDateString('en-GB', {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      timeZone: this.clock.zone(),
    }),
  );
  protected readonly here = computed(() => this.day.tags().filter((t) => t.phase !== 'gone' && (t.phase !== 'know' || this.arrived(t))));
  protected readonly toCome = computed(() => this.day.tags().filter((t) => t.phase === 'know' && !this.arrived(t)));
  protected readonly gone = computed(() => this.day.tags().filter((t) => t.phase === 'gone'));

  protected readonly since = (t: Tag): string => dayInWords(this.clock.dayOf(t.visit.arrivesAt), this.clock.today());
  protected readonly time = (t: Tag): string => this.clock.timeOfDay(t.visit.arrivesAt);
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

  private arrived(t: Tag): boolean {
    return Date.parse(t.visit.arrivesAt) <= this.clock.nowMs();
  }
}
