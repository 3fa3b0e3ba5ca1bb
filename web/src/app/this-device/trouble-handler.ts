import { ErrorHandler, Injectable, inject, signal } from '@angular/core';

/** What went wrong in this page and was caught nowhere else: said on the screen, so that nobody taps on a screen that stands still. */
@Injectable({ providedIn: 'root' })
export class PageTrouble {
  private readonly what = signal<string | undefined>(undefined);
  readonly says = this.what.asReadonly();

  say(thrown: unknown): void {
    this.what.set(thrown instanceof Error ? thrown.message : String(thrown));
  }
  /** It was read. */
  dismiss(): void {
    this.what.set(undefined);
  }
}

/** The one place where errors of the page end. Nothing recorded is touched: it was on the device before it was shown. */
@Injectable()
export class TroubleHandler implements ErrorHandler {
  private readonly trouble = inject(PageTrouble);
  private readonly told = new ErrorHandler();

  handleError(thrown: unknown): void {
    this.told.handleError(thrown);
    if (!isNoise(thrown)) this.trouble.say(thrown);
  }
}

/** The browser says so whenever a watched size changes while it is drawn: nothing is lost by it. */
const isNoise = (thrown: unknown): boolean => thrown instanceof Error && thrown.message.startsWith('ResizeObserver loop');
