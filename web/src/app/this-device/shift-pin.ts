import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { FormErrors } from '../controls/form-errors';
import { TextField } from '../controls/text-field';
import { KeyRing } from './key-ring';

const LEAST = 4;
const MOST = 8;

/** Sets or removes the PIN of the shift. */
@Component({
  selector: 'man-shift-pin',
  imports: [FormErrors, FormsModule, RouterLink, TextField],
  template: `<p class="quiet apart" i18n="@@pin.what">
      One PIN for this tablet and this shift, for everybody who works with it. It is asked for after a start and after Lock, also without a
      network. It keeps out who picks the tablet up, and no thief who has time.
    </p>
    <form class="stack" [manErrors]="errors()" (ngSubmit)="set()" novalidate>
      <man-text
        label="New PIN, 4 to 8 digits"
        i18n-label="@@pin.new"
        name="pin"
        path="pin"
        type="password"
        inputmode="numeric"
        [most]="8"
        [value]="pin()"
        (typed)="pin.set($event)"
      />
      <man-text
        label="The same again"
        i18n-label="@@pin.again"
        name="again"
        path="again"
        type="password"
        inputmode="numeric"
        [most]="8"
        [value]="again()"
        (typed)="again.set($event)"
      />
      <button type="submit" class="next" i18n="@@pin.set">Set the PIN</button>
      @if (ring.hasPin()) {
        <button type="button" class="plain" (click)="remove()" i18n="@@pin.remove">Remove it</button>
      }
    </form>
    <p class="below">
      <a routerLink="/rights" (click)="done.emit()" i18n="@@pin.rights">Devices that may send entries</a>
    </p>`,
  styles: '.apart { margin-bottom: 12px; } .below { margin-top: 20px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShiftPin {
  protected readonly ring = inject(KeyRing);
  readonly done = output();
  protected readonly pin = signal('');
  protected readonly again = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());

  protected async set(): Promise<void> {
    const wrong = new Map<string, string>();
    if (!/^\d+$/.test(this.pin()) || this.pin().length < LEAST || this.pin().length > MOST)
      wrong.set('pin', $localize`:@@pin.digits:Give 4 to 8 digits.`);
    else if (this.again() !== this.pin()) wrong.set('again', $localize`:@@pin.differs:These two differ.`);
    this.errors.set(wrong);
    if (wrong.size > 0) return;
    await this.ring.setPin(this.pin());
    this.done.emit();
  }

  protected async remove(): Promise<void> {
    await this.ring.removePin();
    this.done.emit();
  }
}
