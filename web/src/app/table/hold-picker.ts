import { ChangeDetectionStrategy, Component, input, linkedSignal, output, inject } from '@angular/core';
import { HOLDS } from '@mansuet/core/knowledge/holds';
import { stretch } from '@mansuet/core/locales';
import { HOLD_IDS, type HoldId } from '@mansuet/core/words';
import { Words } from '../wording/words.service';

const AIDS: readonly HoldId[] = ['belly_support', 'helper', 'loop', 'muzzle'];

/** Another hold than planned, from least to most force. */
@Component({
  selector: 'man-hold-picker',
  template: `<div class="stack">
    @for (h of mains; track h) {
      <button type="button" class="plain pick" [attr.aria-pressed]="hold() === h" (click)="used.emit({ hold: h, also: aids() })">
        <b>{{ names[h] }}</b><span class="small">Never on {{ never[h] }}; {{ cap(h) }} at most.</span>
      </button>
    }
    <h3>With it</h3>
    <div class="row">
      @for (h of aidIds; track h) {
        <button type="button" class="chip" [attr.aria-pressed]="aids().includes(h)" (click)="toggle(h)">{{ names[h] }}</button>
      }
    </div>
    <p class="quiet small">A muzzle is never put on a dog that is already fighting: stop instead. Nothing presses on a throat.</p>
    <button type="button" class="plain" [disabled]="!hold()" (click)="keep()">Same hold, with these</button>
  </div>`,
  styles: `
    .pick {
      flex-direction: column;
      align-items: flex-start;
      gap: 0;
      min-height: 56px;
    }
    .pick[aria-pressed='true'] {
      border-color: var(--brass);
      background: var(--brass-light);
    }
    .pick span {
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldPicker {
  private readonly words = inject(Words);
  readonly hold = input<HoldId | undefined>();
  readonly also = input<readonly HoldId[]>([]);
  readonly used = output<{ hold: HoldId; also: readonly HoldId[] }>();
  protected readonly aids = linkedSignal(() => this.also());
  protected readonly names = this.words.labels.hold;
  protected readonly never = this.words.language.holdMustNotPress;
  protected readonly cap = (h: HoldId): string => stretch(this.words.language, HOLDS[h].capMinutes);
  protected readonly aidIds = AIDS;
  protected readonly mains = HOLD_IDS.filter((h) => !AIDS.includes(h));

  protected toggle(h: HoldId): void {
    this.aids.update((a) => (a.includes(h) ? a.filter((x) => x !== h) : [...a, h]));
  }
  protected keep(): void {
    const hold = this.hold();
    if (hold) this.used.emit({ hold, also: this.aids() });
  }
}
