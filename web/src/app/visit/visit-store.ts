import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { VISIT_CONTEXT, type VisitContext } from '@mansuet/core/contract';
import { dogKinds } from '@mansuet/core/knowledge/dogs';
import { HOUSE_DEFAULTS } from '@mansuet/core/knowledge/house-rules';
import type { EventDraft } from '@mansuet/core/log';
import type { HelperWindow, PlanInput, ServiceAsked } from '@mansuet/core/plan';
import {
  dogAsFelt,
  emptyVisit,
  fitOf,
  notFeltYet,
  openMirrors,
  pastOf,
  phaseOf,
  type PlanContext,
  planInputOf,
  planNowOf,
  workNow,
} from '@mansuet/core/visit';
import { StandingMeter } from '@mansuet/core/strain';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { contextKey } from '../today/keep-day';
import { planContextFor } from './plan-context-for';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VISIT_DB } from '../visit-log/visit-db';
import { VisitLog } from '../visit-log/visit-log.service';
import { Words } from '../wording/words.service';

/** The open visit: its file, its state, and what follows from them. Provided by the visit frame, one for each visit. */
@Injectable()
export class VisitStore {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly log = inject(VisitLog);
  private readonly clock = inject(ClockService);
  private readonly db = inject(VISIT_DB);
  private readonly session = inject(SessionService);

  readonly visitId = signal('');
  readonly context = signal<VisitContext | undefined>(undefined);
  /** Why there is nothing to show. */
  readonly trouble = signal('');
  readonly fromThisDevice = signal(false);
  /** Entries of a device whose clock was wrong: their time is that of their arrival. */
  readonly timedByArrival = computed(() => this.state().timedByArrival);
  /** Why the last entry was not kept; empty when it was. */
  readonly notRecorded = signal('');

  readonly state = toSignal(toObservable(this.visitId).pipe(switchMap((id) => this.log.state$(id))), { initialValue: emptyVisit('') });
  /** The file and the record of this visit are both there: nothing is shown that the record would change at once. */
  readonly ready = computed(() => {
    const [id, context, state] = [this.visitId(), this.context(), this.state()];
    return context?.visitId === id && state.visitId === id && (state.eventCount > 0 || context.events.length === 0);
  });
  /** What hands found: the same one until they find something else, so that a sign at the table draws no map anew. */
  readonly found = computed(() => this.state().feelOver, { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  readonly phase = computed(() => phaseOf(this.state()));
  readonly dog = computed(() => this.context()?.file.dog);
  readonly name = computed(() => this.dog()?.name ?? '');
  readonly staff = computed(() => this.context()?.staff ?? []);
  readonly groomer = computed(() => this.staff().find((s) => s.staffId === this.state().groomerId));
  readonly today = computed(() => this.clock.today());
  /** The salon's answers to what groomers disagree on. */
  readonly house = computed(() => this.context()?.salon.house ?? HOUSE_DEFAULTS);

  private readonly day = computed(() => this.state().day);
  /** The dog's visits before this one, the latest first. */
  readonly past = computed(() => pastOf(this.context()?.file.visits ?? [], { visitId: this.visitId(), on: this.day() }));
  readonly planContext = computed<PlanContext | undefined>(() => {
    const context = this.context();
    if (!context) return undefined;
    return planContextFor(context, { past: this.past(), trained: this.groomer()?.trained ?? false, today: this.today() });
  });
  /** Past visits as far as mats go; summaries that did not count them say nothing. */
  readonly matVisits = computed(() =>
    (this.context()?.file.visits ?? []).flatMap((v) =>
      v.summary.mattedZones === undefined
        ? []
        : [{ on: v.summary.on ?? this.clock.dayOf(v.arrivesAt), mattedZones: v.summary.mattedZones }],
    ),
  );
  readonly kinds = computed(() => {
    const c = this.planContext();
    return c ? dogKinds(dogAsFelt(this.state(), c.dog), this.state().feelOver, c.today) : [];
  });
  /** Mats and crusts that the last visit left and no hand has been on today. */
  readonly leftBefore = computed(() => notFeltYet(this.planContext()?.carriedZones ?? [], this.state()));
  /** Other sides of mats that no hand has been on, in words. */
  readonly mirrorsOpen = computed(() => this.words.list(openMirrors(this.state()).map((z) => this.words.labels.zone[z])));
  readonly fit = computed(() => {
    const c = this.planContext();
    return c && fitOf(this.state(), c.dog, c.today);
  });
  readonly planInput = computed(() => {
    const c = this.planContext();
    return c && planInputOf(this.state(), c);
  });
  /** What the planner reads while the work runs: the same, from where it stands. Asked for at a moment, since it changes by the second. */
  planInputNow(): PlanInput | undefined {
    const input = this.planInput();
    const now = planNowOf(this.state(), this.clock.nowMs());
    return input && now ? { ...input, now } : input;
  }
  /** Goes on from where it was read a second ago; of another visit it begins anew. */
  private readonly meter = new StandingMeter();
  /** What the clocks show, once a second. */
  readonly now = computed(() => workNow(this.state(), this.clock.nowMs(), this.meter));

  constructor() {
    effect(() => {
      const id = this.visitId();
      // Another dog: nothing of the last one stays on the screen while its file is read.
      this.context.set(undefined);
      this.trouble.set('');
      if (id) void this.load(id);
    });
  }

  /** Records what one stroke writes, all of it or nothing. @returns whether it is kept; when it is not, `notRecorded` says why */
  async record(...drafts: readonly [EventDraft, ...EventDraft[]]): Promise<boolean> {
    try {
      await this.log.record(this.visitId(), ...drafts);
      this.notRecorded.set('');
      return true;
    } catch (error: unknown) {
      this.notRecorded.set(sayStorageTrouble(error));
      return false;
    }
  }

  /** What the owner asks for, the time or the help is otherwise; what is not named stays as it is. */
  ask(change: { asked?: ServiceAsked; helperThere?: boolean; helperWindows?: readonly HelperWindow[] }): Promise<boolean> {
    const { asked, helperThere, helperWindows } = { ...this.state(), ...change };
    const { returnWeeks, ...wanted } = asked;
    return this.record({
      type: 'asked_changed',
      body: {
        asked: { ...wanted, items: [...wanted.items], ...(returnWeeks === undefined ? {} : { returnWeeks: Math.round(returnWeeks) }) },
        helperThere,
        ...(helperThere && helperWindows.length > 0 ? { helperWindows: helperWindows.map(([from, to]) => [from, to]) } : {}),
      },
    });
  }

  /** The latest entry of whoever is signed in here: what another tablet recorded last is not this one's to take back. */
  readonly undoable = computed(() => this.state().undoableBy.get(this.session.signedIn()?.staff.staffId ?? ''));

  /** Takes it back, with all that was written at the same stroke. */
  async undo(): Promise<void> {
    const [first, ...more] = (this.undoable()?.ids ?? []).map((target): EventDraft => ({ type: 'voided', body: { target, why: 'undo' } }));
    if (first) await this.record(first, ...more);
  }

  private async load(id: string): Promise<void> {
    const key = contextKey(id);
    const answer = await this.api.get(`/visits/${id}`, VISIT_CONTEXT);
    if (this.visitId() !== id) return;
    if (answer.ok) {
      await this.log.merge(id, answer.value.events, answer.value.cursor);
      // The day's keeper knows when it is old; what is opened is at least there.
      await this.db.answers.put({ ...(await this.db.answers.get(key)), key, value: answer.value });
      this.context.set(answer.value);
      this.fromThisDevice.set(false);
      this.trouble.set('');
      return;
    }
    const kept = VISIT_CONTEXT.safeParse((await this.db.answers.get(key))?.value);
    if (answer.failure.kind === 'offline' && kept.success) {
      this.context.set(kept.data);
      this.fromThisDevice.set(true);
      return;
    }
    this.trouble.set(
      answer.failure.kind === 'offline'
        ? $localize`:@@visit.notHere:This dog’s file is not on this device, and the server does not answer. Nothing of another dog is shown instead; open it again when the server is back.`
        : answer.failure.kind === 'refused' && answer.failure.problem.code === 'not_found'
          ? 'There is no such visit in this salon.'
          : sayFailure(this.words, answer.failure),
    );
  }
}
