import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Phase, PHASES, type Reached } from '@mansuet/core/words';
import { Words } from '../wording/words.service';

/** Know · Feel over · Agree · Plan · Work · Hand back: one line with six stops, and the navigation inside a visit. */
@Component({
  selector: 'man-phase-line',
  imports: [RouterLink],
  template: `<ol>
    @for (p of phases; track p; let i = $index) {
      <li [class.done]="i < at()" [class.here]="p === here()">
        @if (i <= at()) {
          <a [routerLink]="['/visits', visitId(), p]" [attr.aria-current]="p === here() ? 'step' : null"><i></i>{{ labels[p] }}</a>
        } @else {
          <span><i></i>{{ labels[p] }}<em class="visually-hidden" i18n="@@phaseLine.notYet"> (not reached yet)</em></span>
        }
      </li>
    }
  </ol>`,
  styleUrl: './phase-line.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhaseLine {
  private readonly words = inject(Words);
  readonly visitId = input.required<string>();
  readonly reached = input.required<Reached>();
  readonly here = input<Phase | undefined>();
  protected readonly phases = PHASES;
  protected readonly labels = this.words.labels.phase;
  protected readonly at = computed(() => {
    const r = this.reached();
    if (r === 'off') return 0;
    return r === 'gone' ? PHASES.length : PHASES.indexOf(r);
  });
}
