import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { whatKindChanges } from '@mansuet/core/knowledge/dogs';
import { VisitStore } from '../visit/visit-store';
import { DogFileView } from './dog-file-view';
import { Words } from '../wording/words.service';

/** Know: who is this dog, what happened before, what worked. */
@Component({
  selector: 'man-know',
  imports: [DogFileView],
  template: `<div class="matter">
    <div class="body stack">
      @if (kinds().length > 0) {
        <section class="told" aria-label="Today in mind">
          @for (k of kinds(); track $index) {
            <p>
              {{ k.text }} <span class="small">{{ k.changes }}</span> <span class="quiet small">({{ k.source }})</span>
            </p>
          }
        </section>
      }
      @if (store.context(); as c) {
        <man-dog-file-view [file]="c.file" [today]="store.today()" />
      }
    </div>
    <div class="foot">
      <span class="says">{{ store.state().fileReadMs ? 'The file was read.' : 'Read before you touch the dog.' }}</span>
      <button type="button" class="next" (click)="next()">
        {{ store.state().fileReadMs ? 'To the feel-over' : 'I have read it: feel over' }}
      </button>
    </div>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KnowPage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly store = inject(VisitStore);
  protected readonly kinds = computed(() =>
    this.store.kinds().map((k) => ({
      text: this.words.say(k.because),
      source: this.words.source(k.because),
      changes: whatKindChanges(k.kind).map(this.words.say).join(' '),
    })),
  );

  protected async next(): Promise<void> {
    if (this.store.state().fileReadMs === undefined) await this.store.record({ type: 'file_read', body: {} });
    await this.router.navigate(['/visits', this.store.visitId(), 'feel_over']);
  }
}
