import { ChangeDetectionStrategy, Component, effect, input, output, signal } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { HelperWindow } from '@mansuet/core/plan';

/** Minutes that a helper stays at least. */
const SHORTEST = 5;
const LATEST = 480;
/** Stretches that can be entered. */
const MOST = 6;

/** Whether a second pair of hands is there: not, throughout, or in some stretches of the visit. */
@Component({
  selector: 'man-helper-time',
  imports: [NzInputModule],
  template: `<div class="row" role="group" aria-label="Helper">
    <b>Helper</b>
    <button type="button" class="chip" [attr.aria-pressed]="!there()" (click)="set(false)">none</button>
    <button type="button" class="chip" [attr.aria-pressed]="there() && windows().length === 0" (click)="set(true)">throughout</button>
    <button type="button" class="chip" [attr.aria-pressed]="there() && windows().length > 0" (click)="part()">for a time</button>
    @if (there()) {
      @for (w of windows(); track $index; let i = $index) {
        <span class="stretch">
          <label
            >from <input #from nz-input type="number" min="0" max="480" step="5" [value]="w[0]" (change)="edge(i, from.value, to.value)"
          /></label>
          <label
            >to
            <input #to nz-input type="number" min="5" max="480" step="5" [value]="w[1]" (change)="edge(i, from.value, to.value)" />
            min</label
          >
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
    @if (wrong()) {
      <span class="warn" role="alert">{{ wrong() }}</span>
    }
  </div>`,
  styles: `
    input {
      width: 84px;
    }
    .stretch {
      display: inline-flex;
      gap: 8px;
      align-items: center;
      flex-wrap: wrap;
    }
    .tiny {
      min-width: 48px;
      padding: 4px 12px;
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

  constructor() {
    effect(() => {
      this.windows();
      this.wrong.set('');
    });
  }

  protected set(there: boolean): void {
    this.changed.emit({ helperThere: there, helperWindows: [] });
  }
  protected part(): void {
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
  protected edge(at: number, fromText: string, toText: string): void {
    const [from, to] = [Number(fromText), Number(toText)];
    if (fromText.trim() === '' || toText.trim() === '' || !(from >= 0 && to <= LATEST && from + SHORTEST <= to)) {
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
