import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { clockOfMinute, momentOf } from '@mansuet/core/days';
import { hereSince, whyThere } from '@mansuet/core/day';
import type { EventDraft } from '@mansuet/core/log';
import { BOOKING_OFF, type BookingOff } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { TodayService } from '../today/today.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitLog } from '../visit-log/visit-log.service';
import { screenOf } from '../visit/screen-of';
import { Words } from '../wording/words.service';
import { mainHands } from './day-changes';
import { DayStore } from './day-store';
import type { PutAt } from './lead-lines';
import { inTen } from './say-chance';
import { clockOf } from '../wording/formats';

/** A later arrival is told by one press, minutes from now. */
const LATER = [15, 30, 60] as const;

/** The dog that is chosen on the lines: when and with whom, how sure, why there, and what can be done about it. */
@Component({
  selector: 'man-dog-there',
  imports: [ChoiceGroup, Notice, RouterLink, SelectField, TextField],
  templateUrl: './dog-there.html',
  styleUrl: './dog-there.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogThere {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly day = inject(TodayService);
  private readonly log = inject(VisitLog);
  protected readonly session = inject(SessionService);
  protected readonly store = inject(DayStore);
  readonly visitId = input.required<string>();
  readonly closed = output();
  readonly moved = output<PutAt>();

  protected readonly later = LATER;
  protected readonly offWays = choicesOf(BOOKING_OFF, this.words.labels.bookingOff);
  protected readonly trouble = signal('');
  protected readonly asksOff = linkedSignal<string, boolean>({ source: this.visitId, computation: () => false });
  protected readonly tag = computed(() => this.day.tags().find((t) => t.visit.visitId === this.visitId()));
  protected readonly name = computed(() => this.tag()?.visit.dog.name ?? '');
  protected readonly screen = computed(() => screenOf(this.tag()?.phase ?? 'know'));
  protected readonly place = computed(() => {
    const shown = this.store.shown();
    return shown && mainHands(shown.schedule).find((m) => m.dog === this.visitId());
  });
  protected readonly isHere = computed(() => {
    const state = this.tag()?.state;
    return state !== undefined && hereSince(state) !== undefined;
  });
  /** It has not begun: it can still be put elsewhere, come later, or not at all. */
  protected readonly isAhead = computed(() => {
    const t = this.tag();
    return t !== undefined && !t.state.work && !t.state.ended && t.phase !== 'off';
  });
  protected readonly isPut = computed(() => this.store.put().has(this.visitId()));
  protected readonly people = computed(() => this.store.people().map((p) => ({ value: p.staffId, label: p.name })));
  /** What was typed for this dog: a day that is laid out anew meanwhile takes none of it. */
  protected readonly typed = linkedSignal<string, { person?: string; time?: string }>({ source: this.visitId, computation: () => ({}) });
  protected readonly person = computed(() => this.typed().person ?? this.place()?.person ?? '');
  protected readonly time = computed(() => {
    const p = this.place();
    return this.typed().time ?? (p ? clockOfMinute(p.from) : '');
  });
  protected type(part: { person?: string; time?: string }): void {
    this.typed.update((t) => ({ ...t, ...part }));
  }

  protected readonly when = computed(() => {
    const p = this.place();
    const odds = this.store.shown()?.odds.dogs.find((d) => d.dog === this.visitId());
    if (!p || !odds) return '';
    const [from, end, late] = [clockOf(p.from), clockOf(odds.end), clockOf(odds.endLate)];
    const who = this.store.personName(p.person);
    return $localize`:@@there.when:${from}:from: with ${who}:who:. Ready about ${end}:end:, on one day in ten later than ${late}:late:.`;
  });
  protected readonly fetched = computed(() => {
    const wished = this.store.problem()?.dogs.find((d) => d.id === this.visitId())?.wishedBy?.at;
    const chance = this.store.shown()?.odds.dogs.find((d) => d.dog === this.visitId())?.inTime;
    if (wished === undefined || chance === undefined) return '';
    return $localize`:@@there.fetched:Its owner comes at ${clockOf(wished)}:at:: ready by then ${inTen(chance)}:chance:.`;
  });
  protected readonly why = computed(() => {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown) return [];
    const names = { dog: this.store.dogName, person: this.store.personName };
    return whyThere(problem, shown.schedule, this.visitId(), names).map((r) => this.words.say(r));
  });

  protected put(): void {
    const at = /^(\d\d):(\d\d)$/.exec(this.time());
    if (!at || this.person() === '') {
      this.trouble.set($localize`:@@there.putMissing:Give a time, as 09:30, and say with whom.`);
      return;
    }
    this.trouble.set('');
    this.moved.emit({ visitId: this.visitId(), person: this.person(), from: Number(at[1]) * 60 + Number(at[2]) });
    this.typed.set({});
  }

  protected here(): Promise<void> {
    return this.record({ type: 'dog_arrived', body: {} });
  }
  protected comesIn(minutes: number): Promise<void> {
    return this.record({ type: 'late_told', body: { expectedAt: new Date(this.clock.now() + minutes * 60_000).toISOString() } });
  }
  protected async off(how: BookingOff): Promise<void> {
    await this.record({ type: 'booking_off', body: { how, why: '' } });
    this.asksOff.set(false);
  }
  /** What was called off is on again, at its time. */
  protected on(): Promise<void> {
    const state = this.tag()?.state;
    if (!state?.arrivesAt || !state.groomerId) return Promise.resolve();
    const zone = this.clock.zone();
    // The same time of that day, whatever the clocks have done since.
    const arrivesAt = new Date(momentOf(this.clock.dayOf(state.arrivesAt), this.clock.timeOfDay(state.arrivesAt), zone)).toISOString();
    return this.record({ type: 'booking_moved', body: { arrivesAt, groomerId: state.groomerId, zone, why: '' } });
  }

  private async record(draft: EventDraft): Promise<void> {
    this.trouble.set('');
    try {
      await this.log.record(this.visitId(), draft);
    } catch (error) {
      this.trouble.set(sayStorageTrouble(error));
    }
  }
}
