import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { PieceId } from '@mansuet/core/words';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { REASONS } from './leave-reasons';
import { type PieceOutcome, TableStore } from './table-store';

const OUTCOMES: readonly Choice<PieceOutcome>[] = [
  { value: 'open', label: $localize`:@@pieces.open:open` },
  { value: 'done', label: $localize`:@@pieces.done:done` },
  { value: 'part', label: $localize`:@@pieces.part:in part` },
  { value: 'left', label: $localize`:@@pieces.left:left` },
];

/** The places of the step in hand, each done, done in part or left by itself. */
@Component({
  selector: 'man-piece-list',
  imports: [ChoiceGroup],
  template: `<ul>
    @for (p of pieces(); track p.id) {
      <li>
        <p>
          <b>{{ p.place }}</b>
          @if (p.with) {
            <span class="quiet small">{{ p.with }}</span>
          }
          @if (p.marks > 0) {
            <span class="mark small" i18n="@@pieces.mark">marks here: {{ p.marks }}, felt for before each pass</span>
          }
        </p>
        <man-choice [label]="p.place" [of]="outcomes" [value]="p.status" size="big" (chosen)="set(p.id, $event)" />
        @if (p.status === 'part' || p.status === 'left') {
          <man-choice
            label="Because of"
            i18n-label="@@pieces.why"
            shown
            size="big"
            [of]="reasons"
            [value]="p.why"
            (chosen)="table.finishPiece(p.id, p.status, $event)"
          />
        }
      </li>
    }
  </ul>`,
  styles: `
    li + li {
      margin-top: 10px;
    }
    .mark {
      color: var(--pause-ink);
      margin-left: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceList {
  protected readonly table = inject(TableStore);
  protected readonly outcomes = OUTCOMES;
  protected readonly reasons: readonly Choice<string>[] = REASONS.map((why) => ({ value: why, label: why }));
  protected readonly pieces = computed(() => this.table.pieces());
  protected set(piece: PieceId, outcome: PieceOutcome): void {
    void this.table.finishPiece(piece, outcome);
  }
}
