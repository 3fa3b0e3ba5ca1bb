import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { type Phase, PHASES } from '@mansuet/core/words';
import { ScreenName } from '../navigation/screen-name';
import { Notice } from '../controls/notice';
import { HandlingMark } from '../lead-wall/handling-mark';
import { currentUrl } from '../navigation/current-url';
import { PhaseLine } from './phase-line';
import { screenOf } from './screen-of';
import { PlanStore } from './plan-store';
import { VisitStore } from './visit-store';
import { WhoIsHere } from './who-is-here';
import { Words } from '../wording/words.service';
import { kgOf } from '../wording/formats';

/** Round every phase but the table: the dog's name and marks, and the phase line. */
@Component({
  selector: 'man-visit-frame',
  imports: [HandlingMark, Notice, PhaseLine, RouterLink, RouterOutlet],
  providers: [VisitStore, PlanStore, WhoIsHere],
  templateUrl: './visit-frame.html',
  styleUrl: './visit-frame.less',
  host: { '[class.table]': "here() === 'work'" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitFrame {
  protected readonly kg = kgOf;
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly store = inject(VisitStore);
  protected readonly people = inject(WhoIsHere);
  readonly visitId = input.required<string>();

  private readonly url = currentUrl();
  protected readonly here = computed<Phase | undefined>(() => {
    const path = this.url().split('?')[0] ?? '';
    // An incident is completed on the way home.
    return path.includes('/incidents/') ? 'hand_back' : PHASES.find((p) => path.endsWith(`/${p}`));
  });
  protected readonly coats = this.words.labels.coat;
  protected readonly age = computed(() => {
    const dog = this.store.dog();
    return dog ? this.words.age(dog.born, this.store.today()) : '';
  });

  constructor() {
    inject(ScreenName).follow(() => {
      const here = this.here();
      return this.store.name() === '' || !here ? '' : `${this.store.name()}: ${this.words.labels.phase[here]}`;
    });
    effect(() => this.store.visitId.set(this.visitId()));
    effect(() => {
      // /visits/:id alone goes where the visit stands.
      const phase = this.store.phase();
      const alone = this.url().split('?')[0]?.endsWith(`/visits/${this.visitId()}`) === true;
      if (this.store.ready() && alone) void this.router.navigate(['/visits', this.visitId(), screenOf(phase)], { replaceUrl: true });
    });
  }
}
