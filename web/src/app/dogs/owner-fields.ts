import { ChangeDetectionStrategy, Component, input, model, inject } from '@angular/core';
import type { OwnerForm } from '@mansuet/core/contract';
import { CONTACT_ROLES } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { TextField } from '../controls/text-field';
import { Words } from '../wording/words.service';

export const EMPTY_OWNER: OwnerForm = { name: '', phone: '', email: '', contacts: [] };
type Contact = OwnerForm['contacts'][number];

/** Owner and whom else to ring. */
@Component({
  selector: 'man-owner-fields',
  imports: [ChoiceGroup, TextField],
  template: `<fieldset class="panel">
    <legend>{{ legend() }}</legend>
    <div class="grid">
      <man-text label="Name" name="ownerName" path="owner.name" [value]="owner().name" (typed)="set('name', $event)" />
      <man-text label="Phone" name="phone" type="tel" path="owner.phone" [value]="owner().phone" (typed)="set('phone', $event)" />
      <man-text label="E-mail" name="email" type="email" path="owner.email" [value]="owner().email" (typed)="set('email', $event)" />
    </div>
    @for (c of owner().contacts; track $index; let i = $index) {
      <div class="contact">
        <man-text
          label="Contact’s name"
          [name]="'contact' + i"
          [path]="'owner.contacts.' + i + '.name'"
          [value]="c.name"
          (typed)="change(i, { name: $event })"
        />
        <man-text
          label="Contact’s phone"
          [name]="'contactPhone' + i"
          type="tel"
          [path]="'owner.contacts.' + i + '.phone'"
          [value]="c.phone"
          (typed)="change(i, { phone: $event })"
        />
        <div class="row">
          <man-choice label="Who this is" size="tiny" [of]="roles" [value]="c.role" (chosen)="change(i, { role: $event })" />
          <button type="button" class="plain tiny" (click)="remove(i)">Take away</button>
        </div>
      </div>
    }
    @if (owner().contacts.length < 6) {
      <button type="button" class="plain tiny" (click)="add()">Another contact</button>
    }
  </fieldset>`,
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerFields {
  private readonly words = inject(Words);
  readonly owner = model.required<OwnerForm>();
  readonly legend = input('Owner');
  protected readonly roles = choicesOf(CONTACT_ROLES, this.words.labels.contactRole);

  protected set(key: 'name' | 'phone' | 'email', value: string): void {
    this.owner.update((o) => ({ ...o, [key]: value }));
  }
  protected add(): void {
    this.owner.update((o) => ({ ...o, contacts: [...o.contacts, { name: '', phone: '', role: 'emergency' }] }));
  }
  protected change(i: number, change: Partial<Contact>): void {
    this.owner.update((o) => ({ ...o, contacts: o.contacts.map((c, n) => (n === i ? { ...c, ...change } : c)) }));
  }
  protected remove(i: number): void {
    this.owner.update((o) => ({ ...o, contacts: o.contacts.filter((_, n) => n !== i) }));
  }
}
