import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { MarkSeen } from '@mansuet/core/contract';
import { sizeOf } from '../wording/formats';

/** Side of a picture, and the most that a millimetre is drawn with, pixels. */
const SIDE = 84;
const MOST_PER_MM = 4;
/** More would not be read beside each other. */
const SHOWN = 6;

/** A mark as it was each time, side by side at one scale: whether it grew is seen before it is read. */
@Component({
  selector: 'man-mark-sizes',
  template: `<ul>
    @for (s of shown(); track s.on) {
      <li>
        <svg [attr.viewBox]="'0 0 ' + side + ' ' + side" role="img" [attr.aria-label]="s.says">
          <ellipse [attr.cx]="side / 2" [attr.cy]="side / 2" [attr.rx]="s.rx" [attr.ry]="s.ry" />
        </svg>
        <span class="quiet small">{{ s.on }}<br />{{ s.size }}</span>
      </li>
    }
  </ul>`,
  styles: `
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    svg {
      display: block;
      width: 84px;
      height: 84px;
      background: var(--porcelain);
      border-radius: var(--radius);
    }
    ellipse {
      fill: var(--watch-light);
      stroke: var(--brass);
      stroke-width: 1.5;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarkSizes {
  readonly seen = input.required<readonly MarkSeen[]>();
  protected readonly side = SIDE;
  protected readonly shown = computed(() => {
    const last = this.seen().slice(-SHOWN);
    const scale = Math.min(MOST_PER_MM, (SIDE - 6) / Math.max(...last.flatMap((m) => [m.lengthMm, m.widthMm])));
    return last.map((m) => {
      const size = sizeOf(m.lengthMm, m.widthMm);
      return { on: m.seenOn, size, says: `${m.seenOn}: ${size}`, rx: (m.lengthMm * scale) / 2, ry: (m.widthMm * scale) / 2 };
    });
  });
}
