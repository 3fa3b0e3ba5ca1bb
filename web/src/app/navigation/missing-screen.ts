import { Injectable, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationEnd, type NavigationError, Router } from '@angular/router';
import { filter } from 'rxjs';

/** A screen that could not be opened, since a part of the page is not on this device: the one before stays, and it is said. */
@Injectable({ providedIn: 'root' })
export class MissingScreen {
  private readonly router = inject(Router);
  private readonly where = signal<string | undefined>(undefined);
  /** Its address; `undefined` when every screen was there. */
  readonly url = this.where.asReadonly();

  constructor() {
    this.router.events
      .pipe(
        filter((e) => e instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.where.set(undefined));
  }

  say({ url }: NavigationError): void {
    this.where.set(url);
  }

  async again(): Promise<void> {
    const url = this.where();
    if (url !== undefined) await this.router.navigateByUrl(url);
  }
}
