import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { VisitLog } from '../visit-log/visit-log.service';
import { KeyRing } from './key-ring';

/** The tablet was put down or started anew: the shift's PIN opens it, with or without a network. */
@Component({
  selector: 'man-locked',
  imports: [FormErrors, FormsModule, Notice, TextField],
  template: `<div class="door">
    <main class="card panel">
      <h1 i18n="@@locked.head">Locked</h1>
      <p class="quiet" i18n="@@locked.what">The PIN of this shift opens this tablet, also without a network.</p>
      <form class="stack" [manErrors]="errors()" (ngSubmit)="open()" novalidate>
        <man-text
          label="PIN"
          i18n-label="@@locked.pin"
          name="pin"
          path="pin"
          type="password"
          inputmode="numeric"
          [value]="pin()"
          (typed)="pin.set($event)"
        />
        <man-notice kind="warn" live="alert" [says]="trouble()" />
        <button type="submit" class="next" [disabled]="busy()" i18n="@@locked.open">Open</button>
      </form>
      <p class="quiet small apart" i18n="@@locked.forgotten">
        Nobody knows it? Entries stay on this tablet, and wait until the people who made them sign in with their password.
      </p>
      <button type="button" class="plain" (click)="forget()" i18n="@@locked.password">Sign in with a password instead</button>
    </main>
  </div>`,
  styleUrl: '../sign-in/sign-in.less',
  styles: '.apart { margin: 20px 0 8px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LockedPage {
  private readonly router = inject(Router);
  private readonly ring = inject(KeyRing);
  private readonly log = inject(VisitLog);
  /** Where it was when it was locked. */
  readonly to = input('/today');
  protected readonly pin = signal('');
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());

  protected async open(): Promise<void> {
    this.errors.set(new Map(this.pin() === '' ? [['pin', $localize`:@@locked.missing:Type the PIN of this shift.`]] : []));
    if (this.pin() === '') return;
    this.busy.set(true);
    const opened = await this.ring.unlock(this.pin());
    this.busy.set(false);
    this.pin.set('');
    if (opened === 'wrong') {
      this.errors.set(new Map([['pin', $localize`:@@locked.wrong:That is not the PIN of this shift.`]]));
      return;
    }
    if (opened === 'gone') return this.forget();
    void this.log.flush();
    await this.router.navigateByUrl(/^\/(?!\/)/.test(this.to()) ? this.to() : '/today');
  }

  protected async forget(): Promise<void> {
    await this.ring.forget();
    await this.router.navigateByUrl('/sign-in');
  }
}
