import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Person, PERSON_FORM, type PersonForm } from '@mansuet/core/contract';
import { HAND_WORK, ROLES } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { DaysOffList } from '../salon/days-off';
import { KeptForm } from '../controls/kept-form';
import { WeekHours } from '../salon/week-hours';
import { SessionService } from '../server/session.service';
import { kgOf } from '../wording/formats';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { PeopleService } from './people-service';

const NEW_BREAK = { minutes: 30, from: '12:00', to: '13:00' } as const;

/** What the lead says of somebody: role, training, hours, breaks, days off, and what they do not do, never why. */
@Component({
  selector: 'man-person-form',
  imports: [ChoiceGroup, DaysOffList, FormErrors, FormsModule, Notice, NumberField, TextField, Toggle, WeekHours],
  templateUrl: './person-form.html',
  styleUrl: './person-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PersonFormPanel {
  private readonly words = inject(Words);
  private readonly people = inject(PeopleService);
  private readonly session = inject(SessionService);
  readonly person = input.required<Person>();
  readonly kept = output();
  protected readonly form = new KeptForm();
  protected readonly ranges = RANGES;
  protected readonly roles = choicesOf(ROLES, this.words.labels.role);
  protected readonly free = $localize`:@@person.free:free`;
  protected readonly now = linkedSignal<PersonForm>(() => {
    const { name, role, trained, week, breaks, off, limits, version } = this.person();
    return { name, role, trained, week, breaks, off, limits, version };
  });
  protected readonly opening = computed(() => this.session.signedIn()?.salon.opening.week ?? []);

  /** What they want less of than the house's limit; empty where they said nothing. */
  protected readonly ownHands = computed(() => {
    const { hands } = this.person();
    return HAND_WORK.flatMap((work) => {
      const most = hands[work];
      if (most === null) return [];
      return [`${this.words.heading('handWork', work)} ${work === 'lifted' ? kgOf(most) : `${most} min`}`];
    }).join(', ');
  });

  protected set(part: Partial<PersonForm>): void {
    this.now.update((n) => ({ ...n, ...part }));
  }
  protected limit(part: Partial<PersonForm['limits']>): void {
    this.now.update((n) => ({ ...n, limits: { ...n.limits, ...part } }));
  }
  protected setBreak(at: number, part: Partial<PersonForm['breaks'][number]>): void {
    this.set({ breaks: this.now().breaks.map((b, i) => (i === at ? { ...b, ...part } : b)) });
  }
  protected addBreak(): void {
    this.set({ breaks: [...this.now().breaks, NEW_BREAK] });
  }
  protected removeBreak(at: number): void {
    this.set({ breaks: this.now().breaks.filter((_, i) => i !== at) });
  }
  protected sayRemoveBreak(at: number): string {
    return $localize`:@@person.removeBreak:Remove break ${at + 1}:nr:`;
  }
  protected async keep(): Promise<void> {
    const { staffId, name } = this.person();
    const says = $localize`:@@person.kept:Kept for ${name}:name:.`;
    if (await this.form.keep(PERSON_FORM, this.now(), (f) => this.people.change(staffId, f), says)) this.kept.emit();
  }
}
