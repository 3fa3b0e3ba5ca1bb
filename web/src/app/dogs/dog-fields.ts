import { ChangeDetectionStrategy, Component, computed, inject, input, model, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { birthDateProblem, type DogForm, lifeStage, readWeight, weightQuestion } from '@mansuet/core/knowledge/dogs';
import {
  type Condition,
  CONDITIONS,
  type Saying,
  SIZES,
  TRIGGER_CAUSES,
  type TriggerCause,
  ZONE_GROUPS,
  type ZoneGroup,
} from '@mansuet/core/words';
import { FieldError } from '../forms/field-error';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

/** A question about a weight that is still open; `undefined` when it is believed. */
export function openQuestion(dog: DogForm, beforeKg: number | undefined, today: string): Saying | undefined {
  if (dog.weightKg <= 0) return undefined;
  return weightQuestion(dog, beforeKg, dog.born === '' || lifeStage(dog, today) !== 'puppy');
}

/** The facts of a dog as fields: for the salon's own form, the owner's page and the review of what the owner wrote. */
@Component({
  selector: 'man-dog-fields',
  imports: [FormsModule, NzInputModule, NzSelectModule, FieldError],
  templateUrl: './dog-fields.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'stack' },
})
export class DogFields {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  readonly dog = model.required<DogForm>();
  readonly errors = input<ReadonlyMap<string, string>>(new Map());
  /** The last weight known, kg. */
  readonly beforeKg = input<number | undefined>();
  /** The weight was asked back about and is right. */
  readonly sure = input(false);
  readonly sureChange = output<boolean>();
  /** The owner's page asks about bites in its own words. */
  readonly ofOwner = input(false);

  protected readonly sizes = SIZES;
  protected readonly groups = ZONE_GROUPS;
  protected readonly labels = this.words.labels;
  protected readonly choices = [
    { key: 'sex', label: 'Sex', of: Object.entries(this.labels.sex) },
    { key: 'coat', label: 'Coat', of: Object.entries(this.labels.coat) },
    { key: 'nose', label: 'Nose', of: Object.entries(this.labels.nose) },
    { key: 'ears', label: 'Ears', of: Object.entries(this.labels.earSet) },
    { key: 'tail', label: 'Tail', of: Object.entries(this.labels.tailSet) },
    { key: 'build', label: 'Build', of: Object.entries(this.labels.build) },
  ] as const;
  protected readonly sureness = [
    { months: 0, label: 'known' },
    { months: 2, label: '± 2 months' },
    { months: 6, label: '± half a year' },
    { months: 18, label: '± 1½ years' },
  ] as const;
  protected readonly flags = computed(() =>
    this.ofOwner()
      ? ([
          { key: 'neutered', label: 'Neutered' },
          { key: 'treatsAllowed', label: 'Treats are allowed' },
        ] as const)
      : ([
          { key: 'neutered', label: 'Neutered' },
          { key: 'treatsAllowed', label: 'Owner allows treats' },
          { key: 'biteHistory', label: 'Has bitten while handled' },
        ] as const),
  );
  protected readonly conditions = CONDITIONS;
  protected readonly causes = TRIGGER_CAUSES;
  private readonly typedWeight = signal<string | undefined>(undefined);
  protected readonly weightText = computed(() => this.typedWeight() ?? (this.dog().weightKg > 0 ? String(this.dog().weightKg) : ''));
  /** What was understood, when it was not plain kilograms. */
  protected readonly weightRead = computed(() => {
    const typed = this.typedWeight();
    if (typed === undefined || typed.trim() === '' || /^[\d.,\s]*$/.test(typed)) return '';
    const kg = readWeight(typed);
    return kg === undefined ? 'This is not a weight: 7.5, 7500 g or 16 lb.' : `${kg} kg`;
  });
  protected readonly question = computed(() => {
    const question = openQuestion(this.dog(), this.beforeKg(), this.clock.today());
    return question && this.words.say(question);
  });
  protected readonly age = computed(() => {
    const { born, bornWithinMonths } = this.dog();
    if (!born || birthDateProblem(born, this.clock.today())) return '';
    return `${bornWithinMonths > 0 ? 'about ' : ''}${this.words.age(born, this.clock.today())}`;
  });
  protected readonly triggers = computed(() => new Set(this.dog().triggers.map((t) => t.cause)));

  protected set<K extends keyof DogForm>(key: K, value: DogForm[K]): void {
    this.dog.update((d) => ({ ...d, [key]: value }));
  }
  protected setSure(months: number): void {
    this.dog.update((d) => ({ ...d, bornWithinMonths: months, bornEstimated: months > 0 }));
  }
  protected setWeight(text: string): void {
    this.typedWeight.set(text);
    this.sureChange.emit(false);
    this.set('weightKg', readWeight(text) ?? 0);
  }
  protected setList(key: 'medicines' | 'productAllergies', text: string): void {
    this.set(
      key,
      text
        .split(',')
        .map((t) => t.trim())
        .filter((t) => t !== ''),
    );
  }
  protected toggleCondition(c: Condition): void {
    const now = this.dog().conditions;
    this.set('conditions', now.includes(c) ? now.filter((x) => x !== c) : [...now, c]);
  }
  /** One place for each cause, or anywhere. */
  protected setPlace(cause: TriggerCause, place: ZoneGroup | null): void {
    this.set(
      'triggers',
      this.dog().triggers.map((t) => (t.cause === cause ? { cause, ...(place ? { place } : {}) } : t)),
    );
  }
  protected toggleTrigger(cause: TriggerCause): void {
    const now = this.dog().triggers;
    const has = now.some((t) => t.cause === cause);
    this.set('triggers', has ? now.filter((t) => t.cause !== cause) : [...now, { cause }]);
  }
}
