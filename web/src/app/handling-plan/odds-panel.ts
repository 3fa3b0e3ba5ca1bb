import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  input,
  signal,
  viewChild,
  type OnDestroy,
  inject,
} from '@angular/core';
import { axisBottom, max, scaleBand, scaleLinear, select } from 'd3';
import { bandOf } from '@mansuet/core/strain';
import { STRAIN_BANDS } from '@mansuet/core/words';
import type { NamedOdds } from '../planner/planner.service';
import { inPercent } from './say-odds';
import { Words } from '../wording/words.service';

const CELL = 5;
const DRIVERS_SHOWN = 5;
/** From this width on, pixels, the drawing stands beside the chances. */
const BESIDE_FROM = 760;

/** What the plan may come to: chances, the spread of the peak, and what drives it. */
@Component({
  selector: 'man-odds',
  templateUrl: './odds-panel.html',
  styleUrl: './odds-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OddsPanel implements OnDestroy {
  private readonly words = inject(Words);
  protected readonly name = this.words.step;
  readonly named = input<NamedOdds | undefined>();
  protected readonly percent = inPercent;
  protected readonly round = Math.round;
  private readonly drawing = viewChild<ElementRef<SVGSVGElement>>('drawing');
  private readonly width = signal(0);
  private readonly watcher: ResizeObserver;
  protected readonly drivers = computed(() => (this.named()?.drivers ?? []).slice(0, DRIVERS_SHOWN).filter((d) => d.share >= 0.01));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    this.watcher = new ResizeObserver(([entry]) => {
      if (entry) this.width.set(entry.contentRect.width);
    });
    this.watcher.observe(host);
    effect(() => this.draw());
  }
  ngOnDestroy(): void {
    this.watcher.disconnect();
  }

  protected readonly summary = computed(() => {
    const p = this.named()?.odds.peak;
    return p ? `Peak strain over drawn visits: half of them between ${Math.round(p[1])} and ${Math.round(p[3])} of 100.` : '';
  });

  private draw(): void {
    const svg = this.drawing()?.nativeElement;
    const odds = this.named()?.odds;
    const beside = this.width() > BESIDE_FROM;
    const width = Math.min(beside ? this.width() / 2 - 34 : this.width() - 34, 620);
    if (!svg || !odds || width < 100) return;
    const height = 150;
    const frame = { left: 4, right: 4, top: 18, bottom: 24 };
    const root = select(svg).attr('viewBox', `0 0 ${width} ${height}`).attr('width', width).attr('height', height);
    root.selectAll('*').remove();
    const cells = odds.peakCells.map((count, i) => ({ from: i * CELL, count }));
    const x = scaleBand(
      cells.map((c) => c.from),
      [frame.left, width - frame.right],
    ).padding(0.08);
    const y = scaleLinear([0, max(cells, (c) => c.count) ?? 1], [height - frame.bottom, frame.top]);
    root
      .selectAll('rect')
      .data(cells)
      .join('rect')
      .attr('class', (c) => bandOf(c.from))
      .attr('x', (c) => x(c.from) ?? 0)
      .attr('width', x.bandwidth())
      .attr('y', (c) => y(c.count))
      .attr('height', (c) => y(0) - y(c.count));
    // Bands are named as well as coloured.
    for (const band of STRAIN_BANDS) {
      const inBand = cells.filter((c) => bandOf(c.from) === band);
      const first = inBand[0];
      if (!first) continue;
      const left = x(first.from) ?? 0;
      root
        .append('text')
        .attr('x', left + 2)
        .attr('y', 12)
        .text(band);
      root.append('line').attr('x1', left).attr('x2', left).attr('y1', 2).attr('y2', y(0));
    }
    root
      .append('g')
      .attr('class', 'axis')
      .attr('transform', `translate(0 ${y(0)})`)
      .call(
        axisBottom(x)
          .tickValues(cells.map((c) => c.from).filter((f) => f % 25 === 0))
          .tickSizeOuter(0),
      );
  }
}
