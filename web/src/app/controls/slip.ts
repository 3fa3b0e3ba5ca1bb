import {
  ChangeDetectionStrategy,
  Component,
  type OnDestroy,
  ElementRef,
  afterNextRender,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { freshId } from './choice';
import { Keymap } from './keymap';

/**
 * A slip beside the work: no mask, no trap, so that what stands beside it stays in reach. It has a name, takes the focus
 * when it comes and gives it back when it goes. What was typed in it belongs to whoever opened it, and is not lost by closing.
 */
@Component({
  selector: 'man-slip',
  template: `<section class="paper" role="dialog" tabindex="-1" [attr.aria-labelledby]="id" #slip>
    <header>
      <h2 [id]="id">{{ name() }}</h2>
      <button type="button" class="plain tiny" (click)="closed.emit()" i18n="@@slip.close">Close</button>
    </header>
    <div class="inside"><ng-content /></div>
  </section>`,
  styleUrl: './slip.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Slip implements OnDestroy {
  readonly name = input.required<string>();
  readonly closed = output();
  /** It is there to be typed into: its first field takes the focus, so that no letter is taken for a key of the screen. */
  readonly typed = input(false);
  protected readonly id = freshId('slip');
  private readonly slip = viewChild.required<ElementRef<HTMLElement>>('slip');
  private readonly before = document.activeElement;
  private readonly wake = inject(Keymap).rest(() => this.closed.emit());

  constructor() {
    afterNextRender(() => {
      const slip = this.slip().nativeElement;
      const field = this.typed() ? slip.querySelector<HTMLElement>('textarea, input') : undefined;
      (field ?? slip).focus();
    });
  }

  ngOnDestroy(): void {
    this.wake();
    giveBack(this.before, this.slip().nativeElement);
  }
}

/** Focus goes back to where it was, unless somebody has taken it elsewhere meanwhile. */
export function giveBack(before: Element | null, from: HTMLElement): void {
  const now = document.activeElement;
  const isLeft = now !== null && now !== document.body && !from.contains(now);
  if (!isLeft && before instanceof HTMLElement && before.isConnected) before.focus();
}
