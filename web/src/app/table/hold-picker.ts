import { ChangeDetectionStrategy, Component, input, linkedSignal, output, inject } from '@angular/core';
import { HOLDS } from '@mansuet/core/knowledge/holds';
import { stretch } from '@mansuet/core/locales';
import { HOLD_IDS, type HoldId } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { Words } from '../wording/words.service';

const AIDS: readonly HoldId[] = ['belly_support', 'helper', 'loop', 'muzzle'];

/** Another hold than planned, from least to most force. */
@Component({
  selector: 'man-hold-picker',
  imports: [ChoiceGroup, Choices],
  template: `<div class="stack">
    <man-choice label="The hold" layout="list" [of]="mains" [value]="hold()" (chosen)="used.emit({ hold: $event, also: aids() })" />
    <man-choices label="With it" shown size="big" [of]="aidChoices" [values]="aids()" (toggled)="toggle($event)" />
    <p class="quiet small">A muzzle is never put on a dog that is already fighting: stop instead. Nothing presses on a throat.</p>
    <button type="button" class="plain" [disabled]="!hold()" (click)="keep()">Same hold, with these</button>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldPicker {
  private readonly words = inject(Words);
  readonly hold = input<HoldId | undefined>();
  readonly also = input<readonly HoldId[]>([]);
  readonly used = output<{ hold: HoldId; also: readonly HoldId[] }>();
  protected readonly aids = linkedSignal(() => this.also());
  protected readonly aidChoices = choicesOf(AIDS, this.words.labels.hold);
  protected readonly mains: readonly Choice<HoldId>[] = HOLD_IDS.filter((h) => !AIDS.includes(h)).map((h) => ({
    value: h,
    label: this.words.labels.hold[h],
    detail: `Never on ${this.words.language.holdMustNotPress[h]}; ${stretch(this.words.language, HOLDS[h].capMinutes)} at most.`,
  }));

  protected toggle(h: HoldId): void {
    this.aids.update((a) => (a.includes(h) ? a.filter((x) => x !== h) : [...a, h]));
  }
  protected keep(): void {
    const hold = this.hold();
    if (hold) this.used.emit({ hold, also: this.aids() });
  }
}
