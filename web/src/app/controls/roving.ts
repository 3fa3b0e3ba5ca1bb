import { type FocusableOption, FocusKeyManager } from '@angular/cdk/a11y';
import { Directive, ElementRef, Injector, computed, contentChildren, inject, input, signal } from '@angular/core';

/** One of the things that share a single stop of the Tab key. */
@Directive({
  selector: 'button[manRovingItem]',
  host: { '[attr.tabindex]': 'group.stopsAt(this) ? 0 : -1', '(focus)': 'group.came(this)' },
})
export class RovingItem implements FocusableOption {
  protected readonly group = inject(Roving);
  private readonly element = inject<ElementRef<HTMLButtonElement>>(ElementRef).nativeElement;

  get disabled(): boolean {
    return this.element.disabled;
  }
  focus(): void {
    this.element.focus();
  }
}

/**
 * A group that Tab enters once; arrows, Home and End go on inside. Nothing is chosen by moving: a choice here is often
 * an entry in the record, so Space and Enter choose, as on any button.
 */
@Directive({ selector: '[manRoving]', host: { '(keydown)': 'onKey($event)', '(focusout)': 'left($event)' } })
export class Roving {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** Where Tab comes in: the place of what is chosen, -1 for the first. */
  readonly entry = input(-1);
  private readonly items = contentChildren(RovingItem, { descendants: true });
  private readonly at = signal<RovingItem | undefined>(undefined);
  private readonly stop = computed(() => {
    const items = this.items();
    const at = this.at();
    return at && items.includes(at) ? at : (items[this.entry()] ?? items[0]);
  });
  private readonly keys = new FocusKeyManager(this.items, inject(Injector))
    .withHorizontalOrientation('ltr')
    .withVerticalOrientation()
    .withHomeAndEnd()
    .withWrap();

  stopsAt(item: RovingItem): boolean {
    return this.stop() === item;
  }
  came(item: RovingItem): void {
    this.at.set(item);
    this.keys.updateActiveItem(item);
  }
  protected onKey(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    this.keys.onKeydown(event);
  }
  /** Whoever comes back comes to what is chosen. */
  protected left(event: FocusEvent): void {
    if (!(event.relatedTarget instanceof Node) || !this.host.contains(event.relatedTarget)) this.at.set(undefined);
  }
}
