import { ChangeDetectionStrategy, Component, input, model, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { OwnerForm } from '@mansuet/core/contract';
import { CONTACT_ROLES } from '@mansuet/core/words';
import { FieldError } from '../forms/field-error';
import { Words } from '../wording/words.service';

export const EMPTY_OWNER: OwnerForm = { name: '', phone: '', email: '', contacts: [] };
type Contact = OwnerForm['contacts'][number];

/** Owner and whom else to ring. */
@Component({
  selector: 'man-owner-fields',
  imports: [FormsModule, NzInputModule, FieldError],
  template: `<fieldset class="panel">
    <legend>{{ legend() }}</legend>
    <div class="grid">
      <label class="field"
        >Name
        <input
          nz-input
          name="ownerName"
          autocomplete="off"
          [ngModel]="owner().name"
          (ngModelChange)="set('name', $event)"
          [attr.aria-invalid]="errors().has('owner.name')"
        />
        <man-field-error [message]="errors().get('owner.name')" />
      </label>
      <label class="field"
        >Phone
        <input
          nz-input
          type="tel"
          name="phone"
          autocomplete="off"
          [ngModel]="owner().phone"
          (ngModelChange)="set('phone', $event)"
          [attr.aria-invalid]="errors().has('owner.phone')"
        />
        <man-field-error [message]="errors().get('owner.phone')" />
      </label>
      <label class="field"
        >E-mail
        <input
          nz-input
          type="email"
          name="email"
          autocomplete="off"
          [ngModel]="owner().email"
          (ngModelChange)="set('email', $event)"
          [attr.aria-invalid]="errors().has('owner.email')"
        />
        <man-field-error [message]="errors().get('owner.email')" />
      </label>
    </div>
    @for (c of owner().contacts; track $index; let i = $index) {
      <div class="contact">
        <label class="field"
          >Contact’s name
          <input nz-input [name]="'contact' + i" autocomplete="off" [ngModel]="c.name" (ngModelChange)="change(i, { name: $event })" />
          <man-field-error [message]="errors().get('owner.contacts.' + i + '.name')" />
        </label>
        <label class="field"
          >Contact’s phone
          <input
            nz-input
            type="tel"
            [name]="'contactPhone' + i"
            autocomplete="off"
            [ngModel]="c.phone"
            (ngModelChange)="change(i, { phone: $event })"
          />
          <man-field-error [message]="errors().get('owner.contacts.' + i + '.phone')" />
        </label>
        <div class="row">
          @for (r of roles; track r) {
            <button type="button" class="chip tiny" [attr.aria-pressed]="c.role === r" (click)="change(i, { role: r })">
              {{ roleLabels[r] }}
            </button>
          }
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
  readonly errors = input<ReadonlyMap<string, string>>(new Map());
  readonly legend = input('Owner');
  protected readonly roles = CONTACT_ROLES;
  protected readonly roleLabels = this.words.labels.contactRole;

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
