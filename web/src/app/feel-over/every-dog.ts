import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { secondNumberMissing } from '@mansuet/core/agreement';
import type { EventBody } from '@mansuet/core/log';
import { dogAsFelt } from '@mansuet/core/visit';
import { type Guarded, GUARDED, LIES_ON } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { Notice } from '../controls/notice';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** What is asked of every dog before a hand is on it: one tap for a dog that is known, one by one for what nobody has asked. */
@Component({
  selector: 'man-every-dog',
  imports: [ChoiceGroup, Choices, Notice],
  templateUrl: './every-dog.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EveryDog {
  private readonly words = inject(Words);
  protected readonly store = inject(VisitStore);
  protected readonly unfolded = signal(false);
  protected readonly yesNo: readonly Choice<boolean>[] = [
    { value: true, label: 'yes' },
    { value: false, label: 'no' },
  ];
  protected readonly sides = choicesOf(LIES_ON, this.words.labels.liesOn);
  protected readonly guarded = choicesOf(GUARDED, this.words.labels.guarded);

  protected readonly asked = computed(() => this.store.state().dogAsked !== undefined);
  /** The file, what earlier visits were told, and what was said today. */
  protected readonly now = computed(() => {
    const dog = this.store.planContext()?.dog;
    const { muzzleUsed, soreWhenLifted, liesOn, guards, slipsCollar } = (dog && dogAsFelt(this.store.state(), dog)) ?? {};
    return { muzzleUsed, soreWhenLifted, liesOn, guards: guards ?? [], slipsCollar };
  });
  /** What nobody has answered yet, in words. */
  protected readonly open = computed(() => {
    const n = this.now();
    return [
      ...(typeof n.muzzleUsed === 'boolean' ? [] : ['is it used to a muzzle']),
      ...(typeof n.soreWhenLifted === 'boolean' ? [] : ['is it sore when lifted']),
      ...(n.liesOn ? [] : ['on which side it lies']),
      ...(typeof n.slipsCollar === 'boolean' ? [] : ['does it slip its collar']),
    ];
  });
  protected readonly sum = computed(() => {
    const n = this.now();
    return [
      typeof n.muzzleUsed === 'boolean' ? (n.muzzleUsed ? 'used to a muzzle' : 'not used to a muzzle') : '',
      typeof n.soreWhenLifted === 'boolean' ? (n.soreWhenLifted ? 'sore when lifted' : 'lifts well') : '',
      n.liesOn ? `lies on ${this.words.labels.liesOn[n.liesOn]}` : '',
      n.slipsCollar === true ? 'slips its collar' : '',
      ...n.guards.map((g) => `guards ${this.words.labels.guarded[g]}`),
    ]
      .filter((x) => x !== '')
      .join(' · ');
  });
  protected readonly oneNumber = computed(() => {
    const file = this.store.context()?.file;
    return file !== undefined && secondNumberMissing(file.owner, this.store.state().consents.get('vet_emergency')?.secondPhone);
  });

  protected confirm(): void {
    this.answer({});
  }
  protected answer(body: EventBody<'dog_asked'>): void {
    void this.store.record({ type: 'dog_asked', body });
  }
  protected toggleGuarded(what: Guarded): void {
    const { guards } = this.now();
    this.answer({ guards: guards.includes(what) ? guards.filter((g) => g !== what) : [...guards, what] });
  }
}
