import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import type { PlannedBreak } from '@mansuet/core/plan';
import { Words } from '../wording/words.service';

/** A break in the list of steps: when, how long, and why; before a step or inside it. */
@Component({
  selector: 'man-break-line',
  template: `<span class="quiet">{{ minute() }} min</span><b>{{ says() }}</b
    ><span class="small">{{ why() }} {{ when() }}</span>`,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 10px;
      align-items: baseline;
      padding: 5px 12px 5px 20px;
      background: var(--settled-light);
      border-top: 1px solid var(--line);
    }
    :host(.inside) {
      margin-left: 40px;
      border-left: 3px solid var(--slate);
    }
    @media print {
      :host {
        padding: 2px 8px;
      }
    }
  `,
  host: { '[class.inside]': 'pause().after > 0' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BreakLine {
  private readonly words = inject(Words);
  readonly pause = input.required<PlannedBreak>();
  /** Minute of the visit at which the plan begins. */
  readonly from = input(0);
  protected readonly minute = computed(() => Math.round(this.from() + this.pause().from));
  protected readonly says = computed(() => {
    const { from, minutes, after } = this.pause();
    if (after > 0) return `Break, ${minutes} min, after ${Math.round(after)} min of it`;
    return `${this.from() + from < 1 ? 'Let it settle' : 'Break'}, ${minutes} min`;
  });
  protected readonly why = computed(() => this.words.say(this.pause().because));
  protected readonly when = computed(() => {
    const { when } = this.pause();
    return when ? this.words.say(when) : '';
  });
}
