import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { NzProgressModule } from 'ng-zorro-antd/progress';

/** Something takes a while: what it is, how far it is when that is known, and a way to end it. */
@Component({
  selector: 'man-progress',
  imports: [NzProgressModule],
  template: `<div class="line">
      <span role="status">{{ says() }}</span>
      @if (stop(); as s) {
        <button type="button" class="plain tiny" (click)="stopped.emit()">{{ s }}</button>
      }
    </div>
    <div
      role="progressbar"
      aria-valuemin="0"
      aria-valuemax="100"
      [attr.aria-label]="says()"
      [attr.aria-valuenow]="percent() ?? null"
      [class.open]="percent() === undefined"
    >
      @if (percent() === undefined) {
        <i></i>
      } @else {
        <nz-progress aria-hidden="true" [nzPercent]="percent()!" [nzShowInfo]="false" [nzStrokeLinecap]="'square'" [nzStrokeWidth]="6" />
      }
    </div>`,
  styleUrl: './progress.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Progress {
  readonly says = input.required<string>();
  readonly done = input<number | undefined>();
  readonly of = input(100);
  /** What the button says that ends it; none without. */
  readonly stop = input('');
  readonly stopped = output();
  protected readonly percent = computed(() => {
    const done = this.done();
    return done === undefined ? undefined : Math.round((100 * done) / Math.max(1, this.of()));
  });
}
