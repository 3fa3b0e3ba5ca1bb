import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import * as z from 'zod';
import { VISIT_CONTEXT, type VisitContext } from '@mansuet/core/contract';
import { expectedInput, type PlanForDay } from '@mansuet/core/day';
import { pastOf, type PlanContext, planContextOf } from '@mansuet/core/visit';
import { ClockService } from '../server/clock.service';
import { contextKey, KeepDay } from '../today/keep-day';
import { type Tag, TodayService } from '../today/today.service';
import { VISIT_DB } from '../visit-log/visit-db';
import { planContextFor } from '../visit/plan-context-for';
import { DayPlanner } from './day-planner.service';

/** What is thought of a visit, by what it was thought from. */
interface Thought {
  readonly key: string;
  readonly context: PlanContext;
  /** Nothing where nothing could be planned. */
  readonly plan: PlanForDay | undefined;
}

/** Written by this page and read by nobody else: its shape is not checked again. */
const KEPT_PLAN = z.custom<PlanForDay | null>((x) => x === null || (typeof x === 'object' && x !== null && 'steps' in x));
const keptKey = (visitId: string): string => `expected:${visitId}`;

/** The visits of today as they will probably go, each from its own file: planned one after the other in the worker, and kept on the device. */
@Injectable()
export class ExpectedPlans {
  private readonly db = inject(VISIT_DB);
  private readonly clock = inject(ClockService);
  private readonly keep = inject(KeepDay);
  private readonly day = inject(TodayService);
  private readonly planner = inject(DayPlanner);
  private readonly thoughts = signal<ReadonlyMap<string, Thought>>(new Map());
  private running = false;
  private over = false;
  private again = false;

  /** Those of today that are not over; what an earlier day left open is closed, and not planned. */
  readonly open = computed(() => this.day.tags().filter((t) => t.phase !== 'gone' && t.phase !== 'off' && !t.leftOver));
  readonly done = computed(() => this.open().filter((t) => this.thoughts().get(t.visit.visitId) !== undefined).length);
  /** Each of them was thought about. */
  readonly ready = computed(() => this.day.today() !== undefined && this.done() === this.open().length);
  /** What the server could not give: such a visit is taken by its minutes alone. */
  readonly trouble = signal('');

  constructor() {
    inject(DestroyRef).onDestroy(() => (this.over = true));
    effect(() => {
      this.open();
      this.keep.taken();
      this.keep.rounds();
      untracked(() => void this.think());
    });
  }

  of(visitId: string): Pick<Thought, 'context' | 'plan'> | undefined {
    return this.thoughts().get(visitId);
  }

  private async think(): Promise<void> {
    this.again = this.running;
    if (this.running) return;
    this.running = true;
    try {
      for (const tag of this.open()) if (!this.over) await this.thinkOf(tag);
    } catch {
      if (this.over) return;
      this.trouble.set($localize`:@@day.noExpected:A visit could not be thought through: it is taken by its minutes. Load the page again.`);
    } finally {
      this.running = false;
    }
    if (this.again && !this.over) void this.think();
  }

  private async thinkOf(tag: Tag): Promise<void> {
    const { visitId } = tag.visit;
    const own = `${tag.visit.tag} ${tag.state.plan ? 'taken' : tag.state.eventCount}`;
    if (this.thoughts().get(visitId)?.key === own) return;
    const kept = VISIT_CONTEXT.safeParse((await this.db.answers.get(contextKey(visitId)))?.value);
    const key = kept.success ? own : `${own} ?`;
    if (this.thoughts().get(visitId)?.key === key) return;
    // Without its file a dog is taken by what the wall knows of it, and its minutes.
    if (!kept.success && this.keep.rounds() === 0) return;
    const context = kept.success ? this.contextOf(kept.data, tag) : this.contextOfTag(tag);
    const plan = tag.state.plan || !kept.success ? undefined : await this.planOf(tag, key, context);
    this.thoughts.update((all) => new Map([...all, [visitId, { key, context, plan }]]));
  }

  private async planOf(tag: Tag, key: string, context: PlanContext): Promise<PlanForDay | undefined> {
    const { visitId } = tag.visit;
    const before = await this.db.answers.get(keptKey(visitId));
    const known = before?.tag === key ? KEPT_PLAN.safeParse(before.value) : undefined;
    if (known?.success) return known.data ?? undefined;
    const input = expectedInput(tag.state, context);
    const plan = input && (await this.planner.ask({ kind: 'expected', input }));
    await this.db.answers.put({ key: keptKey(visitId), value: plan ?? null, tag: key, at: this.clock.now() });
    return plan;
  }

  private contextOfTag({ visit }: Tag): PlanContext {
    return planContextOf({ dog: visit.dog, trained: false, today: this.clock.today() }, []);
  }
  private contextOf(context: VisitContext, tag: Tag): PlanContext {
    const { visitId, groomerId } = tag.visit;
    return planContextFor(context, {
      past: pastOf(context.file.visits, { visitId, on: tag.state.day }),
      trained: context.staff.find((s) => s.staffId === (tag.state.groomerId ?? groomerId))?.trained ?? false,
      today: this.clock.today(),
    });
  }
}
