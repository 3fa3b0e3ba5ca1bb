import { ChangeDetectionStrategy, Component, computed, input, output, signal, inject } from '@angular/core';
import { answerResistance, BLADES, chooseBlade } from '@mansuet/core/knowledge/blades';
import type { KindFound } from '@mansuet/core/knowledge/dogs';
import { bladeQuestion, competenceOf, type PlanInput } from '@mansuet/core/plan';
import { type Activity, type BladeId, RESISTANCE_CAUSES, type ResistanceCause, type ZoneId } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { Words } from '../wording/words.service';
import { mmOf } from '../wording/formats';

/** Touch, swap or change the blade. Blades that are banned in the lit zones say why and cannot be chosen. */
@Component({
  selector: 'man-blade-picker',
  imports: [ChoiceGroup, Notice],
  template: `<div class="stack">
    @if (blade(); as b) {
      <h3>{{ name(b) }} on the inner wrist is</h3>
      <div class="row">
        <button type="button" class="chip big" (click)="touched.emit('cool')">cool</button>
        <button type="button" class="chip big" (click)="touched.emit('warm')">warm</button>
        <button type="button" class="chip big" (click)="touched.emit('hot')">hot</button>
      </div>
      <div class="row">
        <button type="button" class="plain" (click)="used.emit({ blade: b, cool: true })">Swapped for a cool {{ name(b) }}</button>
        <button type="button" class="plain" (click)="sprayed.emit()" i18n="@@blade.sprayed">Cooled with spray</button>
      </div>
    }
    @if (blade()) {
      <man-choice
        label="It does not go on?"
        shown
        layout="list"
        [of]="causes"
        [value]="cause()"
        (chosen)="cause.set($event); stopped.emit($event)"
      />
      @if (answer(); as a) {
        <man-notice live="status">
          @for (line of a.says; track $index) {
            <p>{{ line }}</p>
          }
          @if (a.next; as next) {
            <button type="button" class="plain" (click)="used.emit({ blade: next, cool: false })">Take {{ name(next) }}</button>
          }
        </man-notice>
      }
    }
    <man-choice
      label="Another blade"
      shown
      layout="list"
      [of]="choices()"
      [value]="blade()"
      (chosen)="used.emit({ blade: $event, cool: false })"
    />
    <button type="button" class="plain" (click)="used.emit({ blade: null, cool: false })">No blade</button>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BladePicker {
  private readonly words = inject(Words);
  readonly blade = input<BladeId | undefined>();
  readonly zones = input<readonly ZoneId[]>([]);
  readonly step = input<Activity | undefined>();
  /** What the plan is made from: skin, mats, marks, hands, drawer, house rules. */
  readonly input = input<PlanInput | undefined>();
  readonly kinds = input<readonly KindFound[]>([]);
  readonly used = output<{ blade: BladeId | null; cool: boolean }>();
  readonly sprayed = output();
  /** It does not go on, and why. */
  readonly stopped = output<ResistanceCause>();
  readonly touched = output<'cool' | 'warm' | 'hot'>();
  protected readonly name = (id: BladeId): string => this.words.labels.blade[id];

  protected readonly causes = choicesOf(RESISTANCE_CAUSES, this.words.labels.resistance);
  /** Why it does not go on, as the hands say. */
  protected readonly cause = signal<ResistanceCause | undefined>(undefined);

  protected readonly choices = computed<readonly Choice<BladeId>[]>(() => {
    const from = this.input();
    const answers = from
      ? this.zones().map((zone) => chooseBlade(bladeQuestion(zone, this.step() ?? 'sanitary', from, this.kinds(), true)))
      : [];
    return (from?.drawer ?? BLADES).map((b) => {
      const ban = answers.flatMap((a) => a.rejected.filter((r) => r.blade === b.id && r.because.rule !== 'blade.further_from_wanted'))[0];
      return {
        value: b.id,
        label: this.words.labels.blade[b.id],
        detail: ban ? this.words.say(ban.because) : mmOf(b.lengthMm),
        disabled: ban !== undefined,
      };
    });
  });

  protected readonly answer = computed(() => {
    const cause = this.cause();
    const blade = this.blade();
    const zone = this.zones()[0];
    if (!cause || !blade || !zone) return undefined;
    const a = answerResistance({ cause, zone, blade, competence: competenceOf(this.input()?.trained ?? false) });
    return { says: a.reasons.map(this.words.say), next: a.next };
  });
}
