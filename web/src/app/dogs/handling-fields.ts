import { ChangeDetectionStrategy, Component, inject, input, model } from '@angular/core';
import type { DogForm } from '@mansuet/core/knowledge/dogs';
import {
  GROOMED_BY,
  type Guarded,
  GUARDED,
  INJURY_KINDS,
  LIES_ON,
  type LiesOn,
  type ResentedPlace,
  RESENTED_PLACES,
  type Warning,
  WARNINGS,
  ZONE_IDS,
} from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { DateField } from '../controls/date-field';
import { SelectField } from '../controls/select-field';
import { Toggle } from '../controls/toggle';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

/** How a dog bears being handled, who had its coat the last time, and how it was hurt before. "Not asked" is an answer of its own. */
@Component({
  selector: 'man-handling-fields',
  imports: [ChoiceGroup, Choices, DateField, SelectField, Toggle],
  templateUrl: './handling-fields.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'stack' },
})
export class HandlingFields {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  readonly dog = model.required<DogForm>();
  /** The owner's page asks about bites in its own words, and knows no "here". */
  readonly ofOwner = input(false);

  private readonly labels = this.words.labels;
  protected readonly places = choicesOf(RESENTED_PLACES, this.labels.resented);
  protected readonly guarded = choicesOf(GUARDED, this.labels.guarded);
  protected readonly groomedBy = choicesOf(GROOMED_BY, this.labels.groomedBy);
  protected readonly warnings = choicesOf(WARNINGS, this.labels.warning);
  protected readonly injuryKinds = choicesOf(INJURY_KINDS, this.labels.injury);
  protected readonly zones = choicesOf(ZONE_IDS, this.labels.zone);
  protected readonly yesNo: readonly Choice<boolean | null>[] = [
    { value: true, label: 'yes' },
    { value: false, label: 'no' },
    { value: null, label: 'not asked' },
  ];
  protected readonly sides: readonly Choice<LiesOn | null>[] = [
    ...choicesOf(LIES_ON, this.labels.liesOn),
    { value: null, label: 'not asked' },
  ];

  protected set<K extends keyof DogForm>(key: K, value: DogForm[K]): void {
    this.dog.update((d) => ({ ...d, [key]: value }));
  }
  protected toggleResented(place: ResentedPlace): void {
    const now = this.dog().resents;
    this.set('resents', now.includes(place) ? now.filter((x) => x !== place) : [...now, place]);
  }
  protected toggleGuarded(what: Guarded): void {
    const now = this.dog().guards;
    this.set('guards', now.includes(what) ? now.filter((x) => x !== what) : [...now, what]);
  }
  protected setWarned(what: Warning | null): void {
    this.set('warned', what && { what, on: this.dog().warned?.on ?? this.clock.today() });
  }
  protected addInjury(): void {
    this.set('injuries', [...this.dog().injuries, { kind: 'burn', zone: null, on: null, here: false }]);
  }
  protected setInjury(at: number, change: Partial<DogForm['injuries'][number]>): void {
    this.set(
      'injuries',
      this.dog().injuries.map((i, n) => (n === at ? { ...i, ...change } : i)),
    );
  }
  protected removeInjury(at: number): void {
    this.set(
      'injuries',
      this.dog().injuries.filter((_, n) => n !== at),
    );
  }
}
