import { type CdkDragDrop, CdkDropList, CdkDropListGroup, DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import type { BookedVisit } from '@mansuet/core/contract';
import { minuteOfDay } from '@mansuet/core/days';
import { Announcer } from '../controls/announcer';
import { ClockService } from '../server/clock.service';
import { dateOf } from '../wording/formats';
import { BookStore } from './book-store';

/** Somebody's day in the week. */
interface Cell {
  readonly staffId: string;
  readonly day: string;
}

/** The week: how full everybody's days are, and which dogs are on them. A dog is dragged to another day or another line, and comes at the same hour. */
@Component({
  selector: 'man-week-view',
  imports: [CdkDropList, CdkDropListGroup, DragDropModule],
  templateUrl: './week-view.html',
  styleUrl: './week-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeekView {
  private readonly clock = inject(ClockService);
  private readonly announcer = inject(Announcer);
  protected readonly store = inject(BookStore);
  /** A day, or a dog on its day, is looked at closer. */
  readonly opened = output<{ readonly day: string; readonly visitId?: string }>();
  protected readonly says = signal('');
  protected readonly people = computed(() => this.store.book().people);

  protected weekday(day: string): string {
    return dateOf(day, 'weekday_short');
  }
  protected cell(staffId: string, day: string): { says: string; dogs: readonly BookedVisit[]; share: number; over: boolean } {
    const full = this.store.fullness(staffId, day);
    if (!full) return { says: $localize`:@@book.offDay:off`, dogs: [], share: 0, over: false };
    const says =
      full.dogs.length === 0
        ? $localize`:@@book.cellFree:free, ${hours(full.of)}:of:`
        : $localize`:@@book.cell:${hours(full.minutes)}:booked: of ${hours(full.of)}:of:`;
    return { says, dogs: full.dogs, share: full.of > 0 ? Math.min(1, full.minutes / full.of) : 1, over: full.minutes > full.of };
  }
  protected sayDog(v: BookedVisit): string {
    return `${this.clock.sayTime(v.arrivesAt)} ${v.dog}`;
  }
  /** Nothing was begun: it can be moved. */
  protected canMove(v: BookedVisit): boolean {
    return this.store.may() && v.phase === 'know';
  }

  protected over(v: BookedVisit, { data }: CdkDropList<Cell>): void {
    this.says.set(this.sayAt(v, data.staffId, data.day));
  }
  private sayAt(v: BookedVisit, staffId: string, day: string): string {
    const { where, against } = this.store.sayAt({ visitId: v.visitId, person: staffId, from: this.minuteOf(v) }, day);
    const when = $localize`:@@week.at:${this.weekday(day)}:day:, ${where}:where:`;
    return against.length === 0 ? $localize`:@@book.free:${when}:where:: nothing stands against it.` : `${when}: ${against.join(' ')}`;
  }
  protected async drop({ item, container, previousContainer }: CdkDragDrop<Cell, Cell, BookedVisit>): Promise<void> {
    const [v, to] = [item.data, container.data];
    if (container === previousContainer) {
      this.says.set('');
      return;
    }
    const says = this.sayAt(v, to.staffId, to.day);
    if (await this.store.move({ visitId: v.visitId, person: to.staffId, from: this.minuteOf(v) }, '', to.day)) this.announcer.say(says);
  }
  private minuteOf(v: BookedVisit): number {
    return minuteOfDay(this.clock.timeOfDay(v.arrivesAt));
  }
}

/** Minutes as hours. */
export const hours = (minutes: number): string =>
  minutes % 60 === 0
    ? $localize`:@@book.hours:${Math.floor(minutes / 60)}:hours: h`
    : $localize`:@@book.hoursMinutes:${Math.floor(minutes / 60)}:hours: h ${Math.round(minutes % 60)}:minutes:`;
