import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { TableStore } from './table-store';

/** The meter with what it asks of the hands, and strain over time. */
@Component({
  selector: 'man-strain-bar',
  imports: [StrainRibbon],
  template: `<div class="meter" [attr.role]="table.advice().urgent ? 'alert' : 'status'">
      <div class="number">
        <span class="value">{{ table.now() ? round(table.now()!.strain.strain) : '–' }}</span>
        @if (table.now()?.strain?.range90; as range) {
          <small i18n="@@meter.range">9 of 10: {{ round(range[0]) }}–{{ round(range[1]) }}</small>
        }
      </div>
      <div>
        <b>{{ table.advice().head }}</b>
        <p>{{ table.advice().says }}</p>
        @for (line of table.ahead(); track $index) {
          <p class="ahead">{{ line }}</p>
        }
      </div>
    </div>
    <man-strain-ribbon
      [predicted]="table.predicted()"
      [measured]="table.measured()"
      [steps]="table.ribbonSteps()"
      [now]="table.now()?.minute"
    />`,
  styleUrl: './strain-bar.less',
  host: { '[class]': "table.advice().band + (table.advice().urgent ? ' urgent' : '')" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StrainBar {
  protected readonly table = inject(TableStore);
  protected readonly round = Math.round;
}
