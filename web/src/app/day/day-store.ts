import { Injectable, computed, effect, inject, linkedSignal, signal, untracked } from '@angular/core';
import type { KeptDayPlan } from '@mansuet/core/contract';
import {
  compareDays,
  DAY_GOALS,
  type DayDog,
  type DayProblem,
  type DaySchedule,
  handsOfDay,
  hereSince,
  judgeDay,
  nowOfVisit,
  type OtherDay,
  problemOfDay,
  restOfDay,
  visitOfDay,
  wishesFor,
} from '@mansuet/core/day';
import { minuteOfDay } from '@mansuet/core/days';
import { Latest } from '../planner/latest';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { TodayService } from '../today/today.service';
import { VisitLog } from '../visit-log/visit-log.service';
import { changesOf, mainHands, scheduleOf } from './day-changes';
import { DayPlanner } from './day-planner.service';
import { isSamePut, type PutDogs, putOf, putSince } from './put-dogs';
import type { FollowedDay, PlannedDay } from './day-talk';
import { ExpectedPlans } from './expected-plans';
import { TakenDay } from './taken-day';

/** The day is looked at anew so often, minutes: its own grid. */
const LOOK_MINUTES = 5;
/** A good day is found by then; who wants a better one lets it look longer. */
const PLAN_MS = 450;
const LONGER_MS = 3_000;
const OTHERS_MS = 250;

/** Today as a plan: who takes which dog when, from now on; what was taken, how it goes, and whether there is a better one. */
@Injectable()
export class DayStore {
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  private readonly day = inject(TodayService);
  private readonly log = inject(VisitLog);
  private readonly planner = inject(DayPlanner);
  readonly expected = inject(ExpectedPlans);

  readonly taken = inject(TakenDay);
  readonly people = this.taken.people.asReadonly();
  readonly kept = this.taken.kept;
  /** Put by hand: with the plan that was taken, and since. A plan that somebody else takes meanwhile takes none of it. */
  readonly put = linkedSignal<KeptDayPlan | null, PutDogs>({
    source: () => this.kept(),
    computation: (kept, before) => (before ? putSince(putOf(before.source), before.value, putOf(kept)) : putOf(kept)),
  });
  /** Something is put otherwise than in the plan that was taken. */
  private readonly isPutAnew = computed(() => !isSamePut(this.put(), putOf(this.kept())));
  readonly proposal = signal<PlannedDay | undefined>(undefined);
  readonly going = signal<FollowedDay | undefined>(undefined);
  readonly others = signal<readonly OtherDay[]>([]);
  readonly clashes = signal<readonly string[]>([]);
  readonly searching = signal(false);
  private readonly latest = new Latest();
  private readonly latestGoing = new Latest();

  /** The minute of the day, as far as a plan looks at it. */
  readonly minute = computed(() => Math.floor(minuteOfDay(this.clock.timeOfDay(this.clock.nowMs())) / LOOK_MINUTES) * LOOK_MINUTES);
  readonly mayPlan = computed(() => this.session.may('plan_day'));
  readonly hands = computed(() => handsOfDay(this.day.tags().map((t) => t.state)));

  private readonly whole = computed(() => {
    const salon = this.session.signedIn()?.salon;
    const today = this.day.today()?.day;
    if (!salon || today === undefined || !this.expected.ready() || this.taken.readOn() !== today) return undefined;
    const ids = this.people().map((p) => p.staffId);
    const dogs = this.expected.open().flatMap((t) => {
      const thought = this.expected.of(t.visit.visitId);
      if (!thought) return [];
      const set = { zone: this.clock.zone(), fixed: this.put(), movable: 0 };
      const dog = visitOfDay({ state: t.state, context: thought.context, kinds: t.kinds, expected: thought.plan }, set);
      return [{ ...dog, wishes: wishesFor(t.state.groomerId ?? t.visit.groomerId, ids) }];
    });
    return problemOfDay(salon, today, this.people(), dogs);
  });
  /** Dogs that are in the salon. */
  private here(): ReadonlySet<string> {
    const inside = this.expected.open().filter((t) => hereSince(t.state) !== undefined);
    return new Set(inside.map((t) => t.visit.visitId));
  }
  /** Whoever works today, with their whole hours. */
  readonly wholePeople = computed(() => this.whole()?.problem.people ?? []);
  /** Kinds of post that the plans name and the salon has not. */
  readonly missing = computed(() => this.whole()?.missing ?? []);
  /** What is left of the day. */
  readonly problem = computed<DayProblem | undefined>(
    () => {
      const whole = this.whole();
      if (!whole) return undefined;
      const at = { nowMs: momentOf(this.clock.nowMs()), zone: this.clock.zone() };
      const dogs = new Map(whole.problem.dogs.map((d) => [d.id, d]));
      const now = this.day.tags().flatMap((t) => {
        const dog = dogs.get(t.visit.visitId);
        return dog ? [nowOfVisit(t.state, dog, at)] : [];
      });
      return restOfDay(whole.problem, this.minute(), now, this.hands().now);
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  /** The day that is shown: the one that was taken, as it goes, or else the proposed one. */
  readonly shown = computed<FollowedDay | undefined>(() => {
    const proposal = this.proposal();
    if (this.kept() && !this.isPutAnew()) return this.going();
    return proposal && { schedule: proposal.plan.schedule, odds: proposal.odds, overWaits: proposal.overWaits };
  });
  /** What is shown is not what was taken. */
  readonly isProposal = computed(() => this.shown() !== undefined && (!this.kept() || this.isPutAnew()));
  /** There is a better day than the one that was taken. */
  readonly better = computed(() => {
    const [problem, going, proposal] = [this.problem(), this.going(), this.proposal()];
    if (!problem || !going || !proposal || !this.kept() || this.isPutAnew()) return undefined;
    const changes = changesOf(going.schedule, proposal.plan.schedule);
    return changes.length > 0 && compareDays(proposal.plan.terms, judgeDay(problem, going.schedule), DAY_GOALS) < 0 ? changes : undefined;
  });

  constructor() {
    effect(() => {
      const problem = this.problem();
      const kept = this.kept();
      if (problem) untracked(() => this.plan(problem, kept, PLAN_MS));
    });
  }

  readonly dogName = (visitId: string): string => this.day.tags().find((t) => t.visit.visitId === visitId)?.visit.dog.name ?? '';
  readonly personName = (staffId: string): string =>
    (this.people().find((p) => p.staffId === staffId) ?? this.day.today()?.staff.find((s) => s.staffId === staffId))?.name ?? '';

  private plan(problem: DayProblem, kept: KeptDayPlan | null, limitMs: number, mustWait = false): void {
    this.searching.set(true);
    if (kept) {
      this.latestGoing.hear(
        this.planner.ask({ kind: 'follow', problem, here: this.here(), schedule: scheduleOf(kept) }),
        (going) => this.going.set(going),
        () => this.going.set(undefined),
      );
    }
    const from = kept ? scheduleOf(kept) : this.proposal()?.plan.schedule;
    this.latest.hear(
      this.planner.ask({ kind: 'plan', problem, here: this.here(), from, limitMs, mustWait }),
      (planned) => {
        this.proposal.set(planned);
        this.searching.set(false);
        this.others.set([]);
        this.clashes.set([]);
        const lost = planned.plan.terms.unplaced > 0;
        if (lost && this.put().size > 0) void this.findClashes(problem);
        // Before somebody is told that there is no place, or that a dog waits too long, it is looked for longer.
        else if ((lost || planned.overWaits.length > 0) && limitMs < LONGER_MS) this.plan(problem, kept, LONGER_MS, !lost);
      },
      () => {
        this.searching.set(false);
        this.taken.trouble.set($localize`:@@day.failed:The day could not be planned. Load the page again; nothing is lost.`);
      },
    );
  }

  private async findClashes(problem: DayProblem): Promise<void> {
    const clashes = await this.planner.ask({ kind: 'clashes', problem });
    if (this.problem() === problem) this.clashes.set(clashes);
  }

  /** Looks for a better day for as long as a good one is worth waiting for. */
  longer(): void {
    const problem = this.problem();
    if (problem) this.plan(problem, this.kept(), LONGER_MS);
  }

  /** Other ways to lay it out. */
  async findOthers(): Promise<void> {
    const [problem, proposal] = [this.problem(), this.proposal()];
    if (!problem || !proposal) return;
    const bookedWith = new Map(
      this.day.tags().flatMap((t) => (t.state.groomerId === undefined ? [] : [[t.visit.visitId, t.state.groomerId]])),
    );
    const others = await this.planner.ask({ kind: 'others', problem, plan: proposal.plan, bookedWith, limitMs: OTHERS_MS });
    if (this.problem() === problem) this.others.set(others);
  }
  /** One of them is the day that is proposed. */
  choose(other: OtherDay): void {
    const proposal = this.proposal();
    if (!proposal) return;
    this.put.set(new Map(mainHands(other.plan.schedule).map(({ dog, person, from }) => [dog, { person, from }])));
  }

  /** A dog is put somewhere by hand; the others find their places round it. */
  putDog(visitId: string, to: DayDog['fixed']): void {
    this.put.update((put) => new Map([...put, [visitId, to]]));
  }
  letGo(visitId: string): void {
    this.put.update((put) => new Map([...put].filter(([id]) => id !== visitId)));
  }
  letAllGo(): void {
    this.put.set(new Map());
  }

  /** The proposed day is taken: it is kept with what is told of each dog, and who has another groomer than was booked is booked with them. */
  async take(): Promise<boolean> {
    const [proposal, today] = [this.proposal(), this.day.today()?.day];
    if (!proposal || today === undefined) return false;
    const { schedule } = proposal.plan;
    const wished = new Map(this.problem()?.dogs.map((d) => [d.id, d.wishedBy?.at ?? null]));
    const isKept = await this.taken.keep(today, {
      schedule: { stretches: [...schedule.stretches], breaks: [...schedule.breaks], unplaced: [...schedule.unplaced] },
      put: [...this.put()].map(([visitId, fixed]) => ({ visitId, ...fixed })),
      told: proposal.odds.dogs.map((d) => ({
        visitId: d.dog,
        ready: d.end,
        readyLate: d.endLate,
        wished: wished.get(d.dog) ?? null,
        inTime: d.inTime ?? null,
      })),
      inTime: proposal.odds.inTime,
    });
    if (!isKept) return false;
    this.going.set({ schedule, odds: proposal.odds, overWaits: proposal.overWaits });
    this.taken.dropped.set(null);
    await this.bookWithWhoTakes(schedule);
    return true;
  }

  private async bookWithWhoTakes(schedule: DaySchedule): Promise<void> {
    for (const { dog, person } of mainHands(schedule)) {
      const tag = this.day.tags().find((t) => t.visit.visitId === dog);
      if (!tag || tag.state.work || tag.state.groomerId === person || tag.state.arrivesAt === undefined) continue;
      const body = { arrivesAt: tag.state.arrivesAt, groomerId: person, zone: this.clock.zone(), why: PLAN_OF_DAY };
      await this.log.record(dog, { type: 'booking_moved', body });
    }
  }
}

const PLAN_OF_DAY = $localize`:@@day.planOfDay:Plan of the day`;
const momentOf = (nowMs: number): number => Math.floor(nowMs / (LOOK_MINUTES * 60_000)) * LOOK_MINUTES * 60_000;
