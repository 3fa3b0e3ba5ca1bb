import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { FIRST_RUN, type FirstRunForm } from '@mansuet/core/contract';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { fieldErrors, sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';

const FIELDS: readonly { key: keyof FirstRunForm; label: string; type: 'text' | 'password' | 'tel'; complete: string }[] = [
  { key: 'salonName', label: 'Name of the salon', type: 'text', complete: 'organization' },
  { key: 'name', label: 'Your name', type: 'text', complete: 'name' },
  { key: 'login', label: 'Your sign-in name', type: 'text', complete: 'username' },
  { key: 'password', label: 'Your password (at least 10 characters)', type: 'password', complete: 'new-password' },
  { key: 'vetName', label: 'Vet to ring in an emergency', type: 'text', complete: 'off' },
  { key: 'vetPhone', label: 'The vet’s number', type: 'tel', complete: 'off' },
  { key: 'timeZone', label: 'Time zone: its clock begins your days', type: 'text', complete: 'off' },
];

/** Where this device is: most likely where the salon is. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** An empty installation: the first person founds the salon and leads it. */
@Component({
  selector: 'man-first-run',
  imports: [FormErrors, FormsModule, Notice, TextField],
  template: `<div class="door">
    <main class="card wide panel">
      <h1>Set up your salon</h1>
      <p class="quiet">This page is shown once. You become the salon’s lead; hours, rooms, colleagues and the first dog come next.</p>
      <form class="stack" [manErrors]="errors()" (ngSubmit)="found()" novalidate>
        <div class="two">
          @for (f of fields; track f.key) {
            <man-text
              [label]="f.label"
              [name]="f.key"
              [path]="f.key"
              [type]="f.type"
              [complete]="f.complete"
              [value]="form()[f.key]"
              (typed)="set(f.key, $event)"
            />
          }
        </div>
        <man-notice kind="warn" live="alert" [says]="trouble()" />
        <button type="submit" class="next">Open the salon</button>
      </form>
    </main>
  </div>`,
  styleUrl: './sign-in.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstRunPage {
  private readonly words = inject(Words);
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  protected readonly fields = FIELDS;
  protected readonly form = signal<FirstRunForm>({
    salonName: '',
    name: '',
    login: '',
    password: '',
    vetName: '',
    vetPhone: '',
    timeZone: HERE,
  });
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');

  protected set(key: keyof FirstRunForm, value: string): void {
    this.form.update((f) => ({ ...f, [key]: value }));
  }

  protected async found(): Promise<void> {
    const form = FIRST_RUN.safeParse(this.form());
    this.errors.set(errorsOf(this.words, form));
    this.trouble.set('');
    if (!form.success) return;
    const answer = await this.session.foundSalon(form.data);
    if (answer.ok) await this.router.navigateByUrl('/salon?first');
    else {
      this.trouble.set(sayFailure(this.words, answer.failure));
      this.errors.set(fieldErrors(this.words, answer.failure));
    }
  }
}
