import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked, viewChild } from '@angular/core';
import { Router } from '@angular/router';
import { type PlanInput, type PlanWish, withWish } from '@mansuet/core/plan';
import { planChanges, planRecordOf, recordFromHere, toldWith } from '@mansuet/core/visit';
import type { PlanWay, Reason } from '@mansuet/core/words';
import { BATHING } from '@mansuet/core/work';
import { Latest } from '../planner/latest';
import { PlannerService, type NamedOdds, type Planned } from '../planner/planner.service';
import { SessionService } from '../server/session.service';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { VisitStore } from '../visit/visit-store';
import { HazardGrid } from './hazard-grid';
import { HelperTime } from './helper-time';
import { OddsPanel } from './odds-panel';
import { sayChanges } from './say-changes';
import { inPercent } from './say-odds';
import { StepDetail } from './step-detail';
import { StepList, type Placed } from './step-list';
import { WAY_NAMES, WaysPanel } from './ways-panel';
import { WishStrip } from './wish-strip';
import { Words } from '../wording/words.service';

const SLOW_MS = 300;
const VIEWS = ['steps', 'ways', 'odds'] as const;
type View = (typeof VIEWS)[number];
const VIEW_NAMES: Readonly<Record<View, string>> = { steps: 'Steps', ways: 'Other ways', odds: 'Odds and hazards' };

/** The handling plan: what in which order, with which hold and blade, where the breaks lie, what is left for another day, and why. */
@Component({
  selector: 'man-handling-plan',
  imports: [StrainRibbon, StepList, StepDetail, WishStrip, WaysPanel, OddsPanel, HazardGrid, HelperTime],
  templateUrl: './handling-plan.page.html',
  styleUrl: './handling-plan.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class HandlingPlanPage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  private readonly planner = inject(PlannerService);
  private readonly latest = new Latest();
  protected readonly session = inject(SessionService);
  protected readonly store = inject(VisitStore);
  private readonly list = viewChild(StepList);

  protected readonly planned = signal<Planned | undefined>(undefined);
  /** What the plan in hand was asked with. */
  protected readonly asked = signal<PlanInput | undefined>(undefined);
  protected readonly odds = signal<NamedOdds | undefined>(undefined);
  protected readonly trouble = signal('');
  /** A search that takes longer than a moment is said, and can be ended. */
  protected readonly slow = signal(false);
  protected readonly opened = signal(0);
  protected readonly view = signal<View>('steps');
  /** Asked again: the work has gone on meanwhile. */
  private readonly again = signal(0);
  protected readonly views = VIEWS;
  protected readonly viewNames = VIEW_NAMES;
  protected readonly wayNames = WAY_NAMES;
  protected readonly says = this.words.say;
  protected readonly round = Math.round;
  protected readonly percent = inPercent;

  protected readonly plan = computed(() => this.planned()?.plan);
  protected readonly wishes = computed(() => this.store.state().wishes);
  protected readonly mayChange = computed(() => this.session.may('plan') && !this.store.state().ended);
  /** Minute of the work from which this plan goes on; 0 before it has begun. */
  protected readonly from = computed(() => this.asked()?.now?.minute ?? 0);
  protected readonly over = computed(() =>
    (this.asked()?.now?.begun ?? [])
      .filter((b) => b.status !== 'running')
      .map((b) => `${this.words.step(b.activity)}${b.status === 'done' ? '' : ` (${b.status})`}`),
  );
  /** The longest that the dog would be from going home safely, minutes. */
  protected readonly wayHome = computed(() => Math.ceil(Math.max(0, ...(this.plan()?.safeFinish ?? []).map((f) => f.minutes))));
  protected readonly curve = computed(() => (this.plan()?.curve ?? []).map((p) => ({ ...p, minute: p.minute + this.from() })));
  protected readonly ribbonSteps = computed(() =>
    (this.plan()?.steps ?? []).map((s) => ({
      label: this.words.step(s.name),
      from: s.from + this.from(),
      to: s.to + this.from(),
      breaks: s.breaks.map((b) => ({ from: b.from + this.from(), minutes: b.minutes })),
    })),
  );
  protected readonly measured = computed(() => (this.from() > 0 ? (this.store.now()?.strain.points ?? []) : []));
  protected readonly step = computed(() => this.plan()?.steps[this.opened()] ?? this.plan()?.steps[0]);
  protected readonly breaks = computed(() => this.plan()?.steps.flatMap((s) => s.breaks) ?? []);

  constructor() {
    effect(() => {
      if (!this.store.planInput()) return;
      this.again();
      const input = untracked(() => this.store.planInputNow());
      if (input) untracked(() => this.ask(input));
    });
  }

  private ask(input: PlanInput): void {
    this.asked.set(input);
    this.odds.set(undefined);
    const timer = setTimeout(() => this.slow.set(true), SLOW_MS);
    const isLatest = this.latest.next();
    this.planner
      .plan(input, (found) => {
        if (isLatest()) this.planned.set(found);
      })
      .then(
        (planned) => {
          if (!isLatest()) return;
          this.planned.set(planned);
          this.opened.update((o) => Math.max(0, Math.min(o, planned.plan.steps.length - 1)));
          this.trouble.set('');
          this.drawOdds(input, isLatest);
        },
        (error: unknown) => {
          if (!isLatest()) return;
          this.trouble.set(
            error instanceof Error && error.message === 'cancelled'
              ? 'The search was ended. Change something, or open this page again.'
              : 'The plan could not be made. Load the page again; nothing entered is lost.',
          );
        },
      )
      .finally(() => {
        clearTimeout(timer);
        if (isLatest()) this.slow.set(false);
      });
  }

  private drawOdds(input: PlanInput, isLatest: () => boolean): void {
    this.planner.ask({ kind: 'odds', input }).then(
      (odds) => {
        if (isLatest()) this.odds.set(odds);
      },
      () => {
        if (isLatest()) this.trouble.set('The odds could not be worked out; the plan stands.');
      },
    );
  }

  /** What the plan that follows from the findings now has other than the one at the table. */
  protected readonly changes = computed(() => {
    const plan = this.plan();
    const taken = this.store.state().plan;
    const begun = this.asked()?.now?.begun ?? [];
    if (!plan || !taken) return [];
    const over = begun.filter((b) => b.status !== 'running').map((b) => b.activity);
    const running = begun.find((b) => b.status === 'running')?.activity;
    const byHand = this.wishes().flatMap((w) => (w.kind === 'minutes' ? [w.step] : []));
    return planChanges(taken, planRecordOf(plan, this.words), { over, running, byHand });
  });
  protected readonly saysChanges = computed(() => sayChanges(this.words, this.changes()));

  protected async take(): Promise<void> {
    if (!this.store.state().plan && !(await this.accept())) return;
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
  }
  protected async replace(): Promise<void> {
    if (!(await this.accept())) return;
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
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
  protected shift(by: number): void {
    this.list()?.move(this.opened(), this.opened() + by);
  }

  protected say(reasons: readonly Reason[]): { text: string; source: string }[] {
    return reasons.map(this.words.withSource);
  }
  protected onKey(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable], nz-select');
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    const view = VIEWS[Number(event.key) - 1];
    if (view) this.view.set(view);
  }
  protected anew(): void {
    this.again.update((n) => n + 1);
  }
  protected cancel(): void {
    this.planner.cancel();
  }
  protected print(): void {
    this.view.set('steps');
    setTimeout(() => window.print());
  }
}
