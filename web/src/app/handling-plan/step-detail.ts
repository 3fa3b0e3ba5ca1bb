import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { HOLDS } from '@mansuet/core/knowledge/holds';
import { stretch } from '@mansuet/core/locales';
import type { PlanInput, PlannedStep, PlanWish, WhatIf } from '@mansuet/core/plan';
import { type BladeId, HOLD_IDS, type HoldId, type Reason } from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import { paintFound } from '../body-map/zone-paint';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { SelectField } from '../controls/select-field';
import { Latest } from '../planner/latest';
import { PlannerService, Superseded } from '../planner/planner.service';
import { VisitStore } from '../visit/visit-store';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { celsiusOf, mmOf, sizeOf } from '../wording/formats';

const CAUTIONS_FIRST = 2;
const OTHERS_SHOWN = 5;

/** One step of the plan: its cautions, hold and blade with reasons, why it lies here, what if it lay elsewhere, and what can be fixed. */
@Component({
  selector: 'man-step-detail',
  imports: [BodyMap, Notice, NumberField, SelectField],
  templateUrl: './step-detail.html',
  styleUrl: './step-detail.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepDetail {
  protected readonly celsius = celsiusOf;
  protected readonly mm = mmOf;
  private readonly words = inject(Words);
  private readonly planner = inject(PlannerService);
  protected readonly store = inject(VisitStore);
  readonly step = input.required<PlannedStep>();
  readonly place = input.required<number>();
  readonly count = input.required<number>();
  readonly asked = input.required<PlanInput>();
  readonly mayChange = input(false);
  readonly wished = output<PlanWish>();
  /** By how many places the step is moved. */
  readonly shifted = output<number>();

  protected readonly cap = (h: HoldId): string => stretch(this.words.language, HOLDS[h].capMinutes);
  protected readonly title = computed(() => this.words.stepOf(this.step()));
  protected readonly holdNames = this.words.labels.hold;
  protected readonly language = this.words.language;
  protected readonly blade = (id: BladeId): string => this.words.labels.blade[id];
  protected readonly round = Math.round;
  protected readonly first = CAUTIONS_FIRST;
  protected readonly ranges = RANGES;
  protected readonly whatIf = signal<readonly WhatIf[] | undefined>(undefined);
  /** The step for which the other places are asked: it stays asked when the plan is found better, or changes. */
  protected readonly asksFor = signal<string | undefined>(undefined);
  private readonly latest = new Latest();
  /** What the planner is working on: plans that come while it does not put it again. */
  private isAsking = '';
  protected readonly trouble = signal('');
  /** Holds that this dog may be held by: those that were refused for it are not offered. */
  protected readonly choices = computed(() => {
    const refused = this.step().hold.rejected.map((r) => r.hold);
    return HOLD_IDS.filter((h) => !refused.includes(h)).map((h) => ({ value: h, label: this.words.labels.hold[h] }));
  });
  /** The places of the step, in the order of the hands, with what differs between them. */
  protected readonly pieces = computed(() =>
    this.step().pieces.map((p) => ({
      id: p.id,
      place: this.words.labels.zone[p.place],
      cut: p.blade?.blade ? `${this.words.labels.blade[p.blade.blade]}, ${mmOf(p.blade.lengthMm)} ${p.blade.direction} the grain` : '',
      hurts: p.painfulMinutes > 0,
      marks: p.marks.map((m) => sizeOf(m.lengthMm, m.widthMm)).join(', '),
    })),
  );
  /** What else is known of the step: the reasons of its rate are said above. */
  protected readonly others = computed(() =>
    this.step()
      .reasons.filter((r) => !this.step().rate.reasons.includes(r))
      .slice(0, OTHERS_SHOWN),
  );
  protected readonly paint = computed(() => paintFound(this.store.state().feelOver, this.step().zones));

  constructor() {
    // Another step: what was asked of the last is over. Another plan: it is asked of that one.
    effect(() => {
      const step = this.step();
      const wanted = this.asksFor();
      const question = { kind: 'what_if', input: this.asked(), step: this.place() } as const;
      untracked(() => {
        const asks = wanted === step.id ? JSON.stringify(question) : '';
        if (asks !== '' && asks === this.isAsking) return;
        this.isAsking = asks;
        this.whatIf.set(undefined);
        this.trouble.set('');
        this.latest.next();
        if (asks !== '') this.answerWhatIf(question);
        else if (wanted !== undefined) this.asksFor.set(undefined);
      });
    });
  }

  protected say(reasons: readonly Reason[]): { text: string; source: string }[] {
    return reasons.map(this.words.withSource);
  }
  protected sentences(reasons: readonly Reason[]): string {
    return reasons.map(this.words.say).join(' ');
  }
  protected also(ids: readonly HoldId[]): string {
    return ids.map((h) => ` + ${this.words.labels.hold[h]}`).join('');
  }
  /** What cannot be, one line for all places that fail for the same reason. */
  protected readonly ifs = computed(() => {
    const lines: { places: number[]; text: string; possible: boolean }[] = [];
    for (const w of this.whatIf() ?? []) {
      const text = this.sentences(w.says);
      const same = lines.find((l) => l.text === text && !l.possible && w.would === undefined);
      if (same) same.places.push(w.place + 1);
      else lines.push({ places: [w.place + 1], text, possible: w.would !== undefined });
    }
    return lines.map((l) => ({
      ...l,
      at: l.places.length > 1 ? `${l.places[0] ?? ''} to ${l.places.at(-1) ?? ''}` : `${l.places[0] ?? ''}`,
    }));
  });
  private answerWhatIf(question: { readonly kind: 'what_if'; readonly input: PlanInput; readonly step: number }): void {
    this.latest.hear(
      this.planner.ask(question),
      (answer) => {
        this.isAsking = '';
        this.whatIf.set(answer);
      },
      (error) => {
        this.isAsking = '';
        if (!(error instanceof Superseded)) this.trouble.set('That could not be worked out. Load the page again; nothing entered is lost.');
      },
    );
  }
  protected setMinutes(minutes: number | null): void {
    if (minutes !== null && minutes !== this.step().minutes) this.wished.emit({ kind: 'minutes', step: this.step().id, minutes });
  }
  protected setHold(hold: HoldId | null): void {
    if (hold && hold !== this.step().hold.hold) this.wished.emit({ kind: 'hold', step: this.step().id, hold });
  }
  protected leaveOut(): void {
    this.wished.emit({ kind: 'forbid', step: this.step().id });
  }
}
