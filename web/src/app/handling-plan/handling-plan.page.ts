import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked, viewChild } from '@angular/core';
import { Router } from '@angular/router';
import { type PlanWish, withWish } from '@mansuet/core/plan';
import { planChanges, planRecordOf, recordFromHere, toldWith } from '@mansuet/core/visit';
import type { PlanWay, Reason, RuleId, StepId } from '@mansuet/core/words';
import { BATHING } from '@mansuet/core/work';
import { Keymap } from '../controls/keymap';
import { Notice } from '../controls/notice';
import { Progress } from '../controls/progress';
import { type Tab, TabPanel, Tabs } from '../controls/tabs';
import { SessionService } from '../server/session.service';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { OtherSide } from '../visit/other-side';
import { PlanStore } from '../visit/plan-store';
import { VisitStore } from '../visit/visit-store';
import { HazardGrid } from './hazard-grid';
import { HazardMap } from './hazard-map';
import { HelperTime } from './helper-time';
import { OddsPanel } from './odds-panel';
import { sayChanges } from './say-changes';
import { inPercent, sayPlan } from './say-odds';
import { StepDetail } from './step-detail';
import { StepList, type Placed } from './step-list';
import { BesidePanel } from './beside-panel';
import { WAY_NAMES, WaysPanel } from './ways-panel';
import { WallSheet } from './wall-sheet';
import { WishStrip } from './wish-strip';
import { Words } from '../wording/words.service';

type View = 'steps' | 'ways' | 'odds';
const VIEWS: readonly Tab<View>[] = [
  { id: 'steps', label: 'Steps', key: '1' },
  { id: 'ways', label: 'Other ways', key: '2' },
  { id: 'odds', label: 'Odds and hazards', key: '3' },
];

/** What of the programme is for now; what waits stands with the rest of what the plan rests on. */
const PUPPY_RULES: readonly RuleId[] = ['plan.puppy_begins', 'plan.puppy_programme', 'plan.puppy_offer', 'plan.puppy_all_met'];

/** The handling plan: what in which order, with which hold and blade, where the breaks lie, what is left for another day, and why. */
@Component({
  selector: 'man-handling-plan',
  imports: [
    HazardGrid,
    HazardMap,
    HelperTime,
    Notice,
    OddsPanel,
    OtherSide,
    Progress,
    StepDetail,
    StepList,
    StrainRibbon,
    TabPanel,
    Tabs,
    BesidePanel,
    WaysPanel,
    WallSheet,
    WishStrip,
  ],
  templateUrl: './handling-plan.page.html',
  styleUrl: './handling-plan.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandlingPlanPage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly plans = inject(PlanStore);
  protected readonly session = inject(SessionService);
  protected readonly store = inject(VisitStore);
  private readonly list = viewChild(StepList);

  protected readonly planned = this.plans.planned;
  protected readonly asked = this.plans.asked;
  protected readonly odds = this.plans.odds;
  protected readonly trouble = this.plans.trouble;
  /** A search that takes longer than a moment is said, and can be ended. */
  protected readonly slow = this.plans.slow;
  protected readonly opened = signal(0);
  protected readonly view = signal<View>('steps');
  protected readonly views = VIEWS;
  protected readonly wayNames = WAY_NAMES;
  protected readonly says = this.words.say;
  protected readonly round = Math.round;
  protected readonly percent = inPercent;

  protected readonly plan = this.plans.plan;
  protected readonly wishes = computed(() => this.store.state().wishes);
  protected readonly mayChange = computed(() => this.session.may('plan') && !this.store.state().ended);
  /** Minute of the work from which this plan goes on; 0 before it has begun. */
  protected readonly from = computed(() => this.asked()?.now?.minute ?? 0);
  protected readonly over = computed(() =>
    (this.asked()?.now?.begun ?? [])
      .filter((b) => b.status !== 'running')
      .map((b) => `${this.calledAtTable(b.step)}${b.status === 'done' ? '' : ` (${b.status})`}`),
  );
  /** A step as the plan at the table calls it, places and all. */
  private calledAtTable(id: StepId): string {
    return this.store.state().plan?.steps.find((s) => s.id === id)?.label ?? this.words.stepOf({ id });
  }
  /** The longest that the dog would be from going home safely, minutes. */
  protected readonly wayHome = computed(() => Math.ceil(Math.max(0, ...(this.plan()?.safeFinish ?? []).map((f) => f.minutes))));
  protected readonly curve = computed(() => (this.plan()?.curve ?? []).map((p) => ({ ...p, minute: p.minute + this.from() })));
  protected readonly ribbonSteps = computed(() =>
    (this.plan()?.steps ?? []).map((s) => ({
      label: this.words.stepOf(s),
      from: s.from + this.from(),
      to: s.to + this.from(),
      breaks: s.breaks.map((b) => ({ from: b.from + this.from(), minutes: b.minutes })),
    })),
  );
  protected readonly measured = computed(() => (this.from() > 0 ? (this.store.now()?.strain.points ?? []) : []));
  protected readonly step = computed(() => this.plan()?.steps[this.opened()] ?? this.plan()?.steps[0]);
  protected readonly breaks = computed(() => this.plan()?.steps.flatMap((s) => s.breaks) ?? []);

  constructor() {
    this.plans.watch({ check: true });
    // Fewer steps than before: what was opened may be gone.
    effect(() => {
      const count = this.plan()?.steps.length ?? 0;
      untracked(() => this.opened.update((o) => Math.max(0, Math.min(o, count - 1))));
    });
    inject(Keymap).use($localize`:@@plan.keys:the plan`, () =>
      VIEWS.map((v) => ({ id: `plan.${v.id}`, key: v.key ?? '', says: v.label, act: () => this.view.set(v.id) })),
    );
  }

  /** What the plan that follows from the findings now has other than the one at the table. */
  protected readonly changes = computed(() => {
    const plan = this.plan();
    const taken = this.store.state().plan;
    const begun = this.asked()?.now?.begun ?? [];
    if (!plan || !taken) return [];
    const over = begun.filter((b) => b.status !== 'running').map((b) => b.step);
    const running = begun.find((b) => b.status === 'running')?.step;
    const byHand = this.wishes().flatMap((w) => (w.kind === 'minutes' ? [w.step] : []));
    return planChanges(taken, planRecordOf(plan, this.words), { over, running, byHand });
  });
  protected readonly saysChanges = computed(() => sayChanges(this.words, this.changes()));

  protected async take(): Promise<void> {
    if (!(await (this.store.state().plan ? this.keep() : this.accept()))) return;
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
  }
  protected async replace(): Promise<void> {
    if (!(await this.accept())) return;
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
  }
  /** Where the rest was planned anew and is not taken, the record says so: what was offered, and that the one in hand was kept. */
  private async keep(): Promise<boolean> {
    const [plan, { work, ended }] = [this.plan(), this.store.state()];
    if (!plan || !work || ended || this.changes().length === 0) return true;
    return this.store.record({ type: 'plan_kept', body: { minutes: plan.minutes, why: this.saysChanges() } });
  }
  /** @returns whether the plan was recorded; the frame says why when it was not */
  private async accept(): Promise<boolean> {
    const plan = this.plan();
    const now = this.asked()?.now;
    const taken = this.store.state().plan;
    if (!plan) return false;
    const record = now && taken ? recordFromHere(taken, plan, now, this.words) : planRecordOf(plan, this.words);
    return this.store.record({ type: 'plan_accepted', body: { plan: record, told: toldWith(plan, this.odds()?.odds) } });
  }

  protected wish(wish: PlanWish): void {
    void this.setWishes(withWish(this.wishes(), wish));
  }
  /** Back on today's plan: a step left out by hand is no longer, another one is insisted on. */
  protected today(step: PlanWish['step']): void {
    // A bath falls away with any part of it that was left out.
    const together: readonly PlanWish['step'][] = BATHING.some((b) => b === step) ? BATHING : [step];
    const leftOut = this.wishes().filter((w) => w.kind === 'forbid' && together.includes(w.step));
    if (leftOut.length > 0) void this.setWishes(this.wishes().filter((w) => !leftOut.includes(w)));
    else this.wish({ kind: 'require', step });
  }
  protected put(placed: Placed): void {
    this.wish({ kind: 'place', ...placed });
  }
  protected takeBack(wish: PlanWish): void {
    void this.setWishes(this.wishes().filter((w) => w !== wish));
  }
  protected takeAllBack(): void {
    void this.setWishes([]);
  }
  private async setWishes(wishes: readonly PlanWish[], way = this.store.state().way): Promise<void> {
    await this.store.record({ type: 'plan_wished', body: { wishes: wishes.map((w) => ({ ...w })), way } });
  }
  protected async planBy(way: PlanWay): Promise<void> {
    // A helper is there or not, whatever the plan: that is what the visit knows, and the plan follows.
    if (way === 'with_helper') await this.store.ask({ helperThere: true, helperWindows: [] });
    else await this.setWishes(this.wishes(), way);
    this.view.set('steps');
  }
  /** The plan in plain words; the numbers stand one touch deeper. */
  protected readonly firstLine = computed(() => {
    const p = this.plan();
    if (!p) return '';
    const odds = this.odds()?.odds;
    return sayPlan({
      minutes: p.minutes,
      range: p.minutesRange,
      breaks: this.breaks().length,
      inTime: odds?.inTime.chance,
      pause: odds?.pause.chance,
      stop: odds?.stop.chance,
      bite: odds?.bite.chance,
    });
  });
  protected shift(by: number): void {
    this.list()?.move(this.opened(), this.opened() + by);
  }

  /** Where a puppy stands in its programme, and what to offer today. */
  protected readonly ofPuppy = computed(() =>
    (this.plan()?.reasons ?? [])
      .filter((r) => PUPPY_RULES.includes(r.rule))
      .map(this.says)
      .join(' '),
  );
  protected say(reasons: readonly Reason[]): { text: string; source: string }[] {
    return reasons.map(this.words.withSource);
  }
  protected print(): void {
    this.view.set('steps');
    setTimeout(() => window.print());
  }
}
