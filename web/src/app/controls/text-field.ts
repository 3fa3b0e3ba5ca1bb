import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { FieldError } from './field-error';
import { FieldParts, Tied } from './field-parts';

/** A line or some lines of text. */
@Component({
  selector: 'man-text',
  imports: [FieldError, NzInputModule, Tied],
  template: `<label class="field-label" [class.visually-hidden]="labelHidden()" [attr.for]="id">{{ label() }}</label>
    @if (rows() > 1) {
      <textarea
        #field
        [manTied]="this"
        nz-input
        [rows]="rows()"
        [attr.maxlength]="most()"
        [value]="value()"
        (input)="typed.emit(field.value)"
        (change)="entered.emit(field.value)"
      ></textarea>
    } @else {
      <input
        #field
        [manTied]="this"
        nz-input
        [type]="type()"
        [attr.maxlength]="most()"
        [attr.inputmode]="inputmode() || null"
        [attr.autocapitalize]="type() === 'text' ? null : 'none'"
        [autocomplete]="complete()"
        [value]="value()"
        (input)="typed.emit(field.value)"
        (change)="entered.emit(field.value)"
      />
    }
    @if (hint()) {
      <span class="quiet small" [id]="hintId">{{ hint() }}</span>
    }
    <man-field-error [id]="errorId" [message]="wrong()" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField extends FieldParts {
  readonly value = input('');
  readonly type = input<'text' | 'password' | 'tel' | 'email' | 'time'>('text');
  readonly complete = input('off');
  readonly inputmode = input<'' | 'decimal' | 'numeric'>('');
  /** Lines; one is a field, more a box. */
  readonly rows = input(1);
  readonly most = input<number | null>(null);
  /** With each letter. */
  readonly typed = output<string>();
  /** When the field is left, or Enter is pressed. */
  readonly entered = output<string>();
}
