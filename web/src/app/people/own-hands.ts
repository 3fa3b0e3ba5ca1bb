import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { OWN_HANDS_FORM, type Person } from '@mansuet/core/contract';
import { HAND_LIMITS, HAND_WORK, type HandWork } from '@mansuet/core/words';
import { FormErrors } from '../controls/form-errors';
import { KeptForm } from '../controls/kept-form';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { SessionService } from '../server/session.service';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { PeopleService } from './people-service';
import { kgOf } from '../wording/formats';

/** What I say of my own hands: how much of it in a day, where that is less than the house’s limit. Nobody asks why. */
@Component({
  selector: 'man-own-hands',
  imports: [FormErrors, FormsModule, Notice, NumberField],
  template: `<form class="panel stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
    <h2 i18n="@@ownHands.title">Your hands in a day</h2>
    <p class="quiet small" i18n="@@ownHands.why">
      Where you want less than the house’s limit, say so: the plan of the day keeps to it. A lead sees the figure, and nobody asks why. Left
      empty, the house’s limit counts.
    </p>
    <div class="grid">
      @for (w of works; track w) {
        <man-number
          [label]="words.heading('handWork', w)"
          [name]="'own-' + w"
          [path]="'hands.' + w"
          [range]="range(w)"
          [hint]="hint(w)"
          optional
          [value]="now()[w]"
          (typed)="set(w, $event)"
        />
      }
    </div>
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
    <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@ownHands.keep">Keep it so</button></div>
  </form>`,
  styles: `
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
      gap: 12px 16px;
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnHands {
  protected readonly words = inject(Words);
  private readonly people = inject(PeopleService);
  private readonly session = inject(SessionService);
  readonly person = input.required<Person>();
  protected readonly form = new KeptForm();
  protected readonly works = HAND_WORK;
  protected readonly now = linkedSignal(() => this.person().hands);
  private readonly house = computed(() => this.session.signedIn()?.salon.handLimits ?? HAND_LIMITS);

  protected range(work: HandWork): (typeof RANGES)[keyof typeof RANGES] {
    return work === 'lifted' ? RANGES.liftedInDay : RANGES.handsInDay;
  }
  protected hint(work: HandWork): string {
    const most = work === 'lifted' ? kgOf(this.house()[work]) : `${this.house()[work]} min`;
    return $localize`:@@ownHands.house:The house: ${most}:most:`;
  }
  protected set(work: HandWork, much: number | null): void {
    this.now.update((n) => ({ ...n, [work]: much }));
  }
  protected async keep(): Promise<void> {
    const says = $localize`:@@ownHands.kept:Kept. The plan of the day keeps to it from now on.`;
    await this.form.keep(OWN_HANDS_FORM, { hands: this.now() }, (f) => this.people.sayOwnHands(f), says);
  }
}
