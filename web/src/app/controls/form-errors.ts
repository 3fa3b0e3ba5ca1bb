import { Directive, ElementRef, Injector, afterNextRender, effect, inject, input } from '@angular/core';

/**
 * What is wrong with the fields below, by path. A field that names its path shows its error, is tied to it, and the first
 * wrong one gets the focus. The one way that forms say errors.
 */
@Directive({ selector: '[manErrors]' })
export class FormErrors {
  readonly manErrors = input.required<ReadonlyMap<string, string>>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    const injector = inject(Injector);
    effect(() => {
      if (this.manErrors().size > 0) afterNextRender(() => this.toFirst(), { injector });
    });
  }

  of(path: string | undefined): string | undefined {
    return path === undefined ? undefined : this.manErrors().get(path);
  }

  private toFirst(): void {
    const wrong = this.host.querySelector<HTMLElement>('[aria-invalid="true"]');
    const stop = wrong?.matches('input, textarea, select, button')
      ? wrong
      : wrong?.querySelector<HTMLElement>('[tabindex="0"], input, button');
    stop?.focus();
  }
}
