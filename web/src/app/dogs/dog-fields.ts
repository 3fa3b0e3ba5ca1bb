import { ChangeDetectionStrategy, Component, computed, inject, input, model, output, signal } from '@angular/core';
import { inMeasure, unitFor } from '@mansuet/core/locales';
import { birthDateProblem, type DogForm, lifeStage, readWeight, weightQuestion } from '@mansuet/core/knowledge/dogs';
import {
  BUILDS,
  COATS,
  type Condition,
  CONDITIONS,
  EAR_SETS,
  NOSES,
  type Saying,
  SEXES,
  SIZES,
  TAIL_SETS,
  TRIGGER_CAUSES,
  type TriggerCause,
  ZONE_GROUPS,
  type ZoneGroup,
} from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { DateField } from '../controls/date-field';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { HandlingFields } from './handling-fields';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';
import { FORMATS, kgOf } from '../wording/formats';

/** A question about a weight that is still open; `undefined` when it is believed. */
export function openQuestion(dog: DogForm, beforeKg: number | undefined, today: string): Saying | undefined {
  if (dog.weightKg <= 0) return undefined;
  return weightQuestion(dog, beforeKg, dog.born === '' || lifeStage(dog, today) !== 'puppy');
}

const FLAGS = ['neutered', 'treatsAllowed', 'biteHistory'] as const;
type Flag = (typeof FLAGS)[number];

/** The facts of a dog as fields: for the salon's own form, the owner's page and the review of what the owner wrote. */
@Component({
  selector: 'man-dog-fields',
  imports: [ChoiceGroup, Choices, DateField, HandlingFields, Notice, SelectField, TextField, Toggle],
  templateUrl: './dog-fields.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'stack' },
})
export class DogFields {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  readonly dog = model.required<DogForm>();
  /** The last weight known, kg. */
  readonly beforeKg = input<number | undefined>();
  /** The weight was asked back about and is right. */
  readonly sure = input(false);
  readonly sureChange = output<boolean>();
  /** The owner's page asks about bites in its own words. */
  readonly ofOwner = input(false);

  protected readonly labels = this.words.labels;
  protected readonly sizes = choicesOf(SIZES, this.labels.dogSize);
  protected readonly groups = choicesOf(ZONE_GROUPS, this.labels.zoneGroup);
  protected readonly choices = [
    { key: 'sex', label: 'Sex', of: choicesOf(SEXES, this.labels.sex) },
    { key: 'coat', label: 'Coat', of: choicesOf(COATS, this.labels.coat) },
    { key: 'nose', label: 'Nose', of: choicesOf(NOSES, this.labels.nose) },
    { key: 'ears', label: 'Ears', of: choicesOf(EAR_SETS, this.labels.earSet) },
    { key: 'tail', label: 'Tail', of: choicesOf(TAIL_SETS, this.labels.tailSet) },
    { key: 'build', label: 'Build', of: choicesOf(BUILDS, this.labels.build) },
  ] as const;
  protected readonly sureness = [
    { value: 0, label: 'known' },
    { value: 2, label: '± 2 months' },
    { value: 6, label: '± half a year' },
    { value: 18, label: '± 1½ years' },
  ] as const;
  protected readonly flags = computed<readonly Choice<Flag>[]>(() =>
    this.ofOwner()
      ? [
          { value: 'neutered', label: 'Neutered' },
          { value: 'treatsAllowed', label: 'Treats are allowed' },
        ]
      : [
          { value: 'neutered', label: 'Neutered' },
          { value: 'treatsAllowed', label: 'Owner allows treats' },
          { value: 'biteHistory', label: 'Has bitten while handled' },
        ],
  );
  protected readonly flagsOn = computed(() => FLAGS.filter((f) => this.dog()[f]));
  protected readonly conditions = choicesOf(CONDITIONS, this.labels.condition);
  protected readonly causes = choicesOf(TRIGGER_CAUSES, this.labels.cause);
  private readonly typedWeight = signal<string | undefined>(undefined);
  protected readonly weightText = computed(
    () => this.typedWeight() ?? (this.dog().weightKg > 0 ? inMeasure(this.dog().weightKg, 'kg', FORMATS()) : ''),
  );
  protected readonly weightLabel = computed(() => `Weight, ${unitFor('kg', FORMATS()).sign}`);
  /** What was understood, when it was no plain number. */
  protected readonly weightRead = computed(() => {
    const typed = this.typedWeight();
    if (typed === undefined || typed.trim() === '' || /^[\d.,\s]*$/.test(typed)) return '';
    const kg = readWeight(typed, FORMATS().weight);
    return kg === undefined ? 'This is not a weight: 7.5 kg, 7500 g or 16 lb.' : kgOf(kg);
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
  /** A fact that is always one of its choices. */
  protected pick<K extends 'sex' | 'coat' | 'nose' | 'ears' | 'tail' | 'build'>(key: K, value: DogForm[K] | null): void {
    if (value !== null) this.set(key, value);
  }
  protected setSure(months: number): void {
    this.dog.update((d) => ({ ...d, bornWithinMonths: months, bornEstimated: months > 0 }));
  }
  protected setWeight(text: string): void {
    this.typedWeight.set(text);
    this.sureChange.emit(false);
    this.set('weightKg', readWeight(text, FORMATS().weight) ?? 0);
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
