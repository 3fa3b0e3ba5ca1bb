import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { OPENING_FORM, type Opening, type Salon } from '@mansuet/core/contract';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { DaysOffList } from './days-off';
import { KeptForm } from '../controls/kept-form';
import { SalonService } from './salon-service';
import { WeekHours } from './week-hours';

/** When the salon is open: hours that are proposed for visits lie within. */
@Component({
  selector: 'man-opening-form',
  imports: [DaysOffList, FormErrors, FormsModule, Notice, WeekHours],
  template: `<form class="panel stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
    <p class="quiet" i18n="@@opening.why">
      Visits are proposed within these hours, and never on a day that is shut. What was booked before stays booked.
    </p>
    <man-week-hours [week]="now().week" (changed)="set({ week: $event })" />
    <h2 i18n="@@opening.closed">Shut on these days</h2>
    <man-days-off path="closed" [days]="now().closed" (changed)="set({ closed: $event })" />
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
    <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@opening.keep">Keep these hours</button></div>
  </form>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpeningFormPanel {
  private readonly salons = inject(SalonService);
  readonly salon = input.required<Salon>();
  readonly kept = output();
  protected readonly form = new KeptForm();
  protected readonly now = linkedSignal(() => ({ ...this.salon().opening, version: this.salon().version }));

  protected set(part: Partial<Opening>): void {
    this.now.update((n) => ({ ...n, ...part }));
  }
  protected async keep(): Promise<void> {
    const says = $localize`:@@opening.kept:Kept. What is proposed from now on lies within.`;
    if (await this.form.keep(OPENING_FORM, this.now(), (f) => this.salons.changeOpening(f), says)) this.kept.emit();
  }
}
