import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { homeCare, leftOver, tellVisit, whoIsTold } from '@mansuet/core/hand-back';
import { needsVetNow } from '@mansuet/core/incidents';
import { mattingSeason } from '@mansuet/core/knowledge/coat';
import { nextVisitDates } from '@mansuet/core/next-visit';
import { ClockService } from '../server/clock.service';
import { DateField } from '../controls/date-field';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { SessionService } from '../server/session.service';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { VisitStore } from '../visit/visit-store';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { activityOf } from '@mansuet/core/words';

/** Hand back: what was done and why, home care, next visit, vet advice. */
@Component({
  selector: 'man-hand-back',
  imports: [DateField, EmptyState, Notice, StrainRibbon, TextField],
  templateUrl: './hand-back.page.html',
  styleUrl: './hand-back.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandBackPage {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly router = inject(Router);
  protected readonly session = inject(SessionService);
  protected readonly store = inject(VisitStore);
  protected readonly typedName = signal<string | undefined>(undefined);
  protected readonly typedDate = signal<string | undefined>(undefined);
  protected readonly nameError = signal('');
  protected readonly dateError = signal('');
  protected readonly time = (moment: string | number): string => this.clock.timeOfDay(moment);
  protected readonly holds = this.words.labels.hold;

  protected readonly told = computed(() =>
    tellVisit(this.store.state(), this.store.name(), {
      marks: this.store.planContext()?.knownMarks ?? [],
      vetSeen: this.store.context()?.file.vetSeen ?? [],
    }).map((r) => ({
      text: this.words.say(r),
      vet: r.rule.startsWith('told.vet') || r.rule === 'told.incident',
      weight: r.weight,
    })),
  );
  protected readonly care = computed(() => homeCare(this.store.state(), this.store.name()).map(this.words.say));
  protected readonly holdMinutes = computed(() =>
    [...(this.store.state().work?.holdSeconds ?? [])]
      .map(([hold, seconds]) => ({ hold, minutes: seconds / 60 }))
      .filter((h) => h.minutes > 0)
      .sort((a, b) => b.minutes - a.minutes),
  );
  protected readonly longest = computed(() => Math.max(1, ...this.holdMinutes().map((h) => h.minutes)));
  protected readonly predicted = computed(() => this.store.state().plan?.curve ?? []);
  protected readonly measured = computed(() => this.store.now()?.strain.points ?? []);

  /** When this dog mats, from the feel-overs of its past visits. */
  private readonly season = computed(() => mattingSeason(this.store.matVisits()));
  protected readonly toldHow = computed(() => whoIsTold(this.store.state(), this.store.house()).map(this.words.say));
  protected readonly dates = computed(() => {
    const state = this.store.state();
    const c = this.store.planContext();
    if (!c) return [];
    const done = [...(state.work?.steps.values() ?? [])].filter((s) => s.status === 'done').map((s) => activityOf(s.step));
    const left = leftOver(state);
    const dates = nextVisitDates({
      dog: c.dog,
      done,
      clipOff: state.plan?.steps.some((s) => s.name === 'clip_off_body') ?? false,
      leftWeeks: left.length > 0 ? (state.plan?.secondVisitWeeks ?? LEFT_WEEKS) : undefined,
      stoppedEarly: state.ended?.outcome === 'stopped',
      newMarks: state.feelOver.marks.filter((m) => m.isNew).map((m) => m.zone),
      returnWeeks: state.asked.returnWeeks,
      season: this.season(),
      house: this.store.house(),
      today: c.today,
    });
    return dates.map((d) => ({
      date: d.date,
      words: dayInWords(d.date, c.today),
      why: this.words.say(d.because),
      source: this.words.source(d.because),
    }));
  });
  protected readonly nextDate = computed(() => this.typedDate() ?? this.store.state().handedBack?.nextVisit ?? this.dates()[0]?.date ?? '');
  protected readonly nextWords = computed(() =>
    /^\d{4}-\d\d-\d\d$/.test(this.nextDate()) ? dayInWords(this.nextDate(), this.store.today()) : '',
  );
  protected readonly name = computed(() => this.typedName() ?? this.store.context()?.file.owner.name ?? '');
  protected readonly vetNeeded = computed(() => {
    const s = this.store.state();
    return (
      s.incidents.some((i) => needsVetNow(i.kind, i.harm)) ||
      (s.plan?.notToday.some((n) => n.to === 'vet') ?? false) ||
      this.store.fit()?.vetNow === true
    );
  });

  protected async handBack(): Promise<void> {
    const name = this.name().trim();
    const date = this.nextDate();
    this.nameError.set(name ? '' : 'Who was told?');
    this.dateError.set(
      date === '' || (/^\d{4}-\d\d-\d\d$/.test(date) && date >= this.store.today()) ? '' : 'A day from today on, or none.',
    );
    if (this.nameError() || this.dateError()) return;
    await this.store.record({ type: 'handed_back', body: { toldTo: name, nextVisit: date || null, vetAdvised: this.vetNeeded() } });
    await this.router.navigateByUrl('/today');
  }
}

/** When work was left and no plan says when, weeks. Our default. */
const LEFT_WEEKS = 2;
