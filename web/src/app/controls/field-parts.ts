import { Directive, booleanAttribute, computed, inject, input } from '@angular/core';
import { freshId } from './choice';
import { FormErrors } from './form-errors';

/** What every field has: a label, a hint, an error, and the ids that tie them together. */
@Directive()
export abstract class FieldParts {
  private readonly form = inject(FormErrors, { optional: true });
  readonly label = input.required<string>();
  /** What the browser remembers it by. */
  readonly name = input('');
  /** Where the form keeps its error; a field without one has its own. */
  readonly path = input<string | undefined>();
  readonly error = input<string | undefined>();
  readonly hint = input('');
  readonly labelHidden = input(false, { transform: booleanAttribute });
  readonly disabled = input(false);
  readonly placeholder = input('');

  /** What stands in the field while it is empty. */
  readonly inside = computed(() => this.placeholder());
  readonly id = freshId('field');
  readonly errorId = `${this.id}-error`;
  readonly hintId = `${this.id}-hint`;
  /** What is wrong with what was typed, as the field itself sees it. */
  protected readonly own = (): string => '';
  /** What the form says is wrong. */
  protected readonly told = computed(() => this.error() ?? this.form?.of(this.path()) ?? '');
  readonly wrong = computed(() => this.own() || this.told());
  readonly describedBy = computed(
    () => [this.wrong() ? this.errorId : '', this.hint() ? this.hintId : ''].filter((id) => id !== '').join(' ') || null,
  );
}

/** Ties the element that is typed into to its label, hint and error. */
@Directive({
  selector: '[manTied]',
  host: {
    '[id]': 'manTied().id',
    '[attr.name]': 'manTied().name() || null',
    '[attr.placeholder]': 'manTied().inside() || null',
    '[attr.disabled]': "manTied().disabled() ? '' : null",
    '[attr.aria-invalid]': 'manTied().wrong() ? true : null',
    '[attr.aria-describedby]': 'manTied().describedBy()',
  },
})
export class Tied {
  readonly manTied = input.required<FieldParts>();
}
