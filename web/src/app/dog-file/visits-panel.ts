import { ChangeDetectionStrategy, Component, computed, input, signal, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { area, line, scaleLinear } from 'd3';
import type { PastVisit } from '@mansuet/core/contract';
import { Notice } from '../controls/notice';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

const SHOWN_AT_FIRST = 8;

/** Past visits as a strip of strain curves; one opens with its steps, holds and incidents. */
@Component({
  selector: 'man-visits-panel',
  imports: [Notice, RouterLink],
  templateUrl: './visits-panel.html',
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitsPanel {
  private readonly words = inject(Words);
  readonly visits = input.required<readonly PastVisit[]>();
  readonly today = input.required<string>();
  protected readonly opened = signal<string | undefined>(undefined);
  protected readonly all = signal(false);
  protected readonly holds = this.words.labels.hold;
  protected readonly incidents = this.words.labels.incident;
  protected readonly name = this.words.stepOf;
  protected readonly round = Math.round;
  protected readonly outcome = (v: PastVisit): string =>
    v.summary.outcome === 'stopped' ? 'stopped' : v.summary.outcome === 'not_today' ? 'not groomed' : 'finished';

  protected readonly more = computed(() => (this.all() ? 0 : Math.max(0, this.visits().length - SHOWN_AT_FIRST)));
  protected readonly strips = computed(() =>
    (this.all() ? this.visits() : this.visits().slice(0, SHOWN_AT_FIRST)).map((visit) => {
      const points = [...visit.summary.curve];
      const x = scaleLinear([0, Math.max(30, visit.summary.minutes)], [0, 148]);
      const y = scaleLinear([0, 100], [40, 1]);
      type P = (typeof points)[number];
      return {
        visit,
        when: dayInWords(visit.summary.on ?? visit.arrivesAt.slice(0, 10), this.today()),
        curve:
          line<P>()
            .x((p) => x(p.minute))
            .y((p) => y(p.strain))(points) ?? '',
        fill:
          area<P>()
            .x((p) => x(p.minute))
            .y0(40)
            .y1((p) => y(p.strain))(points) ?? '',
      };
    }),
  );

  protected open(id: string): void {
    this.opened.update((o) => (o === id ? undefined : id));
  }
}
