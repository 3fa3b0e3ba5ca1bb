import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { CHOSEN_PASSWORD, JOIN_VIEW, type JoinView } from '@mansuet/core/contract';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { KeptForm } from '../controls/kept-form';
import { ApiService, NOTHING, sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';

/** What a link opens by which somebody chooses a password, without a sign-in. */
@Component({
  selector: 'man-join',
  imports: [FormErrors, FormsModule, Notice, RouterLink, TextField],
  template: `<div class="door">
    <main class="card panel stack">
      @if (chosen()) {
        <h1 i18n="@@joined.head">You are in</h1>
        <p role="status" i18n="@@joined.what">Your password counts from now on. Sign in as {{ view()?.login }}.</p>
        <a class="next" routerLink="/sign-in" i18n="@@joined.sign">Sign in</a>
      } @else if (view(); as v) {
        <h1 i18n="@@joining.head">Welcome, {{ v.name }}</h1>
        <p class="quiet" i18n="@@joining.what">{{ v.salonName }}. You will sign in as {{ v.login }}, with a password that only you know.</p>
        <form class="stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
          <man-text
            label="Your password (at least 10 characters)"
            i18n-label="@@joining.password"
            name="password"
            path="password"
            type="password"
            complete="new-password"
            [value]="password()"
            (typed)="password.set($event)"
          />
          <man-notice kind="warn" live="alert" [says]="form.trouble()" />
          <button type="submit" class="next" [disabled]="form.busy()" i18n="@@joining.keep">Take this password</button>
        </form>
      } @else if (trouble()) {
        <h1 i18n="@@joining.none">This link does not open</h1>
        <p role="alert">{{ trouble() }}</p>
        <p class="quiet" i18n="@@joining.ask">Ask the lead of your salon for a new one.</p>
      } @else {
        <p class="quiet" role="status" i18n="@@joining.wait">One moment …</p>
      }
    </main>
  </div>`,
  styleUrl: '../sign-in/sign-in.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JoinPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  readonly secret = input.required<string>();
  protected readonly form = new KeptForm();
  protected readonly view = signal<JoinView | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly password = signal('');
  protected readonly chosen = signal(false);

  constructor() {
    effect(() => void this.load(this.path()));
  }
  private path(): string {
    return `/join/${encodeURIComponent(this.secret())}`;
  }
  private async load(path: string): Promise<void> {
    const answer = await this.api.get(path, JOIN_VIEW);
    if (answer.ok) this.view.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
  protected async keep(): Promise<void> {
    const kept = await this.form.keep(
      CHOSEN_PASSWORD,
      { password: this.password() },
      (f) => this.api.send('POST', this.path(), f, NOTHING),
      '',
    );
    if (kept) this.chosen.set(true);
  }
}
