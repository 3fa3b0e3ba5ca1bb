import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { KeyHint } from '../controls/key-hint';
import { TableStore } from './table-store';

/** Pause and Stop: they never move, and nothing ever lies over them. */
@Component({
  selector: 'man-pause-stop',
  imports: [KeyHint],
  template: `<button
      type="button"
      class="act pause"
      [disabled]="!table.work() || !!table.ended()"
      [attr.aria-pressed]="table.onBreak()"
      [attr.aria-disabled]="table.rests() === 'pause' || null"
      (click)="table.pause()"
    >
      @if (table.onBreak()) {
        <ng-container i18n="@@table.goOn">Go on <man-key of="table.pause" /></ng-container>
      } @else {
        <ng-container i18n="@@table.pause">Pause <man-key of="table.pause" /></ng-container>
      }
    </button>
    <button
      type="button"
      class="act stop"
      [disabled]="!!table.ended()"
      [attr.aria-pressed]="!!table.closing()"
      (click)="table.stop()"
      i18n="@@table.stop"
    >
      Stop <man-key of="table.stop" />
    </button>`,
  styleUrl: './pause-stop.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PauseStop {
  protected readonly table = inject(TableStore);
}
