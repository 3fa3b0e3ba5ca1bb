import { ChangeDetectionStrategy, Component, effect, inject, input, output, signal } from '@angular/core';
import { type Alternative, alternativesTo, proposeAgreement } from '@mansuet/core/agreement';
import type { Salon } from '@mansuet/core/contract';
import { dogKinds } from '@mansuet/core/knowledge/dogs';
import { compareWith, type Difference, type HandlingPlan, isWorthOffering, type PlanInput } from '@mansuet/core/plan';
import { Latest } from '../planner/latest';
import { PlannerService, Superseded } from '../planner/planner.service';
import { aboutMinutes, money } from '../wording/time';
import { Words } from '../wording/words.service';

/** Points of peak strain that an owner would see. Our default. */
const NOTICED = 5;

interface Offered {
  readonly id: Alternative['id'];
  readonly says: string;
  readonly minutes: string;
  readonly differs: readonly string[];
  readonly price: string;
  readonly input: PlanInput;
}

/** Other ways to do this visit, each planned like the one asked for: minutes, price, strain, what it adds or leaves out. */
@Component({
  selector: 'man-alternatives',
  template: `<h2>Or instead</h2>
    @for (o of offered(); track o.id) {
      <div class="other">
        <div>
          <p>{{ o.says }}</p>
          <p class="small">{{ o.minutes }}, {{ o.price }}.</p>
          @for (line of o.differs; track $index) {
            <p class="small">{{ line }}</p>
          }
        </div>
        <button type="button" class="plain" [attr.aria-label]="'Take this: ' + o.says" (click)="chosen.emit(o.input)">Take this</button>
      </div>
    } @empty {
      <p class="quiet small" role="status">{{ busy() ? 'Comparing other ways …' : 'Nothing else would change much.' }}</p>
    }`,
  styles: `
    .other {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 12px;
      align-items: center;
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }
    h2 {
      margin-bottom: 4px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AlternativesPanel {
  private readonly words = inject(Words);
  private readonly planner = inject(PlannerService);
  private readonly latest = new Latest();
  readonly plan = input.required<HandlingPlan>();
  readonly input = input.required<PlanInput>();
  readonly salon = input.required<Salon>();
  readonly chosen = output<PlanInput>();
  protected readonly offered = signal<readonly Offered[]>([]);
  protected readonly busy = signal(false);

  constructor() {
    effect(() => void this.compare(this.plan(), this.input(), this.salon()));
  }

  private async compare(plan: HandlingPlan, asked: PlanInput, salon: Salon): Promise<void> {
    const isLatest = this.latest.next();
    this.busy.set(true);
    this.offered.set([]);
    const offered: Offered[] = [];
    for (const a of alternativesTo(asked, dogKinds(asked.dog, asked.feelOver, asked.today))) {
      const planned = await this.planner.planBeside(a.input).catch((error: unknown) => {
        if (error instanceof Superseded) return undefined;
        throw error;
      });
      // The owner has changed the wish meanwhile: this comparison is over.
      if (!planned || !isLatest()) return;
      const other = planned.plan;
      const differs = compareWith(plan, other);
      if (!isWorthOffering(differs)) continue;
      const p = proposeAgreement(other, a.input, salon.ratePerMinuteMinor, salon.priceRule);
      offered.push({
        id: a.id,
        says: this.words.say(a.because),
        minutes: aboutMinutes(other.minutes, other.minutesRange),
        price: p.extraPriceMinor > 0 ? `${money(p.extraPriceMinor, salon.currency)} extra` : 'no extra price',
        differs: this.sayDifference(differs),
        input: a.input,
      });
    }
    this.offered.set(offered);
    this.busy.set(false);
  }

  /** What the owner would notice of it: how the dog bears it, what is done besides, what is not. */
  private sayDifference(d: Difference): string[] {
    const out: string[] = [];
    if (d.peak <= -NOTICED) out.push($localize`:@@instead.easier:Easier on the dog.`);
    if (d.peak >= NOTICED) out.push($localize`:@@instead.harder:Harder on the dog.`);
    if (d.more.length > 0) out.push($localize`:@@instead.also:Done as well: ${this.words.list(d.more.map(this.words.step))}:work:.`);
    if (d.less.length > 0) out.push($localize`:@@instead.without:Not done: ${this.words.list(d.less.map(this.words.step))}:work:.`);
    return out;
  }
}
