import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { compareWith, type HandlingPlan, type Odds, type PlanInput, sayWay, signed } from '@mansuet/core/plan';
import type { PlanWay } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { Latest } from '../planner/latest';
import { PlannerService, type PlannedWay, Superseded } from '../planner/planner.service';
import { inPercent } from './say-odds';
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
};

interface Column {
  readonly way: PlanWay;
  readonly name: string;
  readonly says: string;
  readonly plan: HandlingPlan;
  readonly odds: Odds | undefined;
  readonly differs: string;
  readonly inHand: boolean;
}

/** Up to three other ways beside the plan in hand, in numbers and words. */
@Component({
  selector: 'man-ways',
  imports: [Notice],
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
    const inHand: Column = {
      way,
      name: WAY_NAMES[way],
      says: this.words.say(sayWay(way)),
      plan: this.plan(),
      odds: this.odds(),
      differs: '',
      inHand: true,
    };
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

  private column({ way, plan, odds }: PlannedWay): Column {
    const d = compareWith(this.plan(), plan);
    const parts = [
      d.minutes === 0 ? '' : `${signed(d.minutes)} min`,
      d.peak === 0 ? '' : `peak ${signed(d.peak)}`,
      d.more.length > 0 ? `adds ${this.words.list(d.more.map(this.words.step))}` : '',
      d.less.length > 0 ? `without ${this.words.list(d.less.map(this.words.step))}` : '',
      plan.secondVisit && way === 'split_in_two'
        ? `then ${Math.round(plan.secondVisit.minutes)} min in ${plan.secondVisit.inWeeks} ${plan.secondVisit.inWeeks === 1 ? 'week' : 'weeks'}`
        : '',
    ];
    const differs = parts.filter((x) => x !== '').join('; ');
    return { way, name: WAY_NAMES[way], says: this.words.say(sayWay(way)), plan, odds, differs, inHand: false };
  }
}
