import { ChangeDetectionStrategy, Component, computed, inject, untracked } from '@angular/core';
import type { PlannedStepRecord } from '@mansuet/core/log';
import { MOODS, type PieceId, type SignalId } from '@mansuet/core/words';
import { newAtTheTable } from '@mansuet/core/visit';
import type { Choice } from '../controls/choice';
import { Choices } from '../controls/choices';
import { KeyHint } from '../controls/key-hint';
import { Toggle } from '../controls/toggle';
import { VisitStore } from '../visit/visit-store';
import { aboutMinutes, stopwatch } from '../wording/time';
import { Words } from '../wording/words.service';
import { Chime } from './chime';
import { TableClocks } from './table-clocks';
import { type PieceOutcome, TableStore } from './table-store';
import { celsiusOf } from '../wording/formats';

const STATUS_WORDS: Readonly<Record<PieceOutcome, string>> = {
  open: '',
  done: '✓',
  part: $localize`:@@table.partly:(in part)`,
  left: $localize`:@@table.isLeft:(left)`,
};

/** The step in hand: its time, hold, blade and cautions, and what comes after it. */
@Component({
  selector: 'man-step-card',
  imports: [Choices, KeyHint, Toggle],
  templateUrl: './step-card.html',
  styleUrl: './step-card.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepCard {
  protected readonly celsius = celsiusOf;
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  protected readonly table = inject(TableStore);
  protected readonly clocks = inject(TableClocks);
  protected readonly holds = this.words.labels.hold;
  protected readonly bladeNames = this.words.labels.blade;
  protected readonly signalOf = (signal: SignalId): string => this.words.heading('signal', signal);
  protected readonly elsewhere = this.words.labels.elsewhere;
  protected readonly moods = MOODS;
  protected readonly moodLabels = this.words.labels.mood;
  protected readonly watch = stopwatch;
  protected readonly round = Math.round;
  protected readonly chime = inject(Chime);
  /** Minutes of a break; a part of one counts to the half. */
  protected readonly minutes = (m: number): string => `${Math.round(2 * m) / 2} min`;
  protected readonly postures = this.words.labels.posture;
  protected readonly about = (s: PlannedStepRecord): string => aboutMinutes(s.minutes, s.minutesRange);

  /** What the plan knew: each said once. */
  protected readonly known = computed(() => [...new Set(this.table.shown()?.cautions.map((c) => c.said))]);
  /** Found since the plan was taken: said before what it knew. */
  protected readonly fresh = computed(() => {
    const [step, context] = [this.table.shown(), this.visit.planContext()];
    this.visit.found();
    this.stops();
    this.taken();
    return untracked(() => {
      const input = this.visit.planInput();
      if (!step || !context || !input) return [];
      const of = { dog: input.dog, kinds: this.visit.kinds(), trained: input.trained };
      return [...new Set(newAtTheTable(this.visit.state(), step.id, of).map(this.words.say))];
    });
  });
  private readonly stops = computed(() => this.visit.state().toolStops.length);
  private readonly taken = computed(() =>
    this.table
      .plan()
      ?.steps.map((s) => s.id)
      .join(),
  );
  protected readonly guess = $localize`:@@table.standsGuess:, a guess until it was seen`;
  protected readonly chimeSays = $localize`:@@table.chime:Sound at the end`;
  /** Each place, with its marks, and with what became of it where that is not all of it. */
  protected readonly places = computed<readonly Choice<PieceId>[]>(() =>
    this.table.pieces().map((p) => ({
      value: p.id,
      label: [p.place, p.marks > 0 ? '•' : '', STATUS_WORDS[p.status]].filter((x) => x !== '').join(' '),
      disabled: !this.table.running(),
    })),
  );
  protected readonly donePlaces = computed(() => this.table.pieces().flatMap((p) => (p.status === 'done' ? [p.id] : [])));
  protected readonly overHeld = computed(() => [...this.clocks.holds().values()].some((h) => h.over));

  /** One tap: done, or open again. */
  protected tick(piece: PieceId): void {
    void this.table.finishPiece(piece, this.donePlaces().includes(piece) ? 'open' : 'done');
  }
}
