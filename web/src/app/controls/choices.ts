import { ChangeDetectionStrategy, Component, booleanAttribute, input, output } from '@angular/core';
import { type Choice, freshId } from './choice';
import { Roving, RovingItem } from './roving';

/** Many of many: each is on or off. */
@Component({
  selector: 'man-choices',
  imports: [Roving, RovingItem],
  template: `@if (shown()) {
      <span class="field-label" [id]="id">{{ label() }}</span>
    }
    <div
      class="chips row"
      role="toolbar"
      manRoving
      [attr.aria-label]="shown() ? null : label()"
      [attr.aria-labelledby]="shown() ? id : null"
    >
      @for (c of of(); track c.value) {
        <button
          type="button"
          manRovingItem
          [class]="'chip ' + size() + (soft() ? ' soft' : '')"
          [attr.aria-pressed]="has(c.value)"
          [attr.aria-label]="c.says ?? null"
          [disabled]="disabled() || c.disabled === true"
          (click)="toggled.emit(c.value)"
        >
          {{ c.label }}
        </button>
      }
    </div>`,
  styleUrl: './choices.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Choices<T> {
  readonly label = input.required<string>();
  readonly of = input.required<readonly Choice<T>[]>();
  readonly values = input.required<readonly T[] | ReadonlySet<T>>();
  readonly shown = input(false, { transform: booleanAttribute });
  readonly disabled = input(false);
  readonly size = input<'' | 'tiny' | 'big'>('');
  /** Whether what is on stands back: switches of a view, which are on as a rule. */
  readonly soft = input(false, { transform: booleanAttribute });
  /** What was turned on or off. */
  readonly toggled = output<T>();
  protected readonly id = freshId('choices');

  protected has(value: T): boolean {
    const values = this.values();
    return 'has' in values ? values.has(value) : values.includes(value);
  }
}
