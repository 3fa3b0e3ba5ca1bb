import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { DOG_FILE, type Staff, TODAY } from '@mansuet/core/contract';
import { momentOf, type Zone } from '@mansuet/core/days';
import type { EventDraft } from '@mansuet/core/log';
import { usualService } from '@mansuet/core/next-visit';
import { SERVICE_ITEMS, type ServiceItem } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { DateField } from '../controls/date-field';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { ScreenName } from '../navigation/screen-name';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitLog } from '../visit-log/visit-log.service';
import { TodayService } from '../today/today.service';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { OfferTimes } from './offer-times';

/** Books a visit: the first event of its log. */
@Component({
  selector: 'man-book-visit',
  imports: [ChoiceGroup, Choices, DateField, FormErrors, FormsModule, Notice, NumberField, OfferTimes, TextField, Toggle],
  templateUrl: './book-visit.page.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BookVisitPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly clock = inject(ClockService);
  private readonly day = inject(TodayService);
  private readonly log = inject(VisitLog);
  readonly dogId = input.required<string>();

  protected readonly items = choicesOf(SERVICE_ITEMS, this.words.labels.service);
  protected readonly name = signal('');
  protected readonly ranges = RANGES;
  protected readonly staff = signal<readonly Staff[]>([]);
  protected readonly date = signal(this.clock.today());
  protected readonly time = signal(this.clock.timeOfDay(Math.ceil(this.clock.now() / QUARTER_MS) * QUARTER_MS));
  protected readonly groomerId = signal(this.session.signedIn()?.staff.staffId ?? '');
  protected readonly asked = signal<readonly ServiceItem[]>([]);
  protected readonly wantedMm = signal<number | null>(null);
  protected readonly sessionMinutes = signal<number | null>(null);
  /** What is proposed is there: nothing is booked that nobody has seen. */
  protected readonly ready = signal(false);
  /** Why it is proposed so. */
  protected readonly because = signal<readonly string[]>([]);
  /** Nobody has to say: then the usual interval counts. */
  protected readonly returnWeeks = signal<number | null>(null);
  protected readonly helperThere = signal(false);
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly groomers = computed(() =>
    this.staff()
      .filter((s) => s.role !== 'bather' && !s.left)
      .map((s) => ({ value: s.staffId, label: s.name })),
  );

  /** What is asked for, as it stands on the page. */
  protected readonly askedFor = computed(() => ({
    items: [...this.asked()],
    wantedMm: this.wantedMm() ?? NaN,
    sessionMinutes: this.sessionMinutes() ?? NaN,
    ...(this.returnWeeks() === null ? {} : { returnWeeks: this.returnWeeks() ?? NaN }),
  }));

  constructor() {
    inject(ScreenName).follow(() => this.name() && `A visit for ${this.name()}`);
    effect(() => void this.load(this.dogId()));
  }

  private async load(dogId: string): Promise<void> {
    const file = await this.api.get(`/dogs/${dogId}`, DOG_FILE);
    if (file.ok) {
      const { dog, visits } = file.value;
      this.name.set(dog.name);
      const usual = usualService(
        dog,
        visits.map((v) => v.summary),
        this.clock.today(),
      );
      this.asked.set(usual.asked.items);
      this.wantedMm.set(usual.asked.wantedMm);
      this.sessionMinutes.set(usual.asked.sessionMinutes);
      this.because.set(usual.because.map(this.words.say));
    } else {
      // Without its file nothing is known of its own visits: the salon's usual time, and what is asked for is chosen by hand.
      this.wantedMm.set(9);
      this.sessionMinutes.set(90);
      this.trouble.set(sayFailure(this.words, file.failure));
    }
    this.ready.set(true);
    const today = await this.api.get('/today', TODAY);
    if (today.ok) this.staff.set(today.value.staff);
  }

  protected toggle(item: ServiceItem): void {
    this.asked.update((a) => (a.includes(item) ? a.filter((x) => x !== item) : [...a, item]));
  }

  protected async book(): Promise<void> {
    this.trouble.set('');
    const arrivesMs = arrivalOf(this.date(), this.time(), this.clock.zone());
    if (arrivesMs === undefined) {
      this.errors.set(new Map([['body.arrivesAt', 'Give a day and a time.']]));
      return;
    }
    const visitId = this.log.newVisitId();
    const draft: EventDraft = {
      type: 'visit_booked',
      body: {
        dogId: this.dogId(),
        arrivesAt: new Date(arrivesMs).toISOString(),
        zone: this.clock.zone(),
        groomerId: this.groomerId(),
        asked: this.askedFor(),
        helperThere: this.helperThere(),
      },
    };
    const wrong = this.log.check(visitId, draft);
    this.errors.set(new Map(wrong.map((f) => [f.path, this.words.say(f.says)])));
    if (wrong.length > 0) return;
    try {
      await this.log.record(visitId, draft);
    } catch (error: unknown) {
      this.trouble.set(sayStorageTrouble(error));
      return;
    }
    // The day is read from the server: it is asked once the booking is there, or at once when it has to wait.
    await this.log.flush();
    const refused = this.log.refused().find((k) => k.visitId === visitId);
    if (refused) {
      this.trouble.set(refused.refusedWhy ?? '');
      return;
    }
    if (await this.log.waits(visitId)) {
      this.trouble.set('The booking is kept on this device and goes to the server as soon as it answers.');
      return;
    }
    this.day.refresh();
    await this.router.navigate(this.date() === this.clock.today() ? ['/visits', visitId, 'know'] : ['/today']);
  }
}

const QUARTER_MS = 900_000;

/** The moment of a day and a clock time in the salon; `undefined` for what is none. */
function arrivalOf(day: string, time: string, zone: Zone): number | undefined {
  try {
    return momentOf(day, time, zone);
  } catch {
    return undefined;
  }
}
