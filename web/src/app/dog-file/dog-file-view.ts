import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DogFile } from '@mansuet/core/contract';
import { Notice } from '../controls/notice';
import { dayInWords } from '../wording/time';
import { FactsPanel } from './facts-panel';
import { LearnedPanel } from './learned-panel';
import { MarksPanel } from './marks-panel';
import { PhotosPanel } from './photos-panel';
import { VisitsPanel } from './visits-panel';

/** What is known of a dog: facts, what works, what to avoid, what was learned, marks, past visits, photographs. */
@Component({
  selector: 'man-dog-file-view',
  imports: [FactsPanel, LearnedPanel, MarksPanel, NgTemplateOutlet, Notice, PhotosPanel, RouterLink, VisitsPanel],
  templateUrl: './dog-file-view.html',
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFileView {
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  /** Cards can be taken away here. */
  readonly editable = input(false);
  readonly cardRemoved = output<string>();
  /** Something in the file is new: read it again. */
  readonly changed = output();
  protected readonly day = (date: string): string => dayInWords(date, this.today());
  protected readonly works = computed(() => this.file().notes.filter((n) => n.kind === 'works'));
  protected readonly avoid = computed(() => this.file().notes.filter((n) => n.kind !== 'works'));
}
