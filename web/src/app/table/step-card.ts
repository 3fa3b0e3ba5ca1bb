import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { PlannedStepRecord } from '@mansuet/core/log';
import type { SignalId } from '@mansuet/core/words';
import { KeyHint } from '../controls/key-hint';
import { aboutMinutes, stopwatch } from '../wording/time';
import { Words } from '../wording/words.service';
import { Chime } from './chime';
import { TableStore } from './table-store';

/** The step in hand: its time, hold, blade and cautions, and what comes after it. */
@Component({
  selector: 'man-step-card',
  imports: [KeyHint],
  templateUrl: './step-card.html',
  styleUrl: './step-card.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepCard {
  private readonly words = inject(Words);
  protected readonly table = inject(TableStore);
  protected readonly holds = this.words.labels.hold;
  protected readonly bladeNames = this.words.labels.blade;
  protected readonly signalOf = (signal: SignalId): string => this.words.heading('signal', signal);
  protected readonly elsewhere = this.words.labels.elsewhere;
  protected readonly moodLabels = this.words.labels.mood;
  protected readonly watch = stopwatch;
  protected readonly round = Math.round;
  protected readonly chime = inject(Chime);
  /** Minutes of a break; a part of one counts to the half. */
  protected readonly minutes = (m: number): string => `${Math.round(2 * m) / 2} min`;
  protected readonly postures = this.words.labels.posture;
  protected readonly about = (s: PlannedStepRecord): string => aboutMinutes(s.minutes, s.minutesRange);
}
