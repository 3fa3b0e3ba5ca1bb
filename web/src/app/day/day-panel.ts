import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { brokenByMove, type BrokenRule, nearestTime, sayBroken } from '@mansuet/core/day';
import { Announcer } from '../controls/announcer';
import { Notice } from '../controls/notice';
import { ClockService } from '../server/clock.service';
import { TodayService } from '../today/today.service';
import { Words } from '../wording/words.service';
import { DayPlanner } from './day-planner.service';
import { DayStore } from './day-store';
import { DogThere } from './dog-there';
import { ExpectedPlans } from './expected-plans';
import { HandsTable } from './hands-table';
import { LatePanel } from './late-panel';
import { LeadLines, type PutAt } from './lead-lines';
import { TakenDay } from './taken-day';
import { type DoneWork, type LeadLine, linesOfDay } from './lines-of-day';
import { inTen } from './say-chance';
import { clockOf } from '../wording/formats';

const WAYS = {
  less_waiting: $localize`:@@day.lessWaiting:Dogs wait less`,
  owners_first: $localize`:@@day.ownersFirst:Owners first`,
  as_booked: $localize`:@@day.asBooked:Each with whom it was booked`,
} as const;

/** The plan of today as lead lines: proposed, taken by the lead, followed while it goes, and planned anew from here. */
@Component({
  selector: 'man-day-panel',
  imports: [DogThere, HandsTable, LatePanel, LeadLines, Notice],
  providers: [DayPlanner, ExpectedPlans, TakenDay, DayStore],
  templateUrl: './day-panel.html',
  styleUrl: './day-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPanel {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly today = inject(TodayService);
  private readonly announcer = inject(Announcer);
  protected readonly store = inject(DayStore);
  protected readonly expected = inject(ExpectedPlans);
  private readonly latePanel = viewChild(LatePanel);
  protected readonly ways = WAYS;
  protected readonly selected = signal<string | undefined>(undefined);
  /** What a tag would break where it is held. */
  protected readonly says = signal('');
  protected readonly now = computed(() => this.store.minute());
  protected readonly late = computed(
    () =>
      new Set(
        this.latePanel()
          ?.late()
          .map((l) => l.visitId),
      ),
  );

  private readonly works = computed(() => {
    const problem = this.store.problem();
    const whole = new Map(this.store.wholePeople().map((p) => [p.id, p.works]));
    for (const p of problem?.people ?? []) if (!whole.has(p.id)) whole.set(p.id, p.works);
    return whole;
  });
  private readonly done = computed((): DoneWork[] =>
    this.today.tags().flatMap((t) => {
      const { work, handsId, ended } = t.state;
      if (!work || handsId === undefined) return [];
      const to = ended ? this.minuteOf(work.endedMs ?? ended.atMs) : this.now();
      return [
        {
          visitId: t.visit.visitId,
          person: handsId,
          from: this.minuteOf(work.startedMs),
          to: Math.max(to, this.minuteOf(work.startedMs) + 5),
          runs: !ended,
        },
      ];
    }),
  );
  private readonly empty = computed((): LeadLine[] =>
    (this.today.today()?.staff ?? []).filter((s) => !s.left).map((s) => ({ personId: s.staffId, works: [], breaks: [], tags: [] })),
  );
  protected readonly lines = computed(() => {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    // Until it is there everybody has an empty line: what comes then moves nothing.
    if (!problem || !shown) return problem && !this.store.searching() ? [] : this.empty();
    const known = new Set(this.store.people().map((p) => p.staffId));
    return linesOfDay(problem, shown.schedule, this.works(), this.done()).filter((l) => known.has(l.personId));
  });
  /** From the first dog, or an hour ago, to the last dog, or a good while ahead: what is shown is as large as it can be. */
  protected readonly from = computed(() => {
    const first = Math.min(this.now() - AGO_MINUTES, ...this.lines().flatMap((l) => l.tags.map((t) => t.from)));
    return Math.max(0, Math.floor(first / 60) * 60);
  });
  protected readonly to = computed(() => {
    const last = Math.max(this.now() + AHEAD_MINUTES, ...this.lines().flatMap((l) => l.tags.map((t) => t.to)));
    const open = Math.max(...this.lines().flatMap((l) => l.works.map((w) => w.to)), this.now());
    const tags = Math.max(this.now(), ...this.lines().flatMap((l) => l.tags.map((t) => t.to)));
    return Math.ceil(Math.max(tags, Math.min(last, open)) / 60) * 60;
  });
  /** What comes with a plan moves nothing that stands below. */
  protected readonly height = computed(() => BESIDE_LINES_PX + LINE_PX * this.lines().length);
  protected readonly unplaced = computed(() =>
    (this.store.shown()?.schedule.unplaced ?? []).map((id) =>
      id.startsWith('break ')
        ? $localize`:@@day.noBreak:the break of ${this.store.personName(id.slice('break '.length))}:who:`
        : this.store.dogName(id),
    ),
  );
  protected readonly overWaits = computed(() => (this.store.shown()?.overWaits ?? []).map(this.store.dogName));
  protected readonly missing = computed(() => this.words.list(this.store.missing().map((k) => this.words.labels.salonPost[k])));

  protected readonly sayTaken = computed(() => {
    const kept = this.store.kept();
    if (!kept) return '';
    const [who, at] = [this.store.personName(kept.madeBy), this.clock.sayTime(kept.madeAt)];
    return $localize`:@@day.taken:Taken by ${who}:who: at ${at}:at:.`;
  });
  protected readonly sayOdds = computed(() => {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown || shown.schedule.unplaced.length > 0) return '';
    const by = clockOf(problem.to);
    return $localize`:@@day.odds:All dogs are done by ${by}:by:: ${inTen(shown.odds.inTime)}:chance:.`;
  });
  /** How sure it is that there is no better day. */
  protected readonly sayProof = computed(() => {
    const proposal = this.store.proposal();
    if (!proposal || proposal.plan.terms.unplaced > 0) return '';
    if (proposal.plan.isProven) return $localize`:@@day.proven:No better day is possible.`;
    const load = proposal.plan.bounds.find((b) => b.goal === 'load');
    if (!load || load.value <= load.least)
      return $localize`:@@day.loadBest:The load of hands is as even as it can be; dogs may wait less in a day that was not found.`;
    return $localize`:@@day.gap:The load of hands is within ${load.value * LOAD_STEP_PERCENT}:percent: % of the least there can be.`;
  });
  protected readonly sayBetter = computed(() => {
    const changes = this.store.better();
    return changes?.map((c) => {
      const dog = this.store.dogName(c.dog);
      const by = Math.abs(Math.round(c.by));
      const when = c.by < 0 ? $localize`:@@day.earlier:${by}:by: min earlier` : $localize`:@@day.later:${by}:by: min later`;
      if (c.person === undefined) return `${dog} ${when}`;
      const who = $localize`:@@day.withWhom:${dog}:dog: with ${this.store.personName(c.person)}:who:`;
      return by < MINUTES_FELT ? who : `${who}, ${when}`;
    });
  });
  protected readonly clashing = computed(() => this.store.clashes().map((id) => ({ id, name: this.store.dogName(id) })));

  protected readonly saysOf = (personId: string): string => {
    const shown = this.store.shown();
    if (!shown) return '';
    const odds = shown.odds.people.get(personId);
    if (!shown.schedule.stretches.some((s) => s.person === personId || s.helper === personId)) return $localize`:@@day.personFree:free`;
    return odds === undefined ? '' : $localize`:@@day.personDone:in time: ${inTen(odds)}:chance:`;
  };

  protected held(to: PutAt | undefined): void {
    this.says.set(to ? this.sayAt(to) : '');
  }
  protected put(to: PutAt): void {
    const broken = this.sayAt(to) + this.sayNearest(to);
    this.selected.set(to.visitId);
    this.store.putDog(to.visitId, { person: to.person, from: to.from });
    this.says.set(broken);
    this.announcer.say(broken);
  }
  /** Where else it could be with the same hands, when something stands against it. */
  private sayNearest(to: PutAt): string {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown) return '';
    const at = nearestTime(problem, shown.schedule, to.visitId, to);
    return at === undefined || at === to.from
      ? ''
      : ` ${$localize`:@@day.nearest:The nearest time with these hands is ${clockOf(at)}:at:.`}`;
  }
  private sayAt(to: PutAt): string {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown) return '';
    const where = $localize`:@@day.heldAt:${this.store.dogName(to.visitId)}:dog: at ${clockOf(to.from)}:at: with ${this.store.personName(to.person)}:who:`;
    const broken = brokenByMove(problem, shown.schedule, to.visitId, to).filter((b) => b.rule !== 'fixed_otherwise');
    if (broken.length === 0) return $localize`:@@day.heldWell:${where}:where:: nothing stands against it.`;
    const names = { dog: this.store.dogName, person: this.store.personName };
    const say = (b: BrokenRule): string => this.words.say(sayBroken(b, problem, names, to.visitId));
    return `${where}: ${broken.map(say).join(' ')}`;
  }

  protected print(): void {
    window.print();
  }
  private minuteOf(ms: number): number {
    const [h, m] = this.clock.timeOfDay(ms).split(':').map(Number);
    return (h ?? 0) * 60 + (m ?? 0);
  }
}

/** One step of the load goal. */
const LOAD_STEP_PERCENT = 2;
const MINUTES_FELT = 10;
const [LINE_PX, BESIDE_LINES_PX] = [79, 330];
const AGO_MINUTES = 60;
const AHEAD_MINUTES = 240;
