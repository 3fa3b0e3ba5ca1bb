import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { type Phase, PHASES } from '@mansuet/core/words';
import { HandlingMark } from '../lead-wall/handling-mark';
import { PhaseLine } from './phase-line';
import { VisitStore } from './visit-store';
import { Words } from '../wording/words.service';

/** Round every phase but the table: the dog's name and marks, and the phase line. */
@Component({
  selector: 'man-visit-frame',
  imports: [RouterOutlet, RouterLink, PhaseLine, HandlingMark],
  providers: [VisitStore],
  templateUrl: './visit-frame.html',
  styleUrl: './visit-frame.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitFrame {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly store = inject(VisitStore);
  readonly visitId = input.required<string>();

  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map((e) => e.urlAfterRedirects),
      startWith(this.router.url),
    ),
    { initialValue: this.router.url },
  );
  protected readonly here = computed<Phase | undefined>(() => PHASES.find((p) => this.url().split('?')[0]?.endsWith(`/${p}`)));
  protected readonly coats = this.words.labels.coat;
  protected readonly age = computed(() => {
    const dog = this.store.dog();
    return dog ? this.words.age(dog.born, this.store.today()) : '';
  });

  constructor() {
    effect(() => this.store.visitId.set(this.visitId()));
    effect(() => {
      // /visits/:id alone goes where the visit stands.
      const phase = this.store.phase();
      if (this.store.context() && this.here() === undefined)
        void this.router.navigate(['/visits', this.visitId(), phase === 'gone' ? 'hand_back' : phase], { replaceUrl: true });
    });
  }
}
