import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { extent, line, scaleLinear, scaleUtc } from 'd3';

export interface TrendPoint {
  /** ISO date. */
  readonly on: string;
  readonly value: number;
  /** Measured, or only told: drawn full or open. */
  readonly firm: boolean;
}

const SIZE = { width: 300, height: 92, left: 8, right: 52, top: 12, bottom: 20 };

/** A value through time: a line with its first and last number written at it. */
@Component({
  selector: 'man-trend-line',
  template: `<svg [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height" role="img" [attr.aria-label]="says()">
    @for (t of ticks(); track t.y) {
      <path class="grid" [attr.d]="'M' + size.left + ' ' + t.y + 'H' + (size.width - size.right)" />
      <text class="tick" [attr.x]="size.width - size.right + 6" [attr.y]="t.y + 4">{{ t.value }}</text>
    }
    <path class="curve" [attr.d]="drawn().path" />
    @for (p of drawn().points; track $index) {
      <circle [attr.cx]="p.x" [attr.cy]="p.y" r="3.6" [class.open]="!p.firm">
        <title>{{ p.says }}</title>
      </circle>
    }
    <text class="tick" [attr.x]="size.left" [attr.y]="size.height - 4">{{ drawn().from }}</text>
    <text class="tick" [attr.x]="size.width - size.right" [attr.y]="size.height - 4" text-anchor="end">{{ drawn().to }}</text>
    <text class="tick" [attr.x]="size.width - 2" y="9" text-anchor="end">{{ unit() }}</text>
  </svg>`,
  styles: `
    svg {
      width: 100%;
      max-width: 340px;
      display: block;
    }
    .grid {
      stroke: var(--line);
      stroke-width: 0.8;
    }
    .curve {
      fill: none;
      stroke: var(--slate);
      stroke-width: 1.8;
    }
    circle {
      fill: var(--slate);
      stroke: var(--slate);
      stroke-width: 1.6;
    }
    .open {
      fill: var(--sheet);
    }
    .tick {
      font-size: 13px;
      fill: var(--quiet);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrendLine {
  readonly points = input.required<readonly TrendPoint[]>();
  readonly unit = input.required<string>();
  readonly label = input.required<string>();
  protected readonly size = SIZE;

  private readonly scales = computed(() => {
    const points = this.points();
    const [from = new Date(0), to = new Date(0)] = extent(points, (p) => new Date(p.on));
    const [low = 0, high = 1] = extent(points, (p) => p.value);
    const room = Math.max((high - low) * 0.15, high * 0.02, 0.1);
    return {
      x: scaleUtc(
        [from, to.getTime() === from.getTime() ? new Date(from.getTime() + 86_400_000) : to],
        [SIZE.left + 4, SIZE.width - SIZE.right - 4],
      ),
      y: scaleLinear([Math.max(0, low - room), high + room], [SIZE.height - SIZE.bottom, SIZE.top]).nice(3),
    };
  });
  protected readonly ticks = computed(() => {
    const { y } = this.scales();
    return y.ticks(3).map((value) => ({ value, y: y(value) }));
  });
  protected readonly drawn = computed(() => {
    const { x, y } = this.scales();
    const points = this.points().map((p) => ({
      x: x(new Date(p.on)),
      y: y(p.value),
      firm: p.firm,
      says: `${p.on}: ${p.value} ${this.unit()}`,
    }));
    const path = line<(typeof points)[number]>()
      .x((p) => p.x)
      .y((p) => p.y)(points);
    return { points, path: path ?? '', from: this.points()[0]?.on ?? '', to: this.points().at(-1)?.on ?? '' };
  });
  protected readonly says = computed(() => {
    const first = this.points()[0];
    const last = this.points().at(-1);
    return first && last
      ? `${this.label()}: ${first.value} ${this.unit()} on ${first.on}, ${last.value} ${this.unit()} on ${last.on}`
      : this.label();
  });
}
