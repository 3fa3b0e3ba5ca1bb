import { ChangeDetectionStrategy, Component, effect, input, output, signal } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { HelperWindow } from '@mansuet/core/plan';

/** Whether a second pair of hands is there: not, throughout, or from one minute to another. */
@Component({
  selector: 'man-helper-time',
  imports: [NzInputModule],
  template: `<div class="row" role="group" aria-label="Helper">
    <b>Helper</b>
    <button type="button" class="chip" [attr.aria-pressed]="!there()" (click)="set(false)">none</button>
    <button type="button" class="chip" [attr.aria-pressed]="there() && !window()" (click)="set(true)">throughout</button>
    <button type="button" class="chip" [attr.aria-pressed]="there() && !!window()" (click)="part()">for a time</button>
    @if (there() && window(); as w) {
      <label
        >from <input nz-input type="number" min="0" max="480" step="5" [value]="w[0]" (change)="edge(0, $any($event.target).value)"
      /></label>
      <label
        >to
        <input nz-input type="number" min="5" max="480" step="5" [value]="w[1]" (change)="edge(1, $any($event.target).value)" /> min</label
      >
    }
    @if (wrong()) {
      <span class="warn" role="alert">{{ wrong() }}</span>
    }
  </div>`,
  styles: `
    input {
      width: 84px;
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
  readonly window = input<HelperWindow | undefined>();
  readonly sessionMinutes = input.required<number>();
  readonly changed = output<{ there: boolean; window: HelperWindow | undefined }>();
  protected readonly wrong = signal('');

  constructor() {
    effect(() => {
      this.window();
      this.wrong.set('');
    });
  }

  protected set(there: boolean): void {
    this.changed.emit({ there, window: undefined });
  }
  protected part(): void {
    if (!this.window()) this.changed.emit({ there: true, window: [0, Math.round(this.sessionMinutes() / 2)] });
  }
  protected edge(at: 0 | 1, text: string): void {
    const w = this.window() ?? [0, this.sessionMinutes()];
    const value = Number(text);
    const next: HelperWindow = at === 0 ? [value, w[1]] : [w[0], value];
    if (text.trim() === '' || !(next[0] >= 0 && next[1] <= 480 && next[0] + 5 <= next[1])) {
      this.wrong.set('The helper stays at least 5 minutes, and comes before leaving.');
      return;
    }
    this.changed.emit({ there: true, window: next });
  }
}
