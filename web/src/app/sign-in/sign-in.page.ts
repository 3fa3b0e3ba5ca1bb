import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { SIGN_IN } from '@mansuet/core/contract';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { fieldErrors, sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';

@Component({
  selector: 'man-sign-in',
  imports: [FormErrors, FormsModule, Notice, TextField],
  templateUrl: './sign-in.page.html',
  styleUrl: './sign-in.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignInPage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly session = inject(SessionService);
  protected readonly login = signal('');
  protected readonly password = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly roles = this.words.labels.role;

  constructor() {
    void this.session.ready().then((s) => {
      if (s.firstRun) void this.router.navigateByUrl('/first-run');
    });
  }

  protected async signIn(): Promise<void> {
    const form = SIGN_IN.safeParse({ login: this.login(), password: this.password() });
    this.errors.set(errorsOf(this.words, form));
    this.trouble.set('');
    if (!form.success) return;
    this.busy.set(true);
    const answer = await this.session.signIn(form.data.login, form.data.password);
    this.busy.set(false);
    if (answer.ok) await this.router.navigateByUrl('/today');
    else {
      this.trouble.set(sayFailure(this.words, answer.failure));
      this.errors.set(fieldErrors(this.words, answer.failure));
    }
  }

  protected take(login: string, password: string): void {
    this.login.set(login);
    this.password.set(password);
    void this.signIn();
  }
}
