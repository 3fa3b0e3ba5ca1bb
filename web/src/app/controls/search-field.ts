import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideSearch } from '@ng-icons/lucide';
import { NzInputModule } from 'ng-zorro-antd/input';
import { FieldParts, Tied } from './field-parts';

/** Letters to find something by. The label is said, and stands in the field. */
@Component({
  selector: 'man-search',
  imports: [NgIcon, NzInputModule, Tied],
  providers: [provideIcons({ lucideSearch })],
  template: `<label class="visually-hidden" [attr.for]="id">{{ label() }}</label>
    <nz-input-wrapper>
      <ng-icon nzInputPrefix name="lucideSearch" size="18" aria-hidden="true" />
      <input #field [manTied]="this" nz-input type="search" autocomplete="off" [value]="value()" (input)="typed.emit(field.value)" />
    </nz-input-wrapper>
    <span class="quiet small" role="status" [id]="hintId">{{ hint() }}</span>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SearchField extends FieldParts {
  readonly value = input('');
  override readonly inside = computed(() => this.placeholder() || this.label());
  readonly typed = output<string>();
}
