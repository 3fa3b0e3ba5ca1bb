import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { Book, BookedVisit } from '@mansuet/core/contract';
import {
  bookedSchedule,
  brokenByBooking,
  type DayProblem,
  dogOfBooking,
  openOn,
  problemOfDay,
  sayBroken,
  weekdayOf,
  worksOn,
} from '@mansuet/core/day';
import { addDays, clockOfMinute, momentOf } from '@mansuet/core/days';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitLog } from '../visit-log/visit-log.service';
import { Words } from '../wording/words.service';
import { Latest } from '../planner/latest';
import type { PutAt } from '../day/lead-lines';
import { BookService } from './book.service';
import { clockOf } from '../wording/formats';

const WEEK = 7;
const NOTHING: Book = { people: [], visits: [] };

/** What was done last, so that it can be taken back. */
interface Moved {
  readonly visit: BookedVisit;
  readonly says: string;
}

/** The book, a week of it at a time: what is booked, what stands against a move, and moving. */
@Injectable()
export class BookStore {
  private readonly words = inject(Words);
  private readonly service = inject(BookService);
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  private readonly log = inject(VisitLog);
  private readonly latest = new Latest();

  readonly day = signal(this.clock.today());
  readonly monday = computed(() => addDays(this.day(), -weekdayOf(this.day())));
  readonly days = computed(() => Array.from({ length: WEEK }, (_, i) => addDays(this.monday(), i)));
  readonly book = signal<Book>(NOTHING);
  readonly loaded = signal(false);
  readonly trouble = signal('');
  readonly moved = signal<Moved | undefined>(undefined);
  readonly may = computed(() => this.session.may('book'));
  private readonly again = signal(0);

  private readonly salon = computed(() => this.session.signedIn()?.salon);
  readonly isShut = computed(() => {
    const salon = this.salon();
    return salon !== undefined && openOn(salon.opening, this.day()) === undefined;
  });
  readonly visits = computed(() => this.on(this.day()));
  readonly problem = computed(() => this.problemOf(this.day(), this.visits()));
  readonly schedule = computed(() => {
    const problem = this.problem();
    return problem && bookedSchedule(problem, this.visits());
  });
  /** A day as it stands in the book: with some visits. @param day ISO date */
  private problemOf(day: string, visits: readonly BookedVisit[]): DayProblem | undefined {
    const salon = this.salon();
    if (!salon) return undefined;
    const dogs = visits.filter((v) => v.phase !== 'off').map((v) => dogOfBooking(v, this.clock.zone()));
    return problemOfDay(salon, day, this.book().people, dogs).problem;
  }

  constructor() {
    inject(LiveService).changes$.subscribe(() => this.again.update((n) => n + 1));
    effect(() => {
      const [from, to] = [this.monday(), addDays(this.monday(), WEEK - 1)];
      this.again();
      untracked(() => this.load(from, to));
    });
  }

  reload(): void {
    this.again.update((n) => n + 1);
  }
  private load(from: string, to: string): void {
    this.latest.hear(
      this.service.days(from, to),
      (answer) => {
        if (answer.ok) {
          this.book.set(answer.value);
          this.loaded.set(true);
          this.trouble.set('');
        } else this.trouble.set(sayFailure(this.words, answer.failure));
      },
      () => this.trouble.set($localize`:@@book.failed:The book could not be read. Load the page again.`),
    );
  }

  readonly dogName = (visitId: string): string => this.book().visits.find((v) => v.visitId === visitId)?.dog ?? '';
  readonly personName = (staffId: string): string => this.book().people.find((p) => p.staffId === staffId)?.name ?? '';
  on(day: string): BookedVisit[] {
    return this.book().visits.filter((v) => this.clock.dayOf(v.arrivesAt) === day);
  }

  /** How full somebody’s day is: minutes booked of those they work; nothing for a day off. */
  fullness(staffId: string, day: string): { dogs: readonly BookedVisit[]; minutes: number; of: number } | undefined {
    const salon = this.salon();
    const person = this.book().people.find((p) => p.staffId === staffId);
    const works = salon && person && worksOn(salon.opening, person, day);
    const own = this.on(day).filter((v) => v.groomerId === staffId && v.phase !== 'off');
    if (!works && own.length === 0) return undefined;
    return { dogs: own, minutes: own.reduce((sum, v) => sum + v.minutes, 0), of: works ? works.to - works.from : 0 };
  }

  /** Where a booking would be, and what stands against it there. */
  sayAt(to: PutAt, day = this.day()): { where: string; against: string[] } {
    const where = $localize`:@@book.at:${this.dogName(to.visitId)}:dog: at ${clockOf(to.from)}:at: with ${this.personName(to.person)}:who:`;
    const visit = this.book().visits.find((v) => v.visitId === to.visitId);
    if (!visit) return { where, against: [] };
    // As if it were booked there: what stands against it is what the day of the book would break.
    const moved = { ...visit, phase: 'know' as const, groomerId: to.person, arrivesAt: this.momentOf(day, to.from) };
    const visits = [...this.on(day).filter((v) => v.visitId !== to.visitId), moved];
    const problem = this.problemOf(day, visits);
    if (!problem) return { where, against: [] };
    const broken = brokenByBooking(problem, bookedSchedule(problem, visits), to.visitId, to);
    const names = { dog: this.dogName, person: this.personName };
    return { where, against: broken.map((b) => this.words.say(sayBroken(b, problem, names, to.visitId))) };
  }
  private momentOf(day: string, minute: number): string {
    return new Date(momentOf(day, clockOfMinute(minute), this.clock.zone())).toISOString();
  }

  /** Moves a booking: its log goes with it, and it can be taken back. @param day where it is moved to, ISO; the day that is open when it is not given */
  async move(to: PutAt, why = '', day = this.day()): Promise<boolean> {
    const visit = this.book().visits.find((v) => v.visitId === to.visitId);
    if (!visit || to.from < 0 || to.from >= 24 * 60) return false;
    const arrivesAt = this.momentOf(day, to.from);
    const says = $localize`:@@book.moved:${visit.dog}:dog: comes at ${clockOf(to.from)}:at: with ${this.personName(to.person)}:who:.`;
    if (!(await this.record(visit, arrivesAt, to.person, why))) return false;
    this.moved.set({ visit, says });
    return true;
  }
  async takeBack(): Promise<void> {
    const moved = this.moved();
    if (moved && (await this.record(moved.visit, moved.visit.arrivesAt, moved.visit.groomerId, ''))) this.moved.set(undefined);
  }
  async callOff(visit: BookedVisit, how: NonNullable<BookedVisit['off']>): Promise<void> {
    if (await this.write(visit.visitId, () => this.log.record(visit.visitId, { type: 'booking_off', body: { how, why: '' } })))
      this.moved.set({ visit, says: $localize`:@@book.off:${visit.dog}:dog: does not come.` });
  }

  private record(visit: BookedVisit, arrivesAt: string, groomerId: string, why: string): Promise<boolean> {
    const body = { arrivesAt, groomerId, zone: this.clock.zone(), why };
    return this.write(visit.visitId, () => this.log.record(visit.visitId, { type: 'booking_moved', body }));
  }
  /** Written on this device first; the book shows it once the server has it. */
  private async write(visitId: string, record: () => Promise<unknown>): Promise<boolean> {
    this.trouble.set('');
    try {
      await record();
    } catch (error) {
      this.trouble.set(sayStorageTrouble(error));
      return false;
    }
    await this.log.flush();
    const refused = this.log.refused().find((k) => k.visitId === visitId);
    if (refused) {
      this.trouble.set(refused.refusedWhy ?? '');
      return false;
    }
    if (await this.log.waits(visitId))
      this.trouble.set($localize`:@@book.waits:This is kept on this device and goes to the server as soon as it answers.`);
    this.again.update((n) => n + 1);
    return true;
  }
}
