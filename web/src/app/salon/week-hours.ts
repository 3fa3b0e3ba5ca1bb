import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { Week } from '@mansuet/core/contract';
import { WEEKDAYS } from '@mansuet/core/words';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { Words } from '../wording/words.service';

const USUAL = { from: '09:00', to: '17:00' };

/** Hours of a week, a line for each day: whether at all, from when, until when. */
@Component({
  selector: 'man-week-hours',
  imports: [TextField, Toggle],
  template: `@for (day of days; track day; let i = $index) {
    <div class="day" role="group" [attr.aria-label]="labels[day]">
      <man-toggle [label]="labels[day]" [on]="week()[i] !== null" (changed)="set(i, $event ? usual : null)" />
      @if (week()[i]; as h) {
        <man-text
          label="From"
          i18n-label="@@hours.from"
          type="time"
          [name]="name() + day + '-from'"
          [path]="path() + '.' + i + '.from'"
          [value]="h.from"
          (typed)="set(i, { from: $event, to: h.to })"
        />
        <man-text
          label="Until"
          i18n-label="@@hours.to"
          type="time"
          [name]="name() + day + '-to'"
          [path]="path() + '.' + i + '.to'"
          [value]="h.to"
          (typed)="set(i, { from: h.from, to: $event })"
        />
      } @else {
        <span class="quiet">{{ shut() }}</span>
      }
    </div>
  }`,
  styles: `
    .day {
      display: grid;
      grid-template-columns: 130px minmax(0, 150px) minmax(0, 150px);
      gap: 6px 12px;
      align-items: end;
      min-height: 62px;
    }
    .day > .quiet {
      align-self: center;
      grid-column: span 2;
    }
    man-toggle {
      align-self: center;
    }
    @media (max-width: 520px) {
      .day {
        grid-template-columns: 1fr 1fr;
      }
      man-toggle {
        grid-column: span 2;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeekHours {
  readonly week = input.required<Week>();
  /** Where the form keeps the errors of it. */
  readonly path = input('week');
  readonly name = input('');
  /** What stands where there are no hours. */
  readonly shut = input($localize`:@@hours.shut:shut`);
  readonly changed = output<Week>();
  protected readonly days = WEEKDAYS;
  protected readonly labels = inject(Words).labels.weekday;
  protected readonly usual = USUAL;

  protected set(at: number, hours: Week[number]): void {
    this.changed.emit(this.week().map((h, i) => (i === at ? hours : h)));
  }
}
