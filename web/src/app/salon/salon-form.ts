import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Salon, SALON_FORM } from '@mansuet/core/contract';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { perMinute } from '../wording/ranges';
import { KeptForm } from '../controls/kept-form';
import { SalonService } from './salon-service';

/** Name, vet, money and clock of the salon. */
@Component({
  selector: 'man-salon-form',
  imports: [FormErrors, FormsModule, Notice, NumberField, SelectField, TextField],
  template: `<form class="panel stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
    <div class="grid">
      <man-text
        label="Name of the salon"
        i18n-label="@@salon.name"
        name="salonName"
        path="name"
        [most]="80"
        [value]="now().name"
        (typed)="set({ name: $event })"
      />
      <man-select
        label="Time zone: its clock begins your days"
        i18n-label="@@salon.zone"
        name="timeZone"
        path="timeZone"
        [of]="zones()"
        [value]="now().timeZone"
        (chosen)="$event && set({ timeZone: $event })"
      />
      <man-text
        label="Vet to ring in an emergency"
        i18n-label="@@salon.vet"
        name="vetName"
        path="vetName"
        [most]="80"
        [value]="now().vetName"
        (typed)="set({ vetName: $event })"
      />
      <man-text
        label="The emergency line"
        i18n-label="@@salon.line"
        name="vetPhone"
        path="vetPhone"
        type="tel"
        [most]="40"
        [value]="now().vetPhone"
        (typed)="set({ vetPhone: $event })"
      />
      <man-text
        label="Currency, three letters"
        i18n-label="@@salon.currency"
        name="currency"
        path="currency"
        [most]="3"
        [value]="now().currency"
        (typed)="set({ currency: $event.toUpperCase() })"
      />
      <man-number
        label="Price of a minute beside the usual"
        i18n-label="@@salon.rate"
        name="rate"
        path="ratePerMinuteMinor"
        hint="What extra time costs, as the agreement says it to the owner."
        i18n-hint="@@salon.rateHint"
        [range]="rate()"
        [value]="now().ratePerMinuteMinor / 100"
        (typed)="set({ ratePerMinuteMinor: hundredths($event) })"
      />
    </div>
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
    <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@salon.keep">Keep it</button></div>
  </form>`,
  styles: `
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
      gap: 12px 16px;
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SalonFormPanel {
  private readonly salons = inject(SalonService);
  readonly salon = input.required<Salon>();
  readonly kept = output();
  protected readonly form = new KeptForm();
  /** What is typed; a change of somebody else comes in only where nothing was typed. */
  protected readonly now = linkedSignal(() => {
    const { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, version } = this.salon();
    return { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, version };
  });
  protected readonly rate = computed(() => perMinute(this.now().currency));
  protected readonly zones = computed(() => {
    const known = Intl.supportedValuesOf('timeZone');
    const here = this.salon().timeZone;
    return (known.includes(here) ? known : [here, ...known]).map((value) => ({ value, label: value.replaceAll('_', ' ') }));
  });

  protected hundredths(typed: number | null): number {
    return typed === null ? NaN : Math.round(typed * 100);
  }
  protected set(part: Partial<ReturnType<typeof this.now>>): void {
    this.now.update((n) => ({ ...n, ...part }));
  }
  protected async keep(): Promise<void> {
    const says = $localize`:@@salon.kept:Kept. It counts from now on, on every device.`;
    if (await this.form.keep(SALON_FORM, this.now(), (f) => this.salons.change(f), says)) this.kept.emit();
  }
}
