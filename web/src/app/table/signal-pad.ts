import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { PAD_SIGNALS, SIGNALS } from '@mansuet/core/strain';
import { KeyHint } from '../controls/key-hint';
import { Words } from '../wording/words.service';
import { TableStore } from './table-store';

/** What the dog says: the eight that are met most, the rest one step behind. Beside every slip, never under one. */
@Component({
  selector: 'man-signal-pad',
  imports: [KeyHint],
  template: `@for (s of pad; track s; let i = $index) {
      <button
        type="button"
        [class]="'sign ' + signals[s].tier"
        [disabled]="!table.work() || !!table.ended()"
        [attr.aria-disabled]="table.rests() === s || null"
        (click)="table.see(s)"
      >
        <man-key [of]="'table.signal.' + (i + 1)" /> {{ names[s] }}
      </button>
    }
    <button
      type="button"
      class="plain more"
      [disabled]="!table.work() || !!table.ended()"
      (click)="table.slip.set('signals')"
      i18n="@@table.more"
    >
      More signals, body alarms <man-key of="table.signals" />
    </button>`,
  styleUrl: './signal-pad.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignalPad {
  protected readonly table = inject(TableStore);
  protected readonly pad = PAD_SIGNALS;
  protected readonly signals = SIGNALS;
  protected readonly names = inject(Words).labels.signal;
}
