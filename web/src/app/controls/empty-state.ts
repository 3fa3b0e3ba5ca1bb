import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NzEmptyModule } from 'ng-zorro-antd/empty';

/** Nothing is here yet: why, and what to do next. Buttons go inside. */
@Component({
  selector: 'man-empty',
  imports: [NzEmptyModule],
  template: `<nz-empty [nzNotFoundImage]="hook" [nzNotFoundContent]="words" />
    <ng-template #hook>
      <svg viewBox="0 0 40 44" aria-hidden="true">
        <path class="rail" d="M2 4h36" />
        <path d="M20 4v18a8 8 0 1 0 8 8" />
      </svg>
    </ng-template>
    <ng-template #words>
      @if (head()) {
        <h2>{{ head() }}</h2>
      }
      <p>{{ says() }}</p>
      <div class="acts"><ng-content /></div>
    </ng-template>`,
  styleUrl: './empty-state.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EmptyState {
  readonly head = input('');
  readonly says = input.required<string>();
}
