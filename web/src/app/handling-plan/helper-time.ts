import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal } from '@angular/core';
import type { HelperWindow } from '@mansuet/core/plan';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { RANGES } from '../wording/ranges';

/** Minutes that a helper stays at least. */
const SHORTEST = 5;
const LATEST = RANGES.minuteOfVisit.max;
/** Stretches that can be entered. */
const MOST = 6;

type Time = 'none' | 'throughout' | 'part';

/** Whether a second pair of hands is there: not, throughout, or in some stretches of the visit. */
@Component({
  selector: 'man-helper-time',
  imports: [ChoiceGroup, Notice, NumberField],
  template: `<div class="row" role="group" aria-label="Helper">
    <b>Helper</b>
    <man-choice label="When a helper is there" [of]="times" [value]="time()" (chosen)="choose($event)" />
    @if (there()) {
      @for (w of windows(); track $index; let i = $index) {
        <span class="stretch">
          <man-number class="edge" label="from" [range]="range" [value]="w[0]" (entered)="edge(i, $event, w[1])" />
          <man-number class="edge" label="to" [range]="range" [value]="w[1]" (entered)="edge(i, w[0], $event)" />
          @if (windows().length > 1) {
            <button type="button" class="plain tiny" [attr.aria-label]="'Not there from ' + w[0] + ' to ' + w[1]" (click)="drop(i)">
              ×
            </button>
          }
        </span>
      }
      @if (windows().length > 0 && windows().length < most) {
        <button type="button" class="plain tiny" (click)="add()">and again</button>
      }
    }
    <man-notice kind="warn" live="alert" [says]="wrong()" />
  </div>`,
  styles: `
    .edge {
      width: 110px;
    }
    .stretch {
      display: inline-flex;
      gap: 8px;
      align-items: center;
      flex-wrap: wrap;
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelperTime {
  readonly there = input.required<boolean>();
  /** Minutes from the start; none for the whole visit. */
  readonly windows = input.required<readonly HelperWindow[]>();
  readonly sessionMinutes = input.required<number>();
  readonly changed = output<{ helperThere: boolean; helperWindows: readonly HelperWindow[] }>();
  protected readonly wrong = signal('');
  protected readonly most = MOST;
  protected readonly range = RANGES.minuteOfVisit;
  protected readonly times: readonly Choice<Time>[] = [
    { value: 'none', label: 'none' },
    { value: 'throughout', label: 'throughout' },
    { value: 'part', label: 'for a time' },
  ];
  protected readonly time = computed<Time>(() => (!this.there() ? 'none' : this.windows().length === 0 ? 'throughout' : 'part'));

  constructor() {
    effect(() => {
      this.windows();
      this.wrong.set('');
    });
  }

  protected choose(time: Time): void {
    if (time === 'part') this.part();
    else this.set(time === 'throughout');
  }
  private set(there: boolean): void {
    this.changed.emit({ helperThere: there, helperWindows: [] });
  }
  private part(): void {
    if (this.windows().length === 0) this.tell([[0, Math.round(this.sessionMinutes() / 2)]]);
  }
  /** The next stretch begins where the work of half an hour without the helper would end. */
  protected add(): void {
    const last = this.windows().at(-1)?.[1] ?? 0;
    const from = Math.min(last + 30, LATEST - 30);
    if (from <= last) this.wrong.set('There is no room for another stretch after the last one.');
    else this.tell([...this.windows(), [from, from + 30]]);
  }
  protected drop(at: number): void {
    this.tell(this.windows().filter((_, i) => i !== at));
  }
  protected edge(at: number, from: number | null, to: number | null): void {
    if (from === null || to === null || !(from >= 0 && to <= LATEST && from + SHORTEST <= to)) {
      this.wrong.set(`The helper stays at least ${SHORTEST} minutes, and comes before leaving.`);
      return;
    }
    this.tell(this.windows().map((w, i) => (i === at ? [from, to] : w)));
  }

  /** In order of time; stretches that meet are one, since a step may go from the one into the other. */
  private tell(windows: readonly HelperWindow[]): void {
    const joined: HelperWindow[] = [];
    for (const w of [...windows].sort((a, b) => a[0] - b[0])) {
      const last = joined.at(-1);
      if (last && w[0] <= last[1]) joined[joined.length - 1] = [last[0], Math.max(last[1], w[1])];
      else joined.push(w);
    }
    this.changed.emit({ helperThere: true, helperWindows: joined });
  }
}
