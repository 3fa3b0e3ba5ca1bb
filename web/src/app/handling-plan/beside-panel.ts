import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { Beside, HandlingPlan, PlanInput } from '@mansuet/core/plan';
import { type PlanWay, reason, type StepId } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { Latest } from '../planner/latest';
import { PlannerService, Superseded } from '../planner/planner.service';
import { Words } from '../wording/words.service';

interface Row {
  readonly id: Beside['id'];
  readonly way: PlanWay | undefined;
  readonly without: StepId | undefined;
  readonly says: string;
  readonly does: string;
}

/** What stands beside the plan, in sentences with minutes and chances: what was left, a helper, two visits, a vet. */
@Component({
  selector: 'man-beside',
  imports: [Notice],
  templateUrl: './beside-panel.html',
  styleUrl: './beside-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BesidePanel {
  private readonly words = inject(Words);
  private readonly planner = inject(PlannerService);
  private readonly latest = new Latest();
  readonly asked = input.required<PlanInput>();
  readonly plan = input.required<HandlingPlan>();
  readonly mayChange = input(false);
  readonly way = output<PlanWay>();
  readonly without = output<StepId>();

  protected readonly beside = signal<readonly Beside[] | undefined>(undefined);
  protected readonly trouble = signal('');
  /** Opened at once where the limits could not be kept. */
  protected readonly opens = computed(() => ['over', 'nothing'].includes(this.plan().chance.state));
  protected readonly summary = computed(() => {
    const { state, leftOut } = this.plan().chance;
    if (state === 'by_hand') return $localize`:@@beside.byHand:Beside it: planned with this risk, by hand`;
    if (state === 'over') return $localize`:@@beside.over:Beside it: the house’s limits of chance are not kept`;
    if (state === 'nothing') return $localize`:@@beside.nothing:Beside it: what else can be done`;
    if (leftOut.length === 0) return $localize`:@@beside.none:Beside it: a helper, two visits, a vet`;
    return this.words.say(reason('beside.left', { works: leftOut }, 0.9));
  });
  protected readonly rows = computed<readonly Row[]>(() =>
    (this.beside() ?? []).map((b) => ({
      id: b.id,
      way: b.way,
      without: b.without,
      says: b.says.map((r) => this.words.say(r)).join(' '),
      does: DOES[b.id],
    })),
  );

  constructor() {
    effect(() => {
      const input = this.asked();
      this.beside.set(undefined);
      this.trouble.set('');
      this.latest.hear(
        this.planner.ask({ kind: 'beside', input }),
        (beside) => this.beside.set(beside),
        (error) => {
          if (!(error instanceof Superseded))
            this.trouble.set(
              $localize`:@@beside.trouble:What stands beside it could not be worked out. Load the page again; nothing entered is lost.`,
            );
        },
      );
    });
  }

  protected take(row: Row): void {
    if (row.without) this.without.emit(row.without);
    else if (row.way) this.way.emit(row.way);
  }
}

const DOES: Readonly<Record<Beside['id'], string>> = {
  risk: $localize`:@@beside.takeRisk:Plan it with this risk`,
  heaviest: $localize`:@@beside.takeHeaviest:Leave it for another day`,
  helper: $localize`:@@beside.takeHelper:Plan it with a helper`,
  two_visits: $localize`:@@beside.takeTwo:Plan it in two`,
  vet: '',
};
