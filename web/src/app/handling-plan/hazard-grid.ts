import { ChangeDetectionStrategy, Component, computed, input, signal, inject } from '@angular/core';
import { likelihoodClass, type RegisterRow, riskBand, riskScore } from '@mansuet/core/knowledge/hazards';
import type { Reason, RiskBand, ZoneId } from '@mansuet/core/words';
import { Words } from '../wording/words.service';
import { byWeightLeft, LIKELIHOODS, SEVERITIES } from './hazard-words';

const CLASSES = [1, 2, 3, 4, 5] as const;
const ROWS_SHOWN = 8;

interface Cell {
  readonly likelihood: number;
  readonly severity: number;
  readonly band: RiskBand;
  readonly before: number;
  readonly after: number;
}

/** The hazard register as a 5 × 5 grid: how many hazards lie in each cell before the plan's controls, and after them. */
@Component({
  selector: 'man-hazard-grid',
  templateUrl: './hazard-grid.html',
  styleUrl: './hazard-grid.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HazardGrid {
  private readonly words = inject(Words);
  readonly register = input.required<readonly RegisterRow[]>();
  protected readonly likelihoods = LIKELIHOODS;
  protected readonly severities = SEVERITIES;
  protected readonly hazards = this.words.labels.incident;
  protected readonly zone = (z: ZoneId): string => this.words.labels.zone[z];
  protected readonly picked = signal<{ likelihood: number; severity: number } | undefined>(undefined);

  /** One line for each hazard and place; the same in several places counts as often. */
  protected readonly grid = computed<readonly (readonly Cell[])[]>(() =>
    LIKELIHOODS.map(({ value }) =>
      CLASSES.map((severity) => ({
        likelihood: value,
        severity,
        band: riskBand(riskScore(value, severity)),
        before: this.register().filter((r) => r.severity === severity && likelihoodClass(r.before) === value).length,
        after: this.register().filter((r) => r.severity === severity && likelihoodClass(r.after) === value).length,
      })),
    ),
  );
  protected readonly rows = computed(() => {
    const picked = this.picked();
    const of = picked
      ? this.register().filter(
          (r) =>
            r.severity === picked.severity &&
            (likelihoodClass(r.after) === picked.likelihood || likelihoodClass(r.before) === picked.likelihood),
        )
      : [...this.register()];
    return of.sort(byWeightLeft).slice(0, ROWS_SHOWN);
  });
  protected readonly eased = computed(() => this.register().filter((r) => r.scoreAfter < r.scoreBefore).length);

  protected pick(cell: Cell): void {
    const now = this.picked();
    this.picked.set(now?.likelihood === cell.likelihood && now.severity === cell.severity ? undefined : cell);
  }
  protected isPicked(cell: Cell): boolean {
    return this.picked()?.likelihood === cell.likelihood && this.picked()?.severity === cell.severity;
  }
  protected say(cell: Cell, likelihood: string): string {
    return `${likelihood}, ${SEVERITIES[cell.severity - 1] ?? ''} harm, ${cell.band} risk: ${cell.before} before controls, ${cell.after} after`;
  }
  protected sentences(reasons: readonly Reason[]): string {
    return reasons.slice(0, 2).map(this.words.say).join(' ');
  }
  protected chance(share: number): string {
    return share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(1)} %`;
  }
}
