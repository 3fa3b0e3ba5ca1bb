import { ChangeDetectionStrategy, Component, booleanAttribute, input, output } from '@angular/core';
import type { Choice } from './choice';
import { FieldError } from './field-error';
import { FieldParts, Tied } from './field-parts';

/** One of many, where they would take too much room side by side. The device's own list: it is read, typed into and scrolled as people know it. */
@Component({
  selector: 'man-select',
  imports: [FieldError, Tied],
  template: `<label class="field-label" [attr.for]="id">{{ label() }}</label>
    <div class="box">
      <select #field [manTied]="this" [class.none]="value() === null || value() === undefined" (change)="choose(field.selectedIndex)">
        @if (optional() || value() === null || value() === undefined) {
          <option [selected]="value() === null || value() === undefined">{{ placeholder() || '–' }}</option>
        }
        @for (c of of(); track c.value) {
          <option [selected]="c.value === value()" [disabled]="c.disabled === true">{{ c.label }}</option>
        }
      </select>
      <svg viewBox="0 0 12 12" aria-hidden="true"><path d="M2 4l4 4 4-4" /></svg>
    </div>
    <man-field-error [id]="errorId" [message]="wrong()" />`,
  styleUrl: './select-field.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelectField<T> extends FieldParts {
  readonly of = input.required<readonly Choice<T>[]>();
  readonly value = input<T | null | undefined>(null);
  readonly optional = input(false, { transform: booleanAttribute });
  /** What was chosen; `null` when it was taken back. */
  readonly chosen = output<T | null>();

  protected choose(at: number): void {
    const value = this.value();
    const first = this.optional() || value === null || value === undefined ? 1 : 0;
    this.chosen.emit(this.of()[at - first]?.value ?? null);
  }
}
