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
import { select } from 'd3';
import {
  drawGround,
  drawPredicted,
  drawSteps,
  measuredPaths,
  ribbonScales,
  type PredictedPoint,
  type RibbonPoint,
  type RibbonStep,
} from './ribbon-drawing';

export type { PredictedPoint, RibbonPoint, RibbonStep } from './ribbon-drawing';

/** Work that lasts longer than was planned makes the ribbon longer by so many minutes at a time: everything on it moves then. */
const LONGER_BY_MINUTES = 10;
const LEAST_PX = 60;

/** Strain over time: the predicted curve with its range, what was measured, the steps below. While the work runs only what is new is drawn. */
@Component({
  selector: 'man-strain-ribbon',
  template: `<svg
    role="img"
    [attr.aria-label]="summary()"
    [attr.viewBox]="'0 0 ' + size().width + ' ' + size().height"
    [attr.width]="size().width"
    [attr.height]="size().height"
  >
    <g #ground></g>
    @if (scales(); as s) {
      <path class="sure" [attr.d]="paths().sure" />
      <path class="measured" [attr.d]="paths().measured" />
      @if (nowPx(); as x) {
        <line class="now" [attr.transform]="'translate(' + x + ' 0)'" [attr.y1]="s.frame.top" [attr.y2]="s.height - 18" />
      }
    }
  </svg>`,
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

  private readonly ground = viewChild.required<ElementRef<SVGGElement>>('ground');
  protected readonly size = signal({ width: 0, height: 0 });
  private readonly watcher: ResizeObserver;

  /** Minutes to the right end: the plan's, or what the work has become longer by. */
  private readonly minutes = computed(() => {
    const planned = Math.max(10, ...this.predicted().map((p) => p.minute), ...this.steps().map((s) => s.to));
    const worked = Math.max(this.now() ?? 0, this.measured().at(-1)?.minute ?? 0);
    return worked <= planned ? planned : Math.ceil(worked / LONGER_BY_MINUTES) * LONGER_BY_MINUTES;
  });
  protected readonly scales = computed(() => {
    const { width, height } = this.size();
    return width < LEAST_PX || height < LEAST_PX ? undefined : ribbonScales(width, height, this.minutes(), this.steps().length > 0);
  });
  protected readonly paths = computed(
    () => {
      const scales = this.scales();
      return scales ? measuredPaths(scales, this.measured()) : NO_PATHS;
    },
    { equal: (a, b) => a.sure === b.sure && a.measured === b.measured },
  );
  /** To a tenth of a pixel: a line that moves by less is not seen to move. */
  protected readonly nowPx = computed(() => {
    const now = this.now();
    return now === undefined ? undefined : Math.round((this.scales()?.x(now) ?? 0) * 10) / 10;
  });

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
    // What stands still is drawn once: bands, axes, the plan's curve and its steps.
    effect(() => {
      const ground = select(this.ground().nativeElement);
      ground.selectAll('*').remove();
      const scales = this.scales();
      if (!scales) return;
      drawGround(ground, scales);
      drawPredicted(ground, scales, this.predicted());
      drawSteps(ground, scales, this.steps(), this.opened(), (step) => this.pick.emit(step));
    });
  }

  ngOnDestroy(): void {
    this.watcher.disconnect();
  }
}

const NO_PATHS = { sure: '', measured: '' };
