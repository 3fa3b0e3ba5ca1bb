import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { zoneLabel, type ZoneId } from '@mansuet/core/anatomy';
import { HOLDS, sayCap, type HoldId } from '@mansuet/core/holds';
import { sayReason, sourceOfReason, type Reason } from '@mansuet/core/reasons';
import { bladeName } from '@mansuet/core/blades';
import { planRecordOf } from '@mansuet/core/visit';
import { BodyMap, type ZonePaint } from '../body-map/body-map';
import { PlannerService, type Planned } from '../planner/planner.service';
import { SessionService } from '../server/session.service';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { VisitStore } from '../visit/visit-store';
import { aboutMinutes } from '../wording/time';

const SLOW_MS = 300;

/** The handling plan: what in which order, with which hold and blade, where the breaks lie, what is left for another day, and why. */
@Component({
  selector: 'man-handling-plan',
  imports: [StrainRibbon, BodyMap],
  templateUrl: './handling-plan.page.html',
  styleUrl: './handling-plan.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandlingPlanPage {
  private readonly router = inject(Router);
  private readonly planner = inject(PlannerService);
  protected readonly session = inject(SessionService);
  protected readonly store = inject(VisitStore);

  protected readonly planned = signal<Planned | undefined>(undefined);
  protected readonly trouble = signal('');
  /** A search that takes longer than a moment is said, and can be ended. */
  protected readonly slow = signal(false);
  protected readonly opened = signal(0);
  protected readonly holds = HOLDS;
  protected readonly cap = sayCap;
  protected readonly round = Math.round;
  protected readonly about = aboutMinutes;
  protected readonly zone = zoneLabel;
  protected readonly blade = bladeName;

  protected readonly plan = computed(() => this.planned()?.plan);
  /** The longest that the dog would be from going home safely, minutes. */
  protected readonly wayHome = computed(() => Math.ceil(Math.max(0, ...(this.plan()?.safeFinish ?? []).map((f) => f.minutes))));
  protected readonly ribbonSteps = computed(() => this.plan()?.steps ?? []);
  protected readonly step = computed(() => this.plan()?.steps[this.opened()]);
  protected readonly breaks = computed(() => this.plan()?.steps.flatMap((s) => s.breaks) ?? []);
  protected readonly paint = computed<ReadonlyMap<ZoneId, ZonePaint>>(() => {
    const map = new Map<ZoneId, ZonePaint>();
    for (const z of this.store.state().feelOver.zones) map.set(z.zone, { grade: z.matGrade, skin: z.skin });
    for (const m of this.store.state().feelOver.marks) map.set(m.zone, { ...map.get(m.zone), markMm: m.lengthMm });
    for (const zone of this.step()?.zones ?? []) map.set(zone, { ...map.get(zone), lit: true });
    return map;
  });

  constructor() {
    effect(() => {
      const input = this.store.planInput();
      if (!input) return;
      const timer = setTimeout(() => this.slow.set(true), SLOW_MS);
      this.planner
        .plan(input)
        .then(
          (planned) => {
            this.planned.set(planned);
            this.trouble.set('');
          },
          (error: unknown) =>
            this.trouble.set(
              error instanceof Error && error.message === 'cancelled'
                ? 'The search was ended. Change something, or open this page again.'
                : 'The plan could not be made. Load the page again; nothing entered is lost.',
            ),
        )
        .finally(() => {
          clearTimeout(timer);
          this.slow.set(false);
        });
    });
  }

  /** Whether the plan that follows from the findings now is another one than the one at the table. */
  protected readonly differs = computed(() => {
    const plan = this.plan();
    const taken = this.store.state().plan;
    const key = (steps: readonly { id: string; hold: string; minutes: number }[]): string =>
      steps.map((s) => `${s.id} ${s.hold} ${s.minutes}`).join(', ');
    return plan !== undefined && taken !== undefined && key(planRecordOf(plan).steps) !== key(taken.steps);
  });

  protected async replace(): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    await this.store.record({ type: 'plan_accepted', body: { plan: planRecordOf(plan) } });
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
  }

  protected say(reasons: readonly Reason[]): { text: string; source: string }[] {
    return reasons.map((r) => ({ text: sayReason(r), source: sourceOfReason(r) }));
  }
  protected also(ids: readonly HoldId[]): string {
    return ids.map((h) => ` + ${HOLDS[h].label}`).join('');
  }
  protected cancel(): void {
    this.planner.cancel();
  }
  protected print(): void {
    window.print();
  }

  protected async take(): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    if (!this.store.state().plan) await this.store.record({ type: 'plan_accepted', body: { plan: planRecordOf(plan) } });
    await this.router.navigate(['/visits', this.store.visitId(), 'work']);
  }
}
