import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { wholeDay } from '../wording/time';
import { FieldError } from './field-error';
import { FieldParts, Tied } from './field-parts';

/** A day: the device's own calendar, and the day in words below, so that 3/4 is never April the third. */
@Component({
  selector: 'man-date',
  imports: [FieldError, NzInputModule, Tied],
  template: `<label class="field-label" [attr.for]="id">{{ label() }}</label>
    <input #field [manTied]="this" nz-input type="date" [value]="value()" (input)="typed.emit(field.value)" />
    <span class="quiet small words" [id]="wordsId">{{ words() }}</span>
    <man-field-error [id]="errorId" [message]="wrong()" />`,
  styles: `
    .words {
      display: block;
      min-height: 1.45em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DateField extends FieldParts {
  /** "2026-11-29", or nothing. */
  readonly value = input('');
  /** What else is known of the day, such as an age. */
  readonly also = input('');
  readonly typed = output<string>();
  protected readonly wordsId = `${this.id}-words`;
  protected readonly words = computed(() => {
    return [wholeDay(this.value()), this.also()].filter((part) => part !== '').join(' · ');
  });
  override readonly describedBy = computed(() => [this.wrong() ? this.errorId : '', this.wordsId].join(' ').trim());
}
