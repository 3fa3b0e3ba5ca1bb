import { ChangeDetectionStrategy, Component, booleanAttribute, computed, inject, input, output } from '@angular/core';
import { type Choice, freshId } from './choice';
import { FieldError } from './field-error';
import { FormErrors } from './form-errors';
import { Roving, RovingItem } from './roving';

/** One of many. Arrows move, Space and Enter choose: moving writes nothing. */
@Component({
  selector: 'man-choice',
  imports: [FieldError, Roving, RovingItem],
  template: `@if (shown()) {
      <span class="field-label" [id]="id">{{ label() }}</span>
    }
    <div
      [class]="'chips ' + layout()"
      role="radiogroup"
      manRoving
      [entry]="at()"
      [attr.aria-label]="shown() ? null : label()"
      [attr.aria-labelledby]="shown() ? id : null"
      [attr.aria-describedby]="wrong() ? errorId : null"
      [attr.aria-invalid]="wrong() ? true : null"
    >
      @for (c of of(); track c.value) {
        <button
          type="button"
          manRovingItem
          role="radio"
          [class]="layout() === 'list' ? 'plain pick' : 'chip ' + size()"
          [attr.aria-checked]="c.value === value()"
          [attr.aria-label]="c.says ?? null"
          [disabled]="disabled() || c.disabled === true"
          (click)="choose(c.value)"
        >
          @if (c.detail !== undefined) {
            <b>{{ c.label }}</b><span class="small">{{ c.detail }}</span>
          } @else {
            {{ c.label }}
          }
        </button>
      }
    </div>
    <man-field-error [id]="errorId" [message]="wrong()" />`,
  styleUrl: './choices.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceGroup<T> {
  private readonly form = inject(FormErrors, { optional: true });
  readonly label = input.required<string>();
  readonly of = input.required<readonly Choice<T>[]>();
  readonly value = input<T | undefined | null>();
  /** Whether the label is seen, or only said. */
  readonly shown = input(false, { transform: booleanAttribute });
  /** Whether what is chosen can be taken back by choosing it again. */
  readonly clearable = input(false, { transform: booleanAttribute });
  readonly disabled = input(false);
  readonly layout = input<'row' | 'list'>('row');
  readonly size = input<'' | 'tiny' | 'big'>('');
  readonly path = input<string | undefined>();
  readonly chosen = output<T>();
  readonly cleared = output();

  protected readonly id = freshId('choice');
  protected readonly errorId = `${this.id}-error`;
  protected readonly at = computed(() => this.of().findIndex((c) => c.value === this.value()));
  protected readonly wrong = computed(() => this.form?.of(this.path()) ?? '');

  protected choose(value: T): void {
    if (this.clearable() && value === this.value()) this.cleared.emit();
    else this.chosen.emit(value);
  }
}
