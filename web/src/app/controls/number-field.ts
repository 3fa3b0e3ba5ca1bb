import { ChangeDetectionStrategy, Component, booleanAttribute, computed, input, linkedSignal, output, signal } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { FieldError } from './field-error';
import { FieldParts, Tied } from './field-parts';
import { rangeIn, unitOf } from './measured-range';
import type { NumberRange } from './number-range';

/** A number as it was typed, with comma or point. @returns `null` for nothing, `NaN` for what is no number */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? null : Number(plain);
}
const written = (value: number | null | undefined): string =>
  value === null || value === undefined || Number.isNaN(value) ? '' : String(value);
/** A quarter of a millimetre is told apart in inches; what is kept is finer than any ruler. */
const DIGITS_SHOWN = 2;
const DIGITS_KEPT = 2;
const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));
/** Digits that a step does not blur: 0.1 + 0.2 is 0.3. */
const stepped = (value: number): number => Number(value.toFixed(6));

/**
 * A number with its unit. What cannot be taken stays as it was typed, with what is wrong beside it: nothing is bent into
 * the range behind one's back.
 */
@Component({
  selector: 'man-number',
  imports: [FieldError, NzInputModule, Tied],
  template: `<label class="field-label" [class.visually-hidden]="labelHidden()" [attr.for]="id">{{ label() }}</label>
    <nz-input-wrapper [nzSuffix]="shownRange().unit">
      <input
        #field
        [manTied]="this"
        nz-input
        inputmode="decimal"
        autocomplete="off"
        [value]="text()"
        (input)="type(field.value)"
        (change)="enter(field.value)"
        (keydown)="onKey($event, field.value)"
      />
    </nz-input-wrapper>
    @if (hint()) {
      <span class="quiet small" [id]="hintId">{{ hint() }}</span>
    }
    <man-field-error [id]="errorId" [message]="wrong()" />`,
  styles: `
    :host {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NumberField extends FieldParts {
  readonly value = input<number | null | undefined>(null);
  readonly range = input.required<NumberRange>();
  /** Whether it may be left empty. */
  readonly optional = input(false, { transform: booleanAttribute });
  /** With each letter: the number, `null` for nothing, `NaN` for what is no number. For forms that check as a whole. */
  readonly typed = output<number | null>();
  /** A number in the range, when the field is left or Enter is pressed. */
  readonly entered = output<number | null>();

  /** In the unit of this salon; what is given and what comes out is in the one that is kept. */
  private readonly unit = computed(() => unitOf(this.range().unit));
  protected readonly shownRange = computed(() => rangeIn(this.range(), this.unit()));
  private readonly shown = computed(() => {
    const [value, unit] = [this.value(), this.unit()];
    return value === null || value === undefined || !unit ? value : rounded(unit.shown(value), DIGITS_SHOWN);
  });
  private kept(text: string): number | null {
    const [number, unit] = [readNumber(text), this.unit()];
    return number === null || !unit ? number : rounded(unit.kept(number), DIGITS_KEPT);
  }

  protected readonly text = linkedSignal<number | null | undefined, string>({
    source: this.shown,
    // What was typed stays while it means the same: "7." is not turned into "7" under the finger.
    computation: (value, before) => (before && Object.is(readNumber(before.value), value ?? null) ? before.value : written(value)),
  });
  private readonly outside = signal('');
  /** A form that refuses a number says that it does; the field knows better what it wants. */
  protected override readonly own = computed(() => this.outside() || (this.told() ? this.problem(this.text()) : ''));

  protected type(text: string): void {
    this.text.set(text);
    if (this.outside() !== '') this.outside.set(this.problem(text));
    this.typed.emit(this.kept(text));
  }
  protected enter(text: string): void {
    this.text.set(text);
    this.outside.set(this.problem(text));
    if (this.outside() === '') this.entered.emit(this.kept(text));
  }
  protected onKey(event: KeyboardEvent, text: string): void {
    const { min, max, step } = this.shownRange();
    const by = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0;
    const from = readNumber(text);
    if (by === 0 || Number.isNaN(from)) return;
    event.preventDefault();
    const to = String(stepped(Math.min(max, Math.max(min, (from ?? 0) + by))));
    this.type(to);
    this.enter(to);
  }

  private problem(text: string): string {
    const value = readNumber(text);
    const { min, max, unit } = this.shownRange();
    if (value === null) return this.optional() ? '' : $localize`:@@number.empty:Give a number.`;
    if (Number.isNaN(value)) return $localize`:@@number.none:This is not a number.`;
    if (value >= min && value <= max) return '';
    return $localize`:@@number.between:Between ${min}:min: and ${max}:max: ${unit}:unit:.`;
  }
}
