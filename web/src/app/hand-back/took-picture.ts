import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ToldAccount } from '@mansuet/core/contract';
import { Words } from '../wording/words.service';

const WIDTH = 600;
const HEIGHT = { settled: 12, watch: 22, pause: 34, stop: 46 } as const;

/** How a visit went, in one plain picture: the higher, the harder; low and pale is a rest. Said in words to who does not see it. */
@Component({
  selector: 'man-took-picture',
  template: `<svg [attr.viewBox]="'0 0 ' + width + ' 64'" role="img" [attr.aria-label]="says()" [attr.preserveAspectRatio]="'none'">
      @for (b of bars(); track $index) {
        <rect [attr.x]="b.x" [attr.y]="50 - b.h" [attr.width]="b.w" [attr.height]="b.h" [attr.class]="b.as" />
      }
      <path [attr.d]="'M0 50.5H' + width" />
    </svg>
    <p class="quiet small ends" aria-hidden="true">
      <span i18n="@@took.start">start</span><span i18n="@@took.higher">the higher, the harder; pale is a rest</span
      ><span i18n="@@took.end">{{ minutes() }} min</span>
    </p>`,
  styles: `
    svg {
      width: 100%;
      height: 64px;
      display: block;
    }
    path {
      stroke: var(--line);
    }
    .settled {
      fill: var(--settled);
    }
    .watch {
      fill: var(--watch);
    }
    .pause {
      fill: var(--pause);
    }
    .stop {
      fill: var(--stop);
    }
    .rest {
      fill: var(--line);
    }
    .ends {
      display: flex;
      justify-content: space-between;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TookPicture {
  private readonly words = inject(Words);
  readonly picture = input.required<ToldAccount['picture']>();
  readonly length = input.required<number>();
  protected readonly width = WIDTH;
  protected readonly minutes = computed(() => Math.round(this.length()));
  protected readonly bars = computed(() =>
    this.picture().map((s) => ({
      x: (s.from / this.length()) * WIDTH,
      w: Math.max(1, ((s.to - s.from) / this.length()) * WIDTH),
      h: s.rest ? 8 : HEIGHT[s.band],
      as: s.rest ? 'rest' : s.band,
    })),
  );
  protected readonly says = computed(() =>
    this.picture()
      .map((s) => {
        const at = `${Math.round(s.from)}–${Math.round(s.to)} min`;
        return s.rest ? $localize`:@@took.rest:${at}:minutes:: a rest` : `${at}: ${this.words.labels.band[s.band]}`;
      })
      .join('; '),
  );
}
