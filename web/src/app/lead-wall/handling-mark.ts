import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import type { DogKind } from '@mansuet/core/words';
import { Words } from '../wording/words.service';

/** Outline and letter of each mark: told apart by shape, in any colour or none. */
const MARKS: Readonly<Record<DogKind, { letter: string; path: string }>> = {
  puppy: { letter: 'P', path: 'M12 2a10 10 0 1 1 0 20a10 10 0 1 1 0-20z' },
  senior: { letter: 'S', path: 'M3 21V9a9 7 0 0 1 18 0v12z' },
  sore_joints: { letter: 'J', path: 'M6 2h12v7l-3 3l3 3v7H6v-7l3-3l-3-3z' },
  reactive: { letter: 'R', path: 'M12 1l3.2 5.6l6.3-1.1l-1.1 6.3l2.6 5l-6 1.4L12 23l-5-4.8l-6-1.4l2.6-5l-1.1-6.3l6.3 1.1z' },
  matted: { letter: 'M', path: 'M2 5q2.5-4 5 0t5 0t5 0t5 0v14q-2.5 4-5 0t-5 0t-5 0t-5 0z' },
  short_nose: { letter: 'N', path: 'M3 3h18v18h-7v-4h-4v4H3z' },
  thin_skin: { letter: 'T', path: 'M12 1c6 7 8 10 8 14a8 8 0 0 1-16 0c0-4 2-7 8-14z' },
  lumps: { letter: 'L', path: 'M12 6a6 6 0 0 1 9 5a6 6 0 0 1-3 10H6a6 6 0 0 1-3-10a6 6 0 0 1 9-5z' },
  bite_history: { letter: 'B', path: 'M1 3h22l-2.5 6L23 21H1l2.5-12z' },
  first_visit: { letter: '1', path: 'M12 1l11 9v12H1V10z' },
  needs_two: { letter: '2', path: 'M1 5h9v4h4V5h9v15h-9v-4h-4v4H1z' },
};

/** A handling mark: a small line drawing with a letter. */
@Component({
  selector: 'man-handling-mark',
  template: `<svg viewBox="0 0 24 24" role="img" [attr.aria-label]="label()">
    <title>{{ label() }}</title>
    <path [attr.d]="mark().path" />
    <text x="12" y="16.5" text-anchor="middle">{{ mark().letter }}</text>
  </svg>`,
  styles: `
    :host {
      display: inline-flex;
    }
    svg {
      width: 26px;
      height: 26px;
      overflow: visible;
    }
    path {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    text {
      font-size: 12px;
      font-weight: 700;
      fill: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandlingMark {
  private readonly words = inject(Words);
  readonly kind = input.required<DogKind>();
  protected readonly mark = computed(() => MARKS[this.kind()]);
  protected readonly label = computed(() => this.words.labels.dogKind[this.kind()]);
}
