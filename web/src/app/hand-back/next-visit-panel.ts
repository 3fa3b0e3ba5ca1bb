import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { DAY_TAKEN, NO_OPENING } from '@mansuet/core/contract';
import { openDayNear, openOn } from '@mansuet/core/day';
import { minuteOfDay, momentOf } from '@mansuet/core/days';
import { proposeHour, type Taken, usualService } from '@mansuet/core/next-visit';
import { summarize } from '@mansuet/core/visit';
import { reason, type ServiceItem } from '@mansuet/core/words';
import { ChoiceGroup } from '../controls/choice-group';
import { DateField } from '../controls/date-field';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { TextField } from '../controls/text-field';
import { ApiService } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { VisitStore } from '../visit/visit-store';
import { VisitLog } from '../visit-log/visit-log.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { dayInWords } from '../wording/time';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { HandBackStore } from './hand-back-store';

/** The next visit: days with their reasons; the chosen one is booked by one tap, for this dog's usual service and its own minutes. */
@Component({
  selector: 'man-next-visit-panel',
  imports: [ChoiceGroup, DateField, Notice, NumberField, TextField],
  templateUrl: './next-visit-panel.html',
  styleUrl: './hand-back.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NextVisitPanel {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  private readonly log = inject(VisitLog);
  protected readonly visit = inject(VisitStore);
  protected readonly store = inject(HandBackStore);
  protected readonly ranges = RANGES;
  protected readonly trouble = signal('');
  protected readonly vetSaysYes = signal(false);
  private readonly typedDay = signal<string | undefined>(undefined);
  private readonly typedHour = signal<string | undefined>(undefined);
  private readonly typedMinutes = signal<number | null | undefined>(undefined);
  private readonly taken = signal<readonly Taken[]>([]);
  /** When the groomer works that day; `undefined` until it is known: then as long as the salon is open. */
  private readonly works = signal<Taken | null | undefined>(undefined);
  private readonly opening = computed(() => this.visit.context()?.salon.opening ?? NO_OPENING);

  protected readonly may = computed(() => this.session.may('book'));
  protected readonly booked = computed(() => this.visit.state().nextVisit);
  /** A day each, with all that speaks for it. */
  protected readonly days = computed(() => {
    const why = new Map<string, string[]>();
    for (const d of this.store.dates()) {
      const day = openDayNear(this.opening(), d.date, this.visit.today());
      const shut = day === d.date ? [] : [this.words.say(reason('next.shut', { on: d.date }, 0.5))];
      why.set(day, [...(why.get(day) ?? []), `${this.words.say(d.because)} (${this.words.source(d.because)})`, ...shut]);
    }
    return [...why].map(([value, reasons]) => ({ value, label: this.when(value), detail: reasons.join(' ') }));
  });
  protected readonly vetFirst = computed(() => {
    const first = this.store.vetFirst();
    return first ? this.words.say(first) : '';
  });
  protected readonly day = computed(() => this.typedDay() ?? this.days()[0]?.value ?? '');
  private readonly usual = computed(() => {
    const dog = this.visit.dog();
    return dog && usualService(dog, [summarize(this.visit.state()), ...this.visit.past()], this.visit.today());
  });
  protected readonly because = computed(() => (this.usual()?.because ?? []).map(this.words.say));
  protected readonly minutes = computed(() =>
    this.typedMinutes() === undefined ? (this.usual()?.asked.sessionMinutes ?? null) : this.typedMinutes(),
  );
  protected readonly hour = computed(() => proposeHour(this.taken(), this.minutes() || 60, this.worksThen()));
  private worksThen(): Taken | undefined {
    const works = this.works();
    return works === undefined ? openOn(this.opening(), this.day()) : (works ?? undefined);
  }
  protected readonly at = computed(() => this.typedHour() ?? this.hour().at);
  protected readonly hourWhy = computed(() => this.words.say(this.hour().because));
  protected readonly items = computed(() => this.words.list((this.usual()?.asked.items ?? []).map((i) => this.words.labels.service[i])));

  constructor() {
    effect(() => void this.look(this.day(), this.visit.state().groomerId));
  }
  protected readonly when = (date: string): string => (/^\d{4}-\d\d-\d\d$/.test(date) ? dayInWords(date, this.visit.today()) : '');
  protected pick(day: string): void {
    this.typedDay.set(day);
    this.typedHour.set(undefined);
  }
  protected setHour(at: string): void {
    this.typedHour.set(at);
  }
  protected setMinutes(minutes: number | null): void {
    this.typedMinutes.set(minutes);
  }

  private async look(day: string, groomerId: string | undefined): Promise<void> {
    if (!/^\d{4}-\d\d-\d\d$/.test(day) || !groomerId) return;
    const answer = await this.api.get(`/day-taken?on=${day}&groomerId=${groomerId}`, DAY_TAKEN);
    if (!answer.ok || day !== this.day()) return;
    this.taken.set(answer.value.taken);
    this.works.set(answer.value.works);
  }

  /** Two entries: the booking in its own log, and which one it is in this. */
  protected async book(): Promise<void> {
    const [asked, minutes, groomerId, dogId] = [
      this.usual()?.asked,
      this.minutes(),
      this.visit.state().groomerId,
      this.visit.state().dogId,
    ];
    if (!asked || !minutes || !groomerId || !dogId) return;
    const arrives = this.arrival();
    if (arrives === undefined) {
      this.trouble.set($localize`:@@next.noDay:Give a day from today on, and a time.`);
      return;
    }
    const visitId = this.log.newVisitId();
    const items: ServiceItem[] = [...asked.items];
    try {
      await this.log.record(visitId, {
        type: 'visit_booked',
        body: {
          dogId,
          arrivesAt: new Date(arrives).toISOString(),
          zone: this.clock.zone(),
          groomerId,
          asked: { ...asked, items, sessionMinutes: Math.round(minutes) },
          helperThere: false,
        },
      });
    } catch (error: unknown) {
      this.trouble.set(sayStorageTrouble(error));
      return;
    }
    this.trouble.set('');
    await this.visit.record({
      type: 'next_visit',
      body: { visitId, on: this.day(), at: this.at(), sessionMinutes: Math.round(minutes), items },
    });
  }

  private arrival(): number | undefined {
    if (this.day() < this.visit.today() || Number.isNaN(minuteOfDay(this.at()))) return undefined;
    try {
      return momentOf(this.day(), this.at(), this.clock.zone());
    } catch {
      return undefined;
    }
  }
}
