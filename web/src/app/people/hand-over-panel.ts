import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { BookedVisit, Person, SalonPerson } from '@mansuet/core/contract';
import { handOver } from '@mansuet/core/day';
import { addDays } from '@mansuet/core/days';
import { BookService } from '../book/book.service';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitLog } from '../visit-log/visit-log.service';
import { Words } from '../wording/words.service';

/** So much of the book is read at once, and so often: nobody books further ahead than a year. */
const WINDOW_DAYS = 42;
const WINDOWS = 9;
const WHY = $localize`:@@handOver.why:Handed over`;

/** Visits ahead that are booked with somebody: to whom each could go, and giving them away. */
@Component({
  selector: 'man-hand-over',
  imports: [Notice, SelectField],
  template: `@if (rows().length > 0) {
      <h3 i18n="@@handOver.title">Visits ahead of {{ person().name }}</h3>
      <ul>
        @for (r of rows(); track r.visit.visitId) {
          <li>
            <span
              ><b>{{ r.visit.dog }}</b> {{ say(r.visit) }}</span
            >
            <man-select
              label="To whom"
              i18n-label="@@handOver.to"
              optional
              placeholder="nobody is free then"
              i18n-placeholder="@@handOver.nobody"
              [of]="others()"
              [value]="r.to"
              (chosen)="give(r.visit.visitId, $event)"
            />
          </li>
        }
      </ul>
      <div class="row">
        <button type="button" class="plain" [disabled]="busy()" (click)="keep()" i18n="@@handOver.keep">Hand them over so</button>
      </div>
      <p class="quiet small" i18n="@@handOver.how">
        Proposed: whoever works at that time, has no dog then, and has least on that day. The day and the hour stay.
      </p>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <man-notice kind="good" live="status" [says]="said()" />`,
  styles: `
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(160px, 260px);
      gap: 12px;
      align-items: center;
      padding: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandOverPanel {
  private readonly words = inject(Words);
  private readonly book = inject(BookService);
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  private readonly log = inject(VisitLog);
  readonly person = input.required<Person>();
  /** Some were given away. */
  readonly given = output();
  private readonly visits = signal<readonly BookedVisit[]>([]);
  private readonly people = signal<readonly SalonPerson[]>([]);
  /** Chosen otherwise than proposed. */
  private readonly chosen = signal<ReadonlyMap<string, string | null>>(new Map());
  protected readonly trouble = signal('');
  protected readonly said = signal('');
  protected readonly busy = signal(false);

  protected readonly others = computed(() =>
    this.people()
      .filter((p) => p.staffId !== this.person().staffId && p.role !== 'bather')
      .map((p) => ({ value: p.staffId, label: p.name })),
  );
  protected readonly rows = computed(() => {
    const opening = this.session.signedIn()?.salon.opening;
    if (!opening) return [];
    const groomers = this.people().filter((p) => p.role !== 'bather');
    const proposed = handOver(this.visits(), this.person().staffId, groomers, opening, this.clock.zone());
    const visits = new Map(this.visits().map((v) => [v.visitId, v]));
    return proposed.flatMap(({ visitId, to }) => {
      const visit = visits.get(visitId);
      const own = this.chosen().get(visitId);
      return visit ? [{ visit, to: own === undefined ? (to ?? null) : own }] : [];
    });
  });

  constructor() {
    effect(() => void this.load(this.person()));
  }
  private async load({ visitsAhead, staffId }: Person): Promise<void> {
    const found: BookedVisit[] = [];
    const ahead = (): number => found.filter((v) => v.groomerId === staffId && v.phase === 'know').length;
    let from = this.clock.today();
    for (let window = 0; window < WINDOWS && ahead() < visitsAhead; window++) {
      const to = addDays(from, WINDOW_DAYS - 1);
      const answer = await this.book.days(from, to);
      if (!answer.ok) {
        this.trouble.set(sayFailure(this.words, answer.failure));
        return;
      }
      this.people.set(answer.value.people);
      found.push(...answer.value.visits);
      from = addDays(to, 1);
    }
    this.visits.set(found.filter((v) => Date.parse(v.arrivesAt) > this.clock.now()));
  }

  protected say(v: BookedVisit): string {
    return this.clock.sayMoment(v.arrivesAt);
  }
  protected give(visitId: string, to: string | null): void {
    this.chosen.update((all) => new Map([...all, [visitId, to]]));
  }
  protected async keep(): Promise<void> {
    this.busy.set(true);
    this.trouble.set('');
    const given = this.rows().filter((r) => r.to !== null);
    try {
      for (const { visit, to } of given) {
        if (to === null) continue;
        const body = { arrivesAt: visit.arrivesAt, groomerId: to, zone: this.clock.zone(), why: WHY };
        await this.log.record(visit.visitId, { type: 'booking_moved', body });
      }
      await this.log.flush();
      this.said.set($localize`:@@handOver.said:${given.length}:count: handed over.`);
      this.given.emit();
    } catch (error) {
      this.trouble.set(sayStorageTrouble(error));
    }
    this.busy.set(false);
  }
}
