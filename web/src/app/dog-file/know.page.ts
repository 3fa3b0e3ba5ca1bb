import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { whatKindChanges } from '@mansuet/core/knowledge/dogs';
import { firstToKnow } from '@mansuet/core/visit';
import { Notice } from '../controls/notice';
import { VisitStore } from '../visit/visit-store';
import { DogFileView } from './dog-file-view';
import { LastTimeBlock } from './last-time-block';
import { marksForVet } from './marks-through-time';
import { Words } from '../wording/words.service';

/** Know: who is this dog, what happened before, what worked. */
@Component({
  selector: 'man-know',
  imports: [DogFileView, LastTimeBlock, Notice],
  template: `<div class="matter">
    <div class="body stack">
      <man-last-time />
      @if (kinds().length > 0 || first().length > 0) {
        <section class="told" aria-label="Today in mind">
          @for (line of first(); track $index) {
            <p>
              <b>{{ line }}</b>
            </p>
          }
          @for (k of kinds(); track $index) {
            <p>
              {{ k.text }} <span class="small">{{ k.changes }}</span> <span class="quiet small">({{ k.source }})</span>
            </p>
          }
        </section>
      }
      @for (m of forVet(); track m.markId) {
        <man-notice kind="vet">
          <b>For a vet: mark, {{ m.where }}, {{ m.size }}.</b> {{ m.says }}
        </man-notice>
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

  /** What to do otherwise, before anything else is read. */
  protected readonly first = computed(() => {
    const dog = this.store.planContext()?.dog;
    return dog ? firstToKnow(dog, this.store.past(), this.store.today()).map(this.words.say) : [];
  });
  /** Marks that a vet should see. */
  protected readonly forVet = computed(() => {
    const file = this.store.context()?.file;
    return file
      ? marksForVet(file).map((m) => ({
          markId: m.markId,
          where: this.words.labels.zone[m.zone],
          size: m.size,
          says: this.words.say(m.because),
        }))
      : [];
  });

  protected async next(): Promise<void> {
    if (this.store.state().fileReadMs === undefined) await this.store.record({ type: 'file_read', body: {} });
    await this.router.navigate(['/visits', this.store.visitId(), 'feel_over']);
  }
}
