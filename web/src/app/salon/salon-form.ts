import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { FORMATS as FORMATS_FORM, type Salon, SALON_FORM } from '@mansuet/core/contract';
import { HAND_WORK, type HandWork } from '@mansuet/core/words';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { perMinute, RANGES, roundedTo } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { KeptForm } from '../controls/kept-form';
import { FORMAT_CHOICES } from './format-choices';
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
      <man-number
        label="Minutes beside the usual that cost nothing"
        i18n-label="@@salon.free"
        name="freeMinutes"
        path="priceRule.freeMinutes"
        [range]="ranges.freeMinutes"
        [value]="now().priceRule.freeMinutes"
        (typed)="freeMinutes($event)"
      />
      <man-number
        label="The price is rounded up to"
        i18n-label="@@salon.round"
        name="roundTo"
        path="priceRule.roundMinor"
        [range]="rounding()"
        [value]="now().priceRule.roundMinor / 100"
        (typed)="price({ roundMinor: hundredths($event) })"
      />
    </div>
    <fieldset>
      <legend i18n="@@salon.formats">How numbers, times and dates are written</legend>
      <div class="grid small">
        @for (f of formats; track f.key) {
          <man-select [label]="f.label" [of]="f.of" [value]="now().formats[f.key]" (chosen)="format(f.key, $event)" />
        }
      </div>
    </fieldset>
    <fieldset>
      <legend i18n="@@salon.hands">What one pair of hands does in a day, at most</legend>
      <div class="grid small">
        @for (w of works; track w) {
          <man-number
            [label]="words.heading('handWork', w)"
            [name]="'hands-' + w"
            [path]="'handLimits.' + w"
            [range]="w === 'lifted' ? ranges.liftedInDay : ranges.handsInDay"
            [value]="now().handLimits[w]"
            (typed)="hands(w, $event)"
          />
        }
      </div>
      <p class="quiet small" i18n="@@salon.handsWhy">
        There is no published limit. The plan of the day says when somebody comes to one, and who could take the next such dog; each person
        can set lower ones of their own.
      </p>
    </fieldset>
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
    <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@salon.keep">Keep it</button></div>
  </form>`,
  styles: `
    fieldset {
      border: 0;
      border-top: 1px solid var(--line);
      padding: 10px 0 0;
    }
    legend {
      font-weight: 600;
      padding: 0 8px 0 0;
    }
    .grid.small {
      grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
    }
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
  protected readonly words = inject(Words);
  readonly salon = input.required<Salon>();
  readonly kept = output();
  protected readonly form = new KeptForm();
  /** What is typed; a change of somebody else comes in only where nothing was typed. */
  protected readonly now = linkedSignal(() => {
    const { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, formats, handLimits, priceRule, version } = this.salon();
    return { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, formats, handLimits, priceRule, version };
  });
  protected readonly ranges = RANGES;
  protected readonly works = HAND_WORK;
  protected readonly formats = FORMAT_CHOICES;
  protected readonly rate = computed(() => perMinute(this.now().currency));
  protected readonly rounding = computed(() => roundedTo(this.now().currency));
  protected readonly zones = computed(() => {
    const known = Intl.supportedValuesOf('timeZone');
    const here = this.salon().timeZone;
    return (known.includes(here) ? known : [here, ...known]).map((value) => ({ value, label: value.replaceAll('_', ' ') }));
  });

  protected price(part: Partial<Salon['priceRule']>): void {
    this.set({ priceRule: { ...this.now().priceRule, ...part } });
  }
  protected freeMinutes(typed: number | null): void {
    this.price({ freeMinutes: typed ?? NaN });
  }
  protected hands(work: HandWork, much: number | null): void {
    this.set({ handLimits: { ...this.now().handLimits, [work]: much ?? NaN } });
  }
  protected format(key: keyof Salon['formats'], value: string | null): void {
    const formats = FORMATS_FORM.safeParse({ ...this.now().formats, [key]: value });
    if (formats.success) this.set({ formats: formats.data });
  }
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
