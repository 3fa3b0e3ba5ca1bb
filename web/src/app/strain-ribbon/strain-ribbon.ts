import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import { area, curveLinear, line, scaleLinear, select, axisBottom, axisLeft } from 'd3';
import { PAUSE_AT, STOP_AT, STRAIN_MAX, WATCH_AT } from '@mansuet/core/strain';
import { STRAIN_BANDS, type StrainBand } from '@mansuet/core/words';

export interface RibbonPoint {
  readonly minute: number;
  readonly strain: number;
  /** Between which points strain lies in nine of ten, where that is known. */
  readonly range90?: readonly [number, number];
}
export interface PredictedPoint extends RibbonPoint {
  readonly low: number;
  readonly high: number;
}
export interface RibbonStep {
  readonly label: string;
  readonly from: number;
  readonly to: number;
  readonly breaks: readonly { readonly from: number; readonly minutes: number }[];
}

const EDGES: Readonly<Record<StrainBand, readonly [number, number]>> = {
  settled: [0, WATCH_AT],
  watch: [WATCH_AT, PAUSE_AT],
  pause: [PAUSE_AT, STOP_AT],
  stop: [STOP_AT, STRAIN_MAX],
};

/** Strain over time: the predicted curve with its range, what was measured, the steps below. */
@Component({
  selector: 'man-strain-ribbon',
  template: '<svg #drawing role="img" [attr.aria-label]="summary()"></svg>',
  styleUrl: './strain-ribbon.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StrainRibbon implements OnDestroy {
  readonly predicted = input<readonly PredictedPoint[]>([]);
  readonly measured = input<readonly RibbonPoint[]>([]);
  readonly steps = input<readonly RibbonStep[]>([]);
  /** The step that is shown beside, and which one was pointed at. */
  readonly opened = input<number | undefined>();
  readonly pick = output<number>();
  /** Minute of now, when the work runs. */
  readonly now = input<number | undefined>();

  private readonly drawing = viewChild.required<ElementRef<SVGSVGElement>>('drawing');
  private readonly size = signal({ width: 0, height: 0 });
  private readonly watcher: ResizeObserver;

  protected readonly summary = computed(() => {
    const peak = (points: readonly RibbonPoint[]): number => Math.round(Math.max(0, ...points.map((p) => p.strain)));
    const parts = [];
    if (this.predicted().length > 0) parts.push(`predicted strain peaks at ${peak(this.predicted())} of 100`);
    if (this.measured().length > 0) parts.push(`measured strain peaks at ${peak(this.measured())} of 100`);
    return `Strain over time: ${parts.join(', ') || 'nothing yet'}.`;
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    this.watcher = new ResizeObserver(([entry]) => {
      if (entry) this.size.set({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    this.watcher.observe(host);
    effect(() => this.draw());
  }

  ngOnDestroy(): void {
    this.watcher.disconnect();
  }

  private draw(): void {
    const { width, height } = this.size();
    const svg = select(this.drawing().nativeElement);
    svg.selectAll('*').remove();
    if (width < 60 || height < 60) return;
    svg.attr('viewBox', `0 0 ${width} ${height}`).attr('width', width).attr('height', height);
    const steps = this.steps();
    const lane = steps.length > 0 ? 22 : 0;
    const frame = { left: 76, right: 10, top: 6, bottom: 22 + lane };
    const last = Math.max(
      10,
      this.now() ?? 0,
      ...this.predicted().map((p) => p.minute),
      ...this.measured().map((p) => p.minute),
      ...steps.map((s) => s.to),
    );
    const x = scaleLinear([0, last], [frame.left, width - frame.right]);
    const y = scaleLinear([0, STRAIN_MAX], [height - frame.bottom, frame.top]);

    for (const band of STRAIN_BANDS) {
      const [low, high] = EDGES[band];
      const g = svg.append('g').attr('class', `band ${band}`);
      g.append('rect')
        .attr('x', frame.left)
        .attr('width', width - frame.left - frame.right)
        .attr('y', y(high))
        .attr('height', y(low) - y(high));
      const middle = (y(low) + y(high)) / 2;
      g.append('path').attr('transform', `translate(12 ${middle})`).attr('d', GLYPHS[band]);
      g.append('text')
        .attr('x', 24)
        .attr('y', middle + 4)
        .text(band);
    }
    svg
      .append('g')
      .attr('class', 'axis')
      .attr('transform', `translate(0 ${height - frame.bottom})`)
      .call(
        axisBottom(x)
          .ticks(Math.min(10, Math.max(2, Math.floor((width - 80) / 90))))
          .tickFormat((d) => `${Number(d)} min`),
      )
      // A label that would be cut at the edge says nothing.
      .selectAll<SVGTextElement, number>('.tick text')
      .filter((d) => x(d) > width - 24)
      .remove();
    svg.append('g').attr('class', 'axis').attr('transform', `translate(${frame.left} 0)`).call(axisLeft(y).tickValues([]));
    if (this.predicted().length > 1) {
      svg
        .append('path')
        .attr('class', 'range')
        .attr(
          'd',
          area<PredictedPoint>()
            .curve(curveLinear)
            .x((p) => x(p.minute))
            .y0((p) => y(p.low))
            .y1((p) => y(p.high))([...this.predicted()]),
        );
      svg
        .append('path')
        .attr('class', 'predicted')
        .attr(
          'd',
          line<PredictedPoint>()
            .x((p) => x(p.minute))
            .y((p) => y(p.strain))([...this.predicted()]),
        );
    }
    if (this.measured().length > 1) {
      svg
        .append('path')
        .attr('class', 'sure')
        .attr(
          'd',
          area<RibbonPoint>()
            .x((p) => x(p.minute))
            .y0((p) => y(p.range90?.[0] ?? p.strain))
            .y1((p) => y(p.range90?.[1] ?? p.strain))([...this.measured()]),
        );
      svg
        .append('path')
        .attr('class', 'measured')
        .attr(
          'd',
          line<RibbonPoint>()
            .x((p) => x(p.minute))
            .y((p) => y(p.strain))([...this.measured()]),
        );
    }
    const now = this.now();
    if (now !== undefined)
      svg
        .append('line')
        .attr('class', 'now')
        .attr('x1', x(now))
        .attr('x2', x(now))
        .attr('y1', frame.top)
        .attr('y2', height - 18);
    steps.forEach((step, i) => {
      const top = height - lane;
      for (const pause of step.breaks)
        svg
          .append('rect')
          .attr('class', 'rest')
          .attr('x', x(pause.from))
          .attr('width', Math.max(1, x(pause.from + pause.minutes) - x(pause.from)))
          .attr('y', top)
          .attr('height', 18);
      const g = svg.append('g').attr('class', this.opened() === i ? 'step open' : 'step');
      g.on('click', () => this.pick.emit(i));
      const parts = workOf(step);
      for (const [from, to] of parts)
        g.append('rect')
          .attr('x', x(from))
          .attr('width', Math.max(2, x(to) - x(from) - 1))
          .attr('y', top)
          .attr('height', 18)
          .attr('rx', 3);
      g.append('title').text(step.label);
      const [from, to] = parts.reduce((widest, p) => (p[1] - p[0] > widest[1] - widest[0] ? p : widest), [0, 0]);
      if (x(to) - x(from) > 16)
        g.append('text')
          .attr('x', (x(from) + x(to)) / 2)
          .attr('y', top + 13)
          .attr('text-anchor', 'middle')
          .text(String(i + 1));
    });
  }
}

/** Stretches of work in a step: a break inside it parts them. */
function workOf(step: RibbonStep): (readonly [number, number])[] {
  const inside = step.breaks.filter((b) => b.from > step.from && b.from < step.to);
  const starts = [step.from, ...inside.map((b) => b.from + b.minutes)];
  return starts.map((from, i) => [from, inside[i]?.from ?? step.to] as const);
}

/** The shape of a band, beside its colour and its word. */
const GLYPHS: Readonly<Record<StrainBand, string>> = {
  settled: 'M6 0a6 6 0 1 1 -12 0a6 6 0 1 1 12 0',
  watch: 'M-6 3a6 6 0 0 1 12 0',
  pause: 'M-3 -6v12M3 -6v12',
  stop: 'M-2.5 -6h5l3.5 3.5v5l-3.5 3.5h-5l-3.5 -3.5v-5z',
};
