import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { LeaveReasons } from './leave-reasons';
import { TableStore } from './table-store';

/** The step is done but for some of its places: whether they are done as well, or why they are left, is asked before the next one begins. */
@Component({
  selector: 'man-open-pieces',
  imports: [LeaveReasons],
  template: `<div class="stack">
    <p>
      <b>{{ open() }}</b>
    </p>
    <button type="button" class="next big" (click)="table.finish('done')" i18n="@@open.done">They are done as well</button>
    <h3 i18n="@@open.left">They are left, because of:</h3>
    <man-leave-reasons (chosen)="table.leaveOpen($event)" />
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpenPieces {
  protected readonly table = inject(TableStore);
  protected readonly open = computed(() =>
    this.table
      .pieces()
      .filter((p) => p.status === 'open')
      .map((p) => p.place)
      .join(', '),
  );
}
