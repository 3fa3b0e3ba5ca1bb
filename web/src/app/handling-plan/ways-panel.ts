import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { type HandlingPlan, type Odds, type PlanInput, sayWay } from '@mansuet/core/plan';
import type { PlanWay } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { Latest } from '../planner/latest';
import { PlannerService, type PlannedWay, Superseded } from '../planner/planner.service';
import { type PredictedPoint, type RibbonStep, StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { inPercent, sayPlan } from './say-odds';
import { sayDifference } from './say-ways';
import { Words } from '../wording/words.service';

/** Beside the plan in hand at most this many: more are not compared by eye. */
const WAYS_SHOWN = 3;

export const WAY_NAMES: Readonly<Record<PlanWay, string>> = {
  as_asked: 'As asked',
  with_helper: 'With a helper',
  split_in_two: 'Split in two',
  welfare_only: 'Welfare only',
  calmest: 'Calmest',
  quickest: 'Quickest',
  with_risk: 'With this risk',
};

interface Column {
  readonly way: PlanWay;
  readonly name: string;
  readonly says: string;
  readonly plan: HandlingPlan;
  readonly odds: Odds | undefined;
  readonly differs: readonly string[];
  readonly curve: readonly PredictedPoint[];
  readonly ribbon: readonly RibbonStep[];
  readonly inHand: boolean;
}

/** Up to three other ways below the plan in hand: told in sentences, beside their ribbons; numbers one touch deeper. */
@Component({
  selector: 'man-ways',
  imports: [Notice, StrainRibbon],
  templateUrl: './ways-panel.html',
  styleUrl: './ways-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WaysPanel {
  private readonly words = inject(Words);
  private readonly planner = inject(PlannerService);
  private readonly latest = new Latest();
  readonly asked = input.required<PlanInput>();
  readonly plan = input.required<HandlingPlan>();
  readonly odds = input<Odds | undefined>();
  readonly mayChange = input(false);
  readonly chosen = output<PlanWay>();

  protected readonly percent = inPercent;
  protected readonly round = Math.round;
  protected readonly ways = signal<readonly PlannedWay[] | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly columns = computed<readonly Column[]>(() => {
    const way = this.asked().way ?? 'as_asked';
    const inHand = { ...this.columnOf(way, this.plan(), this.odds()), inHand: true };
    return [inHand, ...(this.ways() ?? []).map((w) => this.column(w))];
  });

  constructor() {
    effect(() => {
      const input = this.asked();
      this.ways.set(undefined);
      this.trouble.set('');
      this.latest.hear(
        this.planner.ask({ kind: 'ways', input, atMost: WAYS_SHOWN }),
        (ways) => this.ways.set(ways),
        (error) => {
          if (!(error instanceof Superseded))
            this.trouble.set('The other ways could not be worked out. Load the page again; nothing entered is lost.');
        },
      );
    });
  }

  protected readonly takes = (name: string): string => $localize`:@@ways.takeThis:Plan it this way: ${name}:way:`;
  protected firstLine(plan: HandlingPlan, odds: Odds | undefined): string {
    return sayPlan({
      minutes: plan.minutes,
      range: plan.minutesRange,
      breaks: plan.steps.reduce((sum, s) => sum + s.breaks.length, 0),
      inTime: odds?.inTime.chance,
      pause: odds?.pause.chance,
      stop: odds?.stop.chance,
      bite: odds?.bite.chance,
    });
  }
  private column({ way, plan, odds }: PlannedWay): Column {
    return {
      ...this.columnOf(way, plan, odds),
      differs: sayDifference(this.words, { plan: this.plan(), odds: this.odds() }, { plan, odds }),
    };
  }
  private columnOf(way: PlanWay, plan: HandlingPlan, odds: Odds | undefined): Column {
    return {
      way,
      name: WAY_NAMES[way],
      says: this.words.say(sayWay(way)),
      plan,
      odds,
      differs: [],
      curve: plan.curve,
      ribbon: plan.steps.map((s) => ({ label: this.words.step(s.name), from: s.from, to: s.to, breaks: s.breaks })),
      inHand: false,
    };
  }
}
