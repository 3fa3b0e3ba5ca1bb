import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** One thing that is so or not. */
@Component({
  selector: 'man-toggle',
  template: `<button
    type="button"
    [class]="'chip ' + size()"
    [attr.aria-pressed]="on()"
    [attr.aria-label]="says() || null"
    [disabled]="disabled()"
    (click)="changed.emit(!on())"
  >
    {{ label() }}
  </button>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Toggle {
  readonly label = input.required<string>();
  readonly on = input.required<boolean>();
  readonly says = input('');
  readonly disabled = input(false);
  readonly size = input<'' | 'tiny' | 'big'>('');
  readonly changed = output<boolean>();
}
