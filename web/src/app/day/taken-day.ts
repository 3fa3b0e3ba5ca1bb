import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { auditTime } from 'rxjs';
import * as z from 'zod';
import { DAY_PERSON, DAY_PLAN, type DayPlanForm, type KeptDayPlan, type SalonPerson } from '@mansuet/core/contract';
import { BookService } from '../book/book.service';
import { sayFailure } from '../server/api.service';
import { LiveService } from '../server/live.service';
import { TodayService } from '../today/today.service';
import { VISIT_DB } from '../visit-log/visit-db';
import { Words } from '../wording/words.service';

/** What changes at once is looked at once. */
const SETTLE_MS = 1_000;
/** Under this key the people and the plan of the day are kept on the device. */
const KEY = 'day';
const DAY_KEPT = z.object({ day: z.iso.date(), people: z.array(DAY_PERSON), kept: DAY_PLAN.nullable() });

/** The plan of today as a lead has taken it, with who works: on the server, on this device when the server is away, and dropped again. */
@Injectable()
export class TakenDay {
  private readonly words = inject(Words);
  private readonly book = inject(BookService);
  private readonly db = inject(VISIT_DB);
  private readonly today = inject(TodayService);

  readonly people = signal<readonly SalonPerson[]>([]);
  /** As the server has it: one without any dog was dropped, and its version counts on. */
  private readonly stored = signal<KeptDayPlan | null>(null);
  /** The day that was taken. */
  readonly kept = computed(() => ((this.stored()?.schedule.stretches.length ?? 0) > 0 ? this.stored() : null));
  /** Dropped on this screen: it can be taken again as it was. */
  readonly dropped = signal<KeptDayPlan | null>(null);
  /** What was read of the server belongs to this day. */
  readonly readOn = signal('');
  readonly trouble = signal('');
  /** The server does not answer, and this device knows no plan of this day. */
  readonly offline = signal('');
  readonly keeping = signal(false);

  constructor() {
    inject(LiveService)
      .changes$.pipe(auditTime(SETTLE_MS), takeUntilDestroyed())
      .subscribe(() => void this.readPlan());
    const ofDay = computed(() => this.today.today()?.day);
    effect(() => {
      const today = ofDay();
      if (today !== undefined) untracked(() => void this.read(today));
    });
  }

  /** No day is taken any more: who is booked with whom stays, and a day is proposed again. */
  async drop(): Promise<void> {
    const [kept, today] = [this.kept(), this.today.today()?.day];
    if (!kept || today === undefined) return;
    if (await this.keep(today, { schedule: { stretches: [], breaks: [], unplaced: [] }, put: [], told: [], inTime: 0 }))
      this.dropped.set(kept);
  }
  /** As it was before it was dropped. */
  async takeAgain(): Promise<void> {
    const [dropped, today] = [this.dropped(), this.today.today()?.day];
    if (!dropped || today === undefined) return;
    const { schedule, put, told, inTime } = dropped;
    if (await this.keep(today, { schedule, put, told, inTime })) this.dropped.set(null);
  }

  /** @returns whether the server has it now */
  async keep(day: string, plan: Omit<DayPlanForm, 'day' | 'version'>): Promise<boolean> {
    this.keeping.set(true);
    this.trouble.set('');
    const answer = await this.book.keepPlan({ day, version: this.stored()?.version ?? 0, ...plan });
    this.keeping.set(false);
    if (answer.ok) this.stored.set(answer.value);
    else {
      this.trouble.set(sayFailure(this.words, answer.failure));
      if (answer.failure.kind === 'refused') void this.read(day);
    }
    return answer.ok;
  }

  private async read(day: string): Promise<void> {
    const [book, plan] = await Promise.all([this.book.days(day, day), this.book.plan(day)]);
    if (book.ok && plan.ok) {
      this.show({ day, people: book.value.people, kept: plan.value });
      await this.db.answers.put({ key: KEY, value: { day, people: book.value.people, kept: plan.value } });
      return;
    }
    for (const answer of [book, plan])
      if (!answer.ok && answer.failure.kind === 'refused') this.trouble.set(sayFailure(this.words, answer.failure));
    const before = DAY_KEPT.safeParse((await this.db.answers.get(KEY))?.value);
    if (this.readOn() !== day && before.success && before.data.day === day) this.show(before.data);
    else if (this.readOn() !== day)
      this.offline.set($localize`:@@day.offline:The server does not answer: the plan of the day is shown when it does.`);
  }
  private show({ day, people, kept }: z.infer<typeof DAY_KEPT>): void {
    // What was dropped yesterday is no plan for today.
    if (this.readOn() !== day) this.dropped.set(null);
    this.people.set(people);
    this.stored.set(kept);
    this.readOn.set(day);
    this.offline.set('');
  }
  /** Somebody else may have taken a plan. */
  private async readPlan(): Promise<void> {
    const day = this.readOn();
    if (day === '') return this.read(this.today.today()?.day ?? '');
    const plan = await this.book.plan(day);
    if (plan.ok && plan.value?.version !== this.stored()?.version) this.stored.set(plan.value);
  }
}
