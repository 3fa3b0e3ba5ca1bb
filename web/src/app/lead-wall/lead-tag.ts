import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PHASES } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import type { Tag } from '../today/today.service';
import { screenOf } from '../visit/screen-of';
import { HandlingMark } from './handling-mark';
import { Words } from '../wording/words.service';

/** A dog's tag on its brass hook: name, time, six notches for the phases, handling marks. */
@Component({
  selector: 'man-lead-tag',
  imports: [RouterLink, HandlingMark],
  template: `<a
    class="tag"
    [class.out]="open()"
    [class.gone]="over()"
    [routerLink]="['/visits', tag().visit.visitId, screen()]"
    [attr.aria-current]="open() ? 'page' : null"
  >
    <svg class="hook" viewBox="0 0 20 26" aria-hidden="true"><path d="M10 0v9a6 6 0 1 0 6 6" /></svg>
    <span class="name">{{ tag().visit.dog.name }}</span>
    <span class="time">{{ time() }}</span>
    <span class="notches" role="img" [attr.aria-label]="phaseLabel()">
      @for (p of phases; track p; let i = $index) {
        <i [class.done]="i < reached()" [class.now]="i === reached()"></i>
      }
    </span>
    <span class="marks">
      @for (k of tag().kinds; track k.kind) {
        <man-handling-mark [kind]="k.kind" />
      }
    </span>
  </a>`,
  styleUrl: './lead-tag.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeadTag {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  readonly tag = input.required<Tag>();
  readonly open = input(false);
  protected readonly phases = PHASES;
  protected readonly time = computed(() => this.clock.sayTime(this.tag().visit.arrivesAt));
  /** Gone home, or not coming. */
  protected readonly over = computed(() => this.tag().phase === 'gone' || this.tag().phase === 'off');
  protected readonly reached = computed(() => {
    const phase = this.tag().phase;
    return phase === 'gone' ? PHASES.length : phase === 'off' ? 0 : PHASES.indexOf(phase);
  });
  protected readonly screen = computed(() => screenOf(this.tag().phase));
  protected readonly phaseLabel = computed(() => {
    const phase = this.tag().phase;
    if (phase === 'off') return 'not coming';
    return phase === 'gone' ? 'gone home' : `at ${this.words.labels.phase[phase]}`;
  });
}
