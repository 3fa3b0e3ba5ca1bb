import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop, type CdkDragSortEvent } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideGripVertical, lucidePin } from '@ng-icons/lucide';
import {
  type HandlingPlan,
  isMeant,
  isPreference,
  moved,
  nameIn,
  type NotPlanned,
  type PlannedStep,
  type PlanWish,
  rulesBroken,
} from '@mansuet/core/plan';
import { type BladeId, type HoldId, type Reason, reason, type StepId, type ZoneId } from '@mansuet/core/words';
import type { OrderRule } from '@mansuet/core/work';
import { Notice } from '../controls/notice';
import { aboutMinutes } from '../wording/time';
import { BreakLine } from './break-line';
import { Words } from '../wording/words.service';

/** A step that was put elsewhere: it comes after one step and before another. */
export interface Placed {
  readonly step: StepId;
  readonly after: StepId | undefined;
  readonly before: StepId | undefined;
}

/** The steps in order, with their breaks. They can be dragged, or moved with Alt and the arrow keys; what a rule forbids is said. */
@Component({
  selector: 'man-step-list',
  imports: [BreakLine, CdkDropList, CdkDrag, CdkDragHandle, NgIcon, Notice],
  providers: [provideIcons({ lucideGripVertical, lucidePin })],
  templateUrl: './step-list.html',
  styleUrl: './step-list.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepList {
  private readonly words = inject(Words);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly plan = input.required<HandlingPlan>();
  readonly order = input.required<readonly OrderRule[]>();
  readonly opened = input.required<number>();
  readonly wishes = input<readonly PlanWish[]>([]);
  readonly mayChange = input(false);
  /** Minute of the visit at which this plan begins. */
  readonly from = input(0);
  readonly pick = output<number>();
  readonly placed = output<Placed>();
  readonly required = output<StepId>();

  /** Why the last drop was refused, or why the present place would be. */
  protected readonly refused = signal('');
  protected readonly steps = computed(() => this.plan().steps);
  protected readonly holds = this.words.labels.hold;
  protected readonly name = this.words.stepOf;
  protected readonly says = this.words.say;
  protected readonly round = Math.round;
  protected readonly about = aboutMinutes;
  protected readonly blade = (id: BladeId): string => this.words.labels.blade[id];

  protected say(reasons: readonly Reason[]): string {
    return reasons.map(this.words.say).join(' ');
  }
  protected also(ids: readonly HoldId[]): string {
    return ids.map((h) => ` + ${this.words.labels.hold[h]}`).join('');
  }
  protected fixed(step: PlannedStep): boolean {
    return this.wishes().some((w) => isMeant(w.step, step.id));
  }
  protected where(step: PlannedStep): string {
    const posture = this.words.labels.posture[step.posture];
    // On the lap and in the tub say where by themselves.
    return step.post === 'tub' || step.post === 'lap' ? posture : `${step.post}, ${posture}`;
  }

  /** Where it is done, place by place; what is done to the whole dog is not listed. */
  protected places(step: PlannedStep): string {
    const places: readonly ZoneId[] = step.pieces.map((p) => p.place);
    return places.length < 2 ? '' : places.map((z) => this.words.labels.zone[z]).join(', ');
  }

  /** What becomes of what is not done today, and when. */
  protected fate({ to, withinDays: days }: NotPlanned): string {
    const when = days === undefined ? '' : days === 0 ? ', today' : days === 1 ? ', by tomorrow' : `, within ${days} days`;
    return to === 'left' ? 'left' : `${to === 'vet' ? 'for a vet' : 'second visit'}${when}`;
  }

  protected sorted(event: CdkDragSortEvent<unknown>): void {
    this.refused.set(this.against(event.previousIndex, event.currentIndex));
  }
  protected dropped(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }
  /** Puts a step at another place, unless a rule forbids it. */
  move(from: number, to: number): void {
    if (from === to || to < 0 || to >= this.steps().length) return;
    const against = this.against(from, to);
    this.refused.set(against);
    const step = this.steps()[from];
    if (against !== '' || !step) return;
    const order = moved(this.steps(), from, to);
    this.placed.emit({ step: step.id, after: order[to - 1]?.id, before: order[to + 1]?.id });
  }
  /** The rule that forbids a place, in words; empty when none does. */
  private against(from: number, to: number): string {
    const ids = moved(
      this.steps().map((s) => s.id),
      from,
      to,
    );
    const rule = rulesBroken(
      this.order().filter((r) => r.rule !== 'wish.place' && !isPreference(r)),
      ids,
    )[0];
    if (!rule) return '';
    const name = nameIn(this.steps());
    return this.say([reason('if.rule', { first: name(rule.first), then: name(rule.then) }), { rule: rule.rule, facts: {}, weight: 0.9 }]);
  }

  protected onKey(event: KeyboardEvent, at: number): void {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (by === 0) return;
    event.preventDefault();
    if (event.altKey && this.mayChange()) this.move(at, at + by);
    else this.host.querySelectorAll<HTMLButtonElement>('button.step')[at + by]?.focus();
  }
}
