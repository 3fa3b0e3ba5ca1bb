import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { DogFile, MarkSeen } from '@mansuet/core/contract';
import { markAreaMm2, READING_ERROR_MM } from '@mansuet/core/knowledge/marks';
import type { ZoneId } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { ApiService, NOTHING, sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { MarkSizes } from './mark-sizes';
import { marksThroughTime } from './marks-through-time';
import { TrendLine } from './trend-line';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { sizeOf } from '../wording/formats';

/** Each mark through time, with what its change says. Never what it is. */
@Component({
  selector: 'man-marks-panel',
  imports: [MarkSizes, Notice, TrendLine],
  template: `<h2>Marks</h2>
    @for (m of shown(); track m.last.markId) {
      <div class="mark">
        <div>
          <p>
            <b>{{ zone(m.last.zone) }}</b>: {{ size(m.last.lengthMm, m.last.widthMm) }}, {{ labels.surface[m.last.surface] }},
            {{ labels.border[m.last.border] }}
          </p>
          <p class="quiet small">
            @if (m.points.length > 1) {
              first {{ size(m.first.lengthMm, m.first.widthMm) }} on {{ day(m.first.seenOn) }}, measured {{ m.points.length }} times ·
            }
            about {{ m.areaMm2 }} mm²{{ m.doubles ? ', its area doubles in about ' + m.doubles + ' days at this pace' : '' }}
          </p>
          @for (line of m.says; track $index) {
            @if (m.verdict === 'watch') {
              <p>{{ line }}</p>
            } @else {
              <man-notice kind="vet" [says]="line" />
            }
          }
          @if (m.verdict !== 'watch') {
            <p class="quiet small">We do not know what it is: that is the vet’s to say.</p>
          }
          @if (m.seen.length > 1) {
            <man-mark-sizes [seen]="m.seen" />
          }
          @if (m.vetOn) {
            <p class="quiet small">
              A vet saw it by {{ day(m.vetOn) }}, as told; change counts from then.
              @if (session.may('record')) {
                <button type="button" class="linklike" (click)="vet(m.last.markId, null)">Not so</button>
              }
            </p>
          } @else if (session.may('record')) {
            <button type="button" class="plain tiny" (click)="vet(m.last.markId, today())">A vet has seen it</button>
          }
        </div>
        @if (m.points.length > 1) {
          <man-trend-line [points]="m.points" unit="mm²" [label]="'Area of the mark, ' + zone(m.last.zone)" />
        }
      </div>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />`,
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksPanel {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  protected readonly session = inject(SessionService);
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  readonly changed = output();
  protected readonly trouble = signal('');
  protected readonly zone = (z: ZoneId): string => this.words.labels.zone[z];
  protected readonly labels = this.words.labels;
  protected readonly day = (date: string): string => dayInWords(date, this.today());
  protected readonly size = sizeOf;

  protected readonly shown = computed(() => {
    return marksThroughTime(this.file()).flatMap(({ seen, first, last, vetOn, advice }) => {
      const doubles = advice.growth.areaDoublingDays;
      const grows = doubles !== undefined && doubles > 0 && Number.isFinite(doubles) && grewVisibly(first, last);
      return [
        {
          seen,
          first,
          last,
          vetOn,
          points: seen.map((m) => ({ on: m.seenOn, value: Math.round(markAreaMm2(m)), firm: true })),
          areaMm2: Math.round(advice.growth.areaMm2),
          doubles: grows ? Math.round(doubles) : undefined,
          verdict: advice.verdict,
          says: advice.reasons.map(this.words.say),
        },
      ];
    });
  });

  /** As the owner tells it; `null` takes it back. */
  protected async vet(markId: string, on: string | null): Promise<void> {
    const answer = await this.api.send('PUT', `/dogs/${this.file().dogId}/marks/${markId}/vet`, { on }, NOTHING);
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok) this.changed.emit();
  }
}

/** More than two people's readings differ. */
const grewVisibly = (a: MarkSeen, b: MarkSeen): boolean =>
  b.lengthMm - a.lengthMm > READING_ERROR_MM || b.widthMm - a.widthMm > READING_ERROR_MM;
