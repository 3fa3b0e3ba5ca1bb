import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Keymap } from './keymap';

/** The key that does the same as the button it stands in, as it is on this device now. */
@Component({
  selector: 'man-key',
  template: `@if (key(); as k) {
    <kbd>{{ k }}</kbd>
  }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyHint {
  private readonly keymap = inject(Keymap);
  /** The action. */
  readonly of = input.required<string>();
  protected readonly key = computed(() => {
    const key = this.keymap.on() ? this.keymap.shown().find((a) => a.id === this.of())?.key : undefined;
    return key && key.length === 1 ? key.toUpperCase() : key;
  });
}
