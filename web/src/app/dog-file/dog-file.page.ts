import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DOG_FILE, DOG_NOTE_FORM, NEW_ID, type DogFile, type DogNoteForm } from '@mansuet/core/contract';
import { FieldError } from '../forms/field-error';
import { errorsOf } from '../forms/errors-of';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { DogFileView } from './dog-file-view';

/** The file outside a visit: read, change, add a card, book. */
@Component({
  selector: 'man-dog-file',
  imports: [DogFileView, RouterLink, FormsModule, NzInputModule, FieldError],
  template: `<div class="matter">
    <div class="body stack">
      @if (file(); as f) {
        <div class="row">
          <h1>{{ f.dog.name }}</h1>
          @if (session.may('edit_dog')) {
            <a class="plain" [routerLink]="['/dogs', f.dogId, 'edit']">Change the facts</a>
          }
        </div>
        <man-dog-file-view [file]="f" [today]="clock.today()" />
        <form class="panel stack" (ngSubmit)="add()" novalidate>
          <h2>Add a card</h2>
          <div class="row">
            @for (k of kinds; track k.id) {
              <button type="button" class="chip" [attr.aria-pressed]="kind() === k.id" (click)="kind.set(k.id)">{{ k.label }}</button>
            }
          </div>
          <label class="field"
            >What you saw <textarea nz-input name="text" rows="2" [ngModel]="text()" (ngModelChange)="text.set($event)"></textarea>
            <man-field-error [message]="errors().get('text')" />
          </label>
          <div class="row"><button type="submit" class="plain">Add the card</button></div>
        </form>
      }
      @if (trouble()) {
        <p class="warn" role="alert">{{ trouble() }}</p>
      }
    </div>
    <div class="foot">
      @if (session.may('book') && file()) {
        <a class="next" [routerLink]="['/dogs', dogId(), 'book']">Book a visit</a>
      }
    </div>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFilePage {
  private readonly api = inject(ApiService);
  protected readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  readonly dogId = input.required<string>();
  protected readonly file = signal<DogFile | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly kind = signal<DogNoteForm['kind']>('works');
  protected readonly text = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly kinds = [
    { id: 'works', label: 'What works' },
    { id: 'avoid', label: 'What to avoid' },
    { id: 'injury', label: 'Hurt before' },
  ] as const;

  constructor() {
    effect(() => void this.load(this.dogId()));
  }

  private async load(id: string): Promise<void> {
    const answer = await this.api.get(`/dogs/${id}`, DOG_FILE);
    if (answer.ok) this.file.set(answer.value);
    else this.trouble.set(sayFailure(answer.failure));
  }

  protected async add(): Promise<void> {
    const note = DOG_NOTE_FORM.safeParse({ kind: this.kind(), text: this.text(), saidBy: this.session.signedIn()?.staff.name ?? '' });
    this.errors.set(errorsOf(note));
    this.trouble.set('');
    if (!note.success) return;
    const answer = await this.api.send('POST', `/dogs/${this.dogId()}/notes`, note.data, NEW_ID);
    if (!answer.ok) {
      this.trouble.set(sayFailure(answer.failure));
      return;
    }
    this.text.set('');
    await this.load(this.dogId());
  }
}
