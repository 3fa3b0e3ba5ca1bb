import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { DaysOff } from '@mansuet/core/contract';
import { DateField } from '../controls/date-field';
import { ClockService } from '../server/clock.service';

/** Days that are off: holidays of a salon, or of somebody. */
@Component({
  selector: 'man-days-off',
  imports: [DateField],
  template: `@for (d of days(); track $index; let i = $index) {
      <div class="line">
        <man-date
          label="From"
          i18n-label="@@off.from"
          [name]="path() + i + '-from'"
          [path]="path() + '.' + i + '.from'"
          [value]="d.from"
          (typed)="set(i, { from: $event, to: d.to < $event ? $event : d.to })"
        />
        <man-date
          label="To and with"
          i18n-label="@@off.to"
          [name]="path() + i + '-to'"
          [path]="path() + '.' + i + '.to'"
          [value]="d.to"
          (typed)="set(i, { from: d.from, to: $event })"
        />
        <button type="button" class="plain tiny" [attr.aria-label]="sayRemove(i)" (click)="remove(i)" i18n="@@off.remove">Remove</button>
      </div>
    }
    <button type="button" class="plain" (click)="add()" i18n="@@off.add">Add days off</button>`,
  styles: `
    .line {
      display: grid;
      grid-template-columns: minmax(0, 190px) minmax(0, 190px) auto;
      gap: 6px 12px;
      align-items: center;
      justify-content: start;
    }
    @media (max-width: 520px) {
      .line {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DaysOffList {
  private readonly clock = inject(ClockService);
  readonly days = input.required<readonly DaysOff[]>();
  readonly path = input.required<string>();
  readonly changed = output<DaysOff[]>();

  protected sayRemove(at: number): string {
    return $localize`:@@off.removeNr:Remove the days off in line ${at + 1}:nr:`;
  }
  protected set(at: number, to: DaysOff): void {
    this.changed.emit(this.days().map((d, i) => (i === at ? to : d)));
  }
  protected remove(at: number): void {
    this.changed.emit(this.days().filter((_, i) => i !== at));
  }
  protected add(): void {
    const today = this.clock.today();
    this.changed.emit([...this.days(), { from: today, to: today }]);
  }
}
