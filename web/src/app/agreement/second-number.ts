import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';

/** A second number for an emergency, or the owner's word that there is none. */
@Component({
  selector: 'man-second-number',
  imports: [TextField, Toggle],
  template: `<man-text
      label="A second number, if the first does not answer"
      i18n-label="@@second.label"
      name="secondPhone"
      type="tel"
      [path]="path()"
      [most]="40"
      [error]="error()"
      [disabled]="value() === null"
      [value]="value() ?? ''"
      (entered)="told.emit($event.trim() || undefined)"
    />
    <man-toggle
      label="There is no second number"
      i18n-label="@@second.none"
      size="tiny"
      [on]="value() === null"
      (changed)="told.emit($event ? null : undefined)"
    />`,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SecondNumber {
  /** The number, `null` for none, `undefined` while nobody answered. */
  readonly value = input<string | null | undefined>();
  readonly path = input<string | undefined>();
  readonly error = input<string | undefined>();
  readonly told = output<string | null | undefined>();
}
