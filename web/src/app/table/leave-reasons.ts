import { ChangeDetectionStrategy, Component, output } from '@angular/core';

/** Why a step is left or done in part, as it stands in the record and is told to the owner. */
export const REASONS: readonly string[] = [
  $localize`:@@leave.enough:the dog had enough`,
  $localize`:@@leave.mat:a mat that does not come out today`,
  $localize`:@@leave.skin:the skin there`,
  $localize`:@@leave.growth:a growth or a sore place`,
  $localize`:@@leave.time:no time left`,
  $localize`:@@leave.owner:the owner asked for it`,
  $localize`:@@leave.needless:not needed today`,
];

/** The reasons by tap: a step is left by two taps in different places, never by one that strayed. */
@Component({
  selector: 'man-leave-reasons',
  template: `<ul class="stack">
    @for (why of reasons; track why) {
      <li>
        <button type="button" class="plain wide" (click)="chosen.emit(why)">{{ why }}</button>
      </li>
    }
  </ul>`,
  styles: `
    .wide {
      width: 100%;
      min-height: 64px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeaveReasons {
  readonly chosen = output<string>();
  protected readonly reasons = REASONS;
}
