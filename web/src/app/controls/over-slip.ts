import { Dialog, type DialogRef } from '@angular/cdk/dialog';
import {
  ChangeDetectionStrategy,
  Component,
  type OnDestroy,
  TemplateRef,
  ViewContainerRef,
  afterNextRender,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { freshId } from './choice';
import { Keymap } from './keymap';

/** A slip over the sheet: what lies below rests until it is closed. Stands inside an `@if`; closing is told, the `@if` does it. */
@Component({
  selector: 'man-over-slip',
  template: `<ng-template #paper>
    <div class="paper over">
      <header>
        <h2 [id]="id">{{ name() }}</h2>
        <button type="button" class="plain tiny" (click)="ref?.close()" i18n="@@slip.close">Close</button>
      </header>
      <div class="inside"><ng-content /></div>
    </div>
  </ng-template>`,
  styleUrl: './slip.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OverSlip implements OnDestroy {
  private readonly dialog = inject(Dialog);
  private readonly view = inject(ViewContainerRef);
  private readonly wake = inject(Keymap).rest();
  readonly name = input.required<string>();
  readonly closed = output();
  protected readonly id = freshId('slip');
  private readonly paper = viewChild.required<TemplateRef<unknown>>('paper');
  protected ref: DialogRef | undefined;

  constructor() {
    afterNextRender(() => {
      this.ref = this.dialog.open(this.paper(), {
        viewContainerRef: this.view,
        ariaLabelledBy: this.id,
        ariaModal: true,
        autoFocus: 'dialog',
        restoreFocus: true,
        backdropClass: 'over-slip-mask',
        maxWidth: '94vw',
        maxHeight: '92vh',
      });
      this.ref.closed.subscribe(() => {
        this.ref = undefined;
        this.closed.emit();
      });
    });
  }

  ngOnDestroy(): void {
    this.wake();
    this.ref?.close();
  }
}
