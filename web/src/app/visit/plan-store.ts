import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { PlanInput } from '@mansuet/core/plan';
import type { ZoneId } from '@mansuet/core/words';
import { paintFound, type ZonePaint } from '../body-map/zone-paint';
import { Latest } from '../planner/latest';
import { PlannerService, Superseded, type NamedOdds, type Planned } from '../planner/planner.service';
import { VisitStore } from './visit-store';

/** A search that takes longer is said, and can be ended, ms. */
const SLOW_MS = 300;

const alike = <T>(a: T | undefined, b: T | undefined): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * The plan of the open visit, one for all its screens. It is made while a screen looks at it, anew whenever what it rests
 * on changes; only the latest question counts, and a search for an older one is ended.
 */
@Injectable()
export class PlanStore {
  private readonly planner = inject(PlannerService);
  private readonly visit = inject(VisitStore);
  private readonly latest = new Latest();
  private readonly watchers = signal(0);
  private readonly checkers = signal(0);
  /** What the finished plan was asked with; none while one is searched for. */
  private readonly finished = signal<PlanInput | undefined>(undefined);
  /** Asked again: the work has gone on meanwhile. */
  private readonly again = signal(0);
  private searching = false;
  private checking: PlanInput | undefined;

  readonly planned = signal<Planned | undefined>(undefined);
  readonly plan = computed(() => this.planned()?.plan);
  /** What the plan in hand was asked with. */
  readonly asked = signal<PlanInput | undefined>(undefined);
  /** Its chances were drawn and keep what the house allows, or it is said that they do not. */
  readonly isChecked = signal(false);
  /** The search for it has ended and its chances were drawn: it stays until the dog or what is asked for changes. */
  readonly isFinal = computed(() => this.finished() !== undefined && (this.checkers() === 0 || this.isChecked()));
  readonly odds = signal<NamedOdds | undefined>(undefined);
  /** Why there is no plan, or no odds. */
  readonly trouble = signal('');
  readonly slow = signal(false);

  constructor() {
    effect(() => {
      this.visit.visitId();
      untracked(() => this.forget());
    });
    effect(() => {
      if (this.watchers() === 0 || !this.visit.planInput()) return;
      this.again();
      untracked(() => {
        const input = this.visit.planInputNow();
        // An answer that changes nothing in the plan, an owner's "agrees" say, takes no plan away.
        if (input && !(this.asksNow() && alike(input, this.asked()))) this.ask(input);
      });
    });
    effect(() => {
      const input = this.finished();
      if (this.checkers() > 0 && input) untracked(() => this.check(input));
    });
  }

  /**
   * A screen looks at the plan until it is gone. In an injection context.
   * @param check whether its chances are drawn: where something follows from the plan
   */
  watch({ check = false } = {}): void {
    // What changed while nobody looked made the plan in hand an old one: it is not shown, and not taken to the table.
    if (untracked(this.watchers) === 0 && !alike(untracked(this.asked), this.visit.planInputNow())) this.forget();
    this.watchers.update((n) => n + 1);
    if (check) this.checkers.update((n) => n + 1);
    inject(DestroyRef).onDestroy(() => {
      this.watchers.update((n) => n - 1);
      if (check) this.checkers.update((n) => n - 1);
    });
  }
  /** Plans from where the work stands now. */
  anew(): void {
    this.again.update((n) => n + 1);
  }
  /** Ends a search that takes too long. */
  cancel(): void {
    this.planner.cancel();
  }
  /** The dog as it was felt, with some places lit. */
  paint(lit: readonly ZoneId[] = []): ReadonlyMap<ZoneId, ZonePaint> {
    return paintFound(this.visit.found(), lit);
  }

  /** What was asked with last has its plan, or will have it. */
  private asksNow(): boolean {
    return this.searching || this.finished() !== undefined;
  }

  /** Nothing that was planned before is shown: another dog, or another state of this one. */
  private forget(): void {
    this.latest.next();
    this.searching = false;
    this.checking = undefined;
    this.planned.set(undefined);
    this.finished.set(undefined);
    this.asked.set(undefined);
    this.odds.set(undefined);
    this.isChecked.set(false);
    this.trouble.set('');
    this.slow.set(false);
  }

  private ask(input: PlanInput): void {
    this.asked.set(input);
    this.checking = undefined;
    this.finished.set(undefined);
    this.odds.set(undefined);
    this.isChecked.set(false);
    const isLatest = this.latest.next();
    this.searching = true;
    const timer = setTimeout(() => this.slow.set(isLatest()), SLOW_MS);
    this.planner
      .plan(input, (found) => {
        if (isLatest()) this.planned.set(found);
      })
      .then(
        (planned) => {
          if (!isLatest()) return;
          this.planned.set(planned);
          this.trouble.set('');
          this.finished.set(input);
        },
        (error: unknown) => {
          if (!isLatest()) return;
          this.trouble.set(
            error instanceof Error && error.message === 'cancelled'
              ? $localize`:@@plan.ended:The search was ended. Change something, or open this page again.`
              : $localize`:@@plan.failed:The plan could not be made. Load the page again; nothing entered is lost.`,
          );
        },
      )
      .finally(() => {
        clearTimeout(timer);
        if (!isLatest()) return;
        this.searching = false;
        this.slow.set(false);
      });
  }

  /** Draws the chances; a plan that does not keep the house's limits gives way to one that does. */
  private check(input: PlanInput): void {
    if (this.isChecked() || this.checking === input) return;
    this.checking = input;
    this.planner.ask({ kind: 'check', input }).then(
      ({ planned, odds }) => {
        if (this.asked() !== input) return;
        if (planned.plan !== this.plan() && !alike(planned.plan, this.plan())) this.planned.set(planned);
        this.odds.set(odds);
        this.isChecked.set(true);
      },
      (error: unknown) => {
        if (this.asked() !== input || error instanceof Superseded) return;
        this.isChecked.set(true);
        this.trouble.set($localize`:@@plan.noOdds:The odds could not be worked out; the plan stands.`);
      },
    );
  }
}
