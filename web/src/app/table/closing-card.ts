import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Closing } from '@mansuet/core/visit';
import { KeyHint } from '../controls/key-hint';
import { Notice } from '../controls/notice';
import { Words } from '../wording/words.service';
import { TableStore } from './table-store';

const HEADS: Readonly<Record<Closing['cause'], string>> = {
  asked: $localize`:@@closing.asked:A safe end first; why is asked afterwards.`,
  sign: $localize`:@@closing.sign:The dog has said stop. Nothing more is begun; another day is better.`,
  alarm: $localize`:@@closing.alarm:Its body is in danger. No list holds you up: go.`,
};
const STOP_REASONS: readonly string[] = [
  $localize`:@@closing.enough:It has had enough`,
  $localize`:@@closing.hardSign:A hard sign`,
  $localize`:@@closing.hurt:Something hurt it`,
  $localize`:@@closing.time:Time is up`,
  $localize`:@@closing.owner:The owner asked`,
];
const TO_THE_VET = $localize`:@@closing.toVet:It needed a vet at once`;

/** What makes the end safe, line by line, from where the dog is. While it is here nothing else is begun. */
@Component({
  selector: 'man-closing-card',
  imports: [KeyHint, Notice],
  templateUrl: './closing-card.html',
  styleUrl: './closing-card.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClosingCard {
  private readonly words = inject(Words);
  protected readonly table = inject(TableStore);
  protected readonly labels = this.words.labels.closing;
  protected readonly head = computed(() => HEADS[this.table.closing()?.cause ?? 'asked']);
  protected readonly alarm = computed(() => this.table.closing()?.cause === 'alarm');
  protected readonly reasons = computed(() => (this.alarm() ? [TO_THE_VET] : STOP_REASONS));
}
