import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { findingIn } from '@mansuet/core/findings';
import { zoneFacts } from '@mansuet/core/knowledge/anatomy';
import { advisePasses } from '@mansuet/core/knowledge/blades';
import { adviseHeat, SWAP_AT_CELSIUS, swapLineCelsius } from '@mansuet/core/knowledge/heat';
import type { EventDraft, PlannedStepRecord } from '@mansuet/core/log';
import { sayNextMinutes, StandingFilter } from '@mansuet/core/strain';
import { breakLengthOf, breakNow, breaksOfStep, closingNow, nextMinutesNow, plannedBreakNow, safeFinishNow } from '@mansuet/core/visit';
import {
  type BladeId,
  type ClosingLine,
  type HeatAction,
  type HoldId,
  type Mood,
  type PieceId,
  isAskedSignal,
  type SignalId,
  type SignCause,
  type StepId,
  type ZoneId,
} from '@mansuet/core/words';
import { DevicesService } from '../devices/devices.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { PlanStore } from '../visit/plan-store';
import { sayEvent } from '../visit/say-event';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { adviceFor } from './advice';
import { Chime } from './chime';
import { Recorder } from './recorder';
import { SameTap } from './same-tap';
import { celsiusOf, mmOf } from '../wording/formats';

/** A sign that may be of something else is asked about for so long. Our default. */
const SIGN_ASKED_MINUTES = 2;
const CAUSE_WORDS: Readonly<Record<SignCause, string>> = { strain: 'strain', something_else: 'not strain', unsure: 'not sure' };

/** What lies beside the step on a slip. */
export const SLIPS = [
  'signals',
  'hold',
  'blade',
  'here',
  'incident',
  'steps',
  'pieces',
  'open',
  'part',
  'left',
  'note',
  'photo',
  'hands',
  'keys',
] as const;
export type SlipId = (typeof SLIPS)[number];

/** What became of one place of a step. */
export type PieceOutcome = 'open' | 'done' | 'part' | 'left';

/** What the hands do with the blade, in two words. */
const HEAT_WORDS: Readonly<Record<HeatAction, string>> = {
  go_on: '',
  check: 'touch it now',
  swap: 'swap or cool',
  cool: 'cool it',
  stop: 'off the skin',
};

const PIECE_WORDS: Readonly<Record<PieceOutcome, string>> = { open: 'open again', done: 'done', part: 'done in part', left: 'left' };

/** What stands at the table now, and what a tap does. What was planned is presumed. */
@Injectable()
export class TableStore {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  private readonly visit = inject(VisitStore);
  private readonly plans = inject(PlanStore);
  private readonly recorder = inject(Recorder);
  private readonly chime = inject(Chime);
  private readonly sameTap = inject(SameTap);
  /** What was just tapped: another tap on it would be the same one, and what it says has changed under the finger. */
  readonly rests = this.sameTap.rests;

  readonly slip = signal<SlipId | undefined>(undefined);
  /** What was typed on a slip stays until it is recorded, whatever is tapped beside it. */
  readonly noteDraft = signal('');
  readonly lastEntry = this.recorder.lastEntry.asReadonly();

  readonly plan = computed(() => this.visit.state().plan);
  readonly work = computed(() => this.visit.state().work);
  readonly steps = computed(() => this.plan()?.steps ?? []);
  readonly status = (id: StepId): string => this.work()?.steps.get(id)?.status ?? 'waiting';
  readonly next = computed(() => this.steps().find((s) => this.status(s.id) === 'waiting'));
  readonly running = computed(() => this.steps().find((s) => s.id === this.work()?.running));
  readonly shown = computed<PlannedStepRecord | undefined>(() => this.running() ?? this.next());
  /** The places of the step in hand, with what is in the hand there and what became of each. */
  readonly pieces = computed(() =>
    (this.shown()?.pieces ?? []).map((p) => ({
      id: p.id,
      place: this.words.labels.zone[p.zones[0] ?? 'back'],
      with: p.mm === null ? '' : mmOf(p.mm),
      marks: p.marks.length,
      status: this.work()?.pieces.get(p.id)?.status ?? ('open' as const),
      why: this.work()?.pieces.get(p.id)?.why ?? '',
    })),
  );
  readonly piecesDone = computed(() => this.pieces().filter((p) => p.status === 'done').length);
  /** Some of its places were said to be done or left, and others were not: they are not presumed. */
  readonly someOpen = computed(() => {
    const open = this.pieces().filter((p) => p.status === 'open').length;
    return this.running() !== undefined && open > 0 && open < this.pieces().length;
  });
  readonly place = computed(() => this.steps().findIndex((s) => s.id === this.shown()?.id) + 1);
  readonly onBreak = computed(() => this.work()?.onBreakSinceMs !== undefined);
  /** Nothing was entered for a while. */
  private readonly unseen = computed(() => this.running() !== undefined && this.now()?.strain.observed === false);
  /** The meter asks how the dog is: nothing was entered, or signs have ceased without a good one. */
  readonly asks = computed(() => this.unseen() || (this.running() !== undefined && this.now()?.strain.unclear === true));
  /** The break that the plan still owes, before the next step or inside the one in hand. */
  readonly owed = computed(() => plannedBreakNow(this.visit.state(), this.clock.nowMs()));
  private readonly breakLength = computed(() => breakLengthOf(this.visit.state()));
  /** How far the break is that goes on. */
  readonly resting = computed(() => {
    const length = this.breakLength();
    return length && breakNow(this.visit.state(), this.clock.nowMs(), length);
  });
  private readonly isRested = computed(() => this.resting()?.leftSeconds === 0);
  readonly now = this.visit.now;
  readonly advice = computed(() => adviceFor(this.words, this.now()?.strain, this.visit.context()?.salon));
  /** Half-minutes of the work: the model's own steps, so that it is not asked at every tick. */
  private readonly halfMinute = computed(() => Math.floor((this.now()?.minute ?? 0) * 2));
  private readonly filter = new StandingFilter();
  /** What the next minutes may bring. Where the meter asks for a pause there is nothing to weigh; nothing is told while nobody says what it sees. */
  readonly ahead = computed<readonly string[]>(() => {
    const state = this.visit.state();
    const startedMs = state.work?.startedMs;
    const halfMinute = this.halfMinute();
    if (startedMs === undefined || this.advice().urgent || this.unseen()) return [];
    const next = nextMinutesNow(state, startedMs + halfMinute * 30_000, this.filter);
    return next ? sayNextMinutes(next).map(this.words.say) : [];
  });
  readonly predicted = computed(() => this.plan()?.curve ?? []);
  readonly measured = computed(() => this.now()?.strain.points ?? []);
  readonly ribbonSteps = computed(() => this.steps().map((s) => ({ label: s.label, from: s.from, to: s.to, breaks: breaksOfStep(s) })));
  readonly hold = computed(() => (this.running() ? this.work()?.hold : this.shown()?.hold));
  readonly also = computed<readonly HoldId[]>(() => (this.running() ? (this.work()?.also ?? []) : (this.shown()?.also ?? [])));
  readonly blade = computed<BladeId | undefined>(() => (this.running() ? this.work()?.blade : (this.shown()?.blade ?? undefined)));
  readonly heat = computed(() => {
    const now = this.now();
    const blade = this.blade();
    const celsius = now?.bladeCelsius;
    // Where the blade goes next: the first place that is still open.
    const open = this.shown()?.pieces.find((p) => !this.work()?.pieces.has(p.id));
    const zone = open?.zones[0] ?? this.shown()?.zones[0];
    if (!now || !blade || celsius === undefined || !zone) return undefined;
    const clock = this.work()?.blades.get(blade);
    const advice = adviseHeat({
      celsius,
      sinceTouchSeconds: now.bladeRunSeconds - (clock?.touchedAtRunSeconds ?? 0),
      // A touch counts until the blade has cooled since.
      untouchedSince: this.work()?.untouchedSince,
      touched: celsius >= SWAP_AT_CELSIUS - 1 ? clock?.touched : undefined,
      zone,
      coolOneThere: true,
      house: this.visit.house(),
    });
    return {
      celsius: Math.round(celsius),
      hot: HEAT_WORDS[advice.action],
      why: advice.action === 'go_on' ? '' : advice.reasons.slice(0, 1).map(this.words.say).join(''),
      swapAt: swapLineCelsius(zone, this.visit.house()),
      strokes: advisePasses(0, this.delicate(zone)).limit,
    };
  });
  /** Thin or red skin: one stroke over one place. */
  private delicate(zone: ZoneId): boolean {
    return zoneFacts(zone).fragile.includes('thin_skin') || findingIn(this.visit.state().feelOver, zone).skin !== 'sound';
  }
  /** How far the way home is, from here. */
  readonly home = computed(() => {
    const home = this.ended() ? undefined : safeFinishNow(this.visit.state(), this.clock.nowMs());
    return home && { minutes: Math.ceil(home.minutes), says: home.reasons.map(this.words.say).join(' ') };
  });
  /** The end that is being made safe: nothing else is begun while it is there. */
  readonly closing = computed(() => closingNow(this.visit.state(), this.clock.nowMs(), this.now()?.strain));
  readonly nextLine = computed(() => this.closing()?.lines.find((l) => !l.done)?.line);
  /** The last line is done, or nothing may hold anyone up: why it was stopped can be said. */
  readonly mayEnd = computed(() => this.closing() !== undefined && (this.nextLine() === undefined || this.closing()?.cause === 'alarm'));
  private readonly litZones = computed(() => this.shown()?.zones ?? [], { equal: (a, b) => a.join() === b.join() });
  readonly paint = computed(() => this.plans.paint(this.litZones()));
  readonly ended = computed(() => this.visit.state().ended);

  constructor() {
    inject(DevicesService)
      .readings$.pipe(takeUntilDestroyed())
      .subscribe((r) => {
        if (r.device === 'thermometer') void this.readBlade(r.celsius);
      });
    // Once for each break, when its time is over; one that is found over is not rung for.
    let wasResting = false;
    effect(() => {
      const rested = this.isRested();
      if (rested && wasResting) untracked(() => this.chime.ring());
      wasResting = this.onBreak() && !rested;
    });
  }

  private record(draft: EventDraft, says: string, ...before: readonly EventDraft[]): Promise<boolean> {
    return this.recorder.record(draft, says, ...before);
  }

  async start(step: StepId, label: string): Promise<void> {
    this.slip.set(undefined);
    if (this.closing()) return;
    const staffId = this.session.signedIn()?.staff.staffId;
    await this.record(
      { type: 'step_started', body: { step } },
      `Started: ${label}`,
      ...(this.work() ? [] : [{ type: 'work_started' as const, body: {} }]),
      // Whoever begins a step has the dog: another hand than before is recorded by itself.
      ...(staffId && staffId !== this.visit.state().handsId ? [{ type: 'hands_changed' as const, body: { staffId } }] : []),
    );
  }
  /** @param why one of the reasons that are there by tap; a step that is done needs none */
  async finish(outcome: 'done' | 'part' | 'left', why = ''): Promise<void> {
    const step = this.running() ?? this.next();
    this.slip.set(undefined);
    if (step)
      await this.record(
        { type: 'step_finished', body: { step: step.id, outcome, why } },
        `${outcome === 'done' ? 'Done' : outcome === 'part' ? 'Done in part' : 'Left'}: ${step.label}`,
      );
  }
  /** The places that were not done are left with their reason, and the step is over. */
  async leaveOpen(why: string): Promise<void> {
    const step = this.running();
    this.slip.set(undefined);
    if (!step) return;
    const left = this.pieces()
      .filter((p) => p.status === 'open')
      .map((p): EventDraft => ({ type: 'piece_finished', body: { piece: p.id, outcome: 'left', why } }));
    await this.record({ type: 'step_finished', body: { step: step.id, outcome: 'part', why } }, `Done in part: ${step.label}`, ...left);
  }
  async finishPiece(piece: PieceId, outcome: PieceOutcome, why = ''): Promise<void> {
    if (this.sameTap.bounced(`${piece} ${outcome} ${why}`)) return;
    const place = this.pieces().find((p) => p.id === piece)?.place ?? '';
    await this.record({ type: 'piece_finished', body: { piece, outcome, why } }, `${place}: ${PIECE_WORDS[outcome]}`);
  }
  /** How the dog is: in a break what recovery is learned from, in the work an answer to the meter’s question. */
  async look(mood: Mood): Promise<void> {
    await this.record(
      { type: 'mood_felt', body: { mood } },
      `${this.onBreak() ? 'In the break' : 'Looked'}: ${this.words.labels.mood[mood]}`,
    );
  }
  /** The latest sign, when it comes of other things as often as of strain and nobody has said yet: asked for some minutes. */
  readonly askedSign = computed(() => {
    const sign = this.work()?.signs.at(-1);
    if (!sign || sign.cause !== undefined || !isAskedSignal(sign.signal)) return undefined;
    const minute = this.work()?.strain[sign.at]?.minute ?? 0;
    const since = (this.now()?.minute ?? 0) - minute;
    return since > SIGN_ASKED_MINUTES ? undefined : { id: sign.eventId, signal: sign.signal };
  });
  async sayCause(cause: SignCause): Promise<void> {
    const sign = this.askedSign();
    if (sign)
      await this.record(
        { type: 'sign_cause', body: { target: sign.id, cause } },
        `${this.words.labels.signal[sign.signal]}: ${CAUSE_WORDS[cause]}`,
      );
  }
  /** The latest entry that was taken back; the state shows it a moment later. */
  private takenBack: string | undefined;
  private isTakenBack(): boolean {
    return this.takenBack !== undefined && this.visit.undoable()?.id === this.takenBack;
  }
  /** Stop: what makes the end safe comes first, why is asked afterwards. */
  async stop(): Promise<void> {
    this.slip.set(undefined);
    // A stop that is just being taken back still shows as begun: pressing it again is meant.
    if (!this.closing() || this.isTakenBack()) await this.record({ type: 'closing_begun', body: {} }, 'Stopping');
  }
  async tick(line: ClosingLine): Promise<void> {
    // The tool is away: the step in hand is over, as far as it came.
    const step = line === 'tool_away' || line === 'all_off' ? this.running() : undefined;
    await this.record(
      { type: 'closing_done', body: { line } },
      this.words.labels.closing[line].replace(/[:;,].*/, ''),
      ...(step ? [{ type: 'step_finished' as const, body: { step: step.id, outcome: 'part' as const, why: '' } }] : []),
    );
  }
  async main(): Promise<void> {
    if (this.sameTap.bounced('main')) return;
    const next = this.next();
    const line = this.nextLine();
    if (this.closing()) {
      if (line) await this.tick(line);
    } else if (this.onBreak()) await this.record({ type: 'break_ended', body: {} }, 'Work goes on');
    else if (this.running()) {
      if (this.someOpen()) this.slip.set('open');
      else await this.finish('done');
    } else if (next) await this.start(next.id, next.label);
    else await this.end('finished', '');
  }
  readonly mainLabel = computed(() => {
    if (this.closing()) return 'Done: next line';
    if (this.onBreak()) return 'Go on';
    if (this.running()) return 'Step done';
    const next = this.next();
    return next ? (this.work() ? `Start step ${this.place()}` : 'Start') : 'Finish';
  });

  see(signal: SignalId): void {
    if (this.sameTap.bounced(signal)) return;
    // A signal is tapped beside any slip; only the list of signals has done its work by it.
    if (this.slip() === 'signals') this.slip.set(undefined);
    void this.record({ type: 'signal_seen', body: { signal } }, this.words.labels.signal[signal]);
  }
  async pause(): Promise<void> {
    if (!this.work() || this.sameTap.bounced('pause')) return;
    if (this.onBreak()) await this.record({ type: 'break_ended', body: {} }, 'Work goes on');
    else {
      this.chime.ready();
      await this.record({ type: 'break_started', body: {} }, 'Break');
    }
  }
  useHold(hold: HoldId, also: readonly HoldId[]): void {
    this.slip.set(undefined);
    void this.record({ type: 'hold_used', body: { hold, also: [...also] } }, `Hold: ${this.words.labels.hold[hold]}`);
  }
  useBlade(blade: BladeId | null, cool: boolean): void {
    this.slip.set(undefined);
    void this.record(
      { type: 'blade_used', body: { blade, toolId: null, cool } },
      blade ? `Blade ${this.words.labels.blade[blade]}${cool ? ', a cool one' : ''}` : 'No blade',
    );
  }
  spray(): void {
    this.slip.set(undefined);
    void this.record({ type: 'blade_cooled', body: { toolId: null } }, 'Blade sprayed: feel it before it goes on');
  }
  /** A thermometer was held to the blade in hand; without one it says nothing. */
  private async readBlade(read: number): Promise<void> {
    const blade = this.blade();
    if (!this.running() || !blade) return;
    const celsius = Math.round(read * 10) / 10;
    await this.record(
      { type: 'blade_measured', body: { celsius, toolId: null } },
      `Blade ${this.words.labels.blade[blade]}: ${celsiusOf(celsius)}, measured`,
    );
  }
  touch(feels: 'cool' | 'warm' | 'hot'): void {
    this.slip.set(undefined);
    void this.record({ type: 'blade_touched', body: { feels, toolId: null } }, `Blade feels ${feels}`);
  }
  /** @param ready a remark that is there by tap; what was typed stays beside it */
  async note(ready?: string): Promise<void> {
    const text = ready ?? this.noteDraft().trim();
    if (text === '' || this.sameTap.bounced(`note ${text}`)) return;
    this.slip.set(undefined);
    const kept = await this.record({ type: 'noted', body: { text: text.slice(0, 2000) } }, 'Remark kept');
    if (kept && ready === undefined) this.noteDraft.set('');
  }
  async afterwards(): Promise<void> {
    this.slip.set(undefined);
    await this.record({ type: 'written_after', body: {} }, 'Written down afterwards');
  }
  /** What Undo takes back here: of the work alone. What was agreed before it is not lost by a tap at the table. */
  readonly undoable = computed(() => {
    const [last, began] = [this.visit.undoable(), this.work()?.startedMs];
    return last && began !== undefined && Date.parse(last.event.at) >= began && !this.ended() ? last : undefined;
  });
  async undo(): Promise<void> {
    const target = this.undoable();
    if (!target) return;
    this.takenBack = target.id;
    await this.visit.undo();
    this.recorder.say(`Taken back: ${sayEvent(this.words, target.event)}`);
  }
  async end(outcome: 'finished' | 'stopped', why: string): Promise<void> {
    this.slip.set(undefined);
    if (!(await this.visit.record({ type: 'visit_ended', body: { outcome, why } }))) return;
    await this.router.navigate(['/visits', this.visit.visitId(), 'hand_back']);
  }

  readonly vet = computed(() => `${this.visit.context()?.salon.vetName ?? 'the vet'} ${this.visit.context()?.salon.vetPhone ?? ''}`);
  /** Asked to put the focus on the map. */
  readonly mapAsked = signal(0);
  toMap(): void {
    this.mapAsked.update((n) => n + 1);
  }
  async toPlan(): Promise<void> {
    await this.router.navigate(['/visits', this.visit.visitId(), 'plan']);
  }
  async leave(): Promise<void> {
    await this.router.navigate(['/visits', this.visit.visitId(), this.ended() ? 'hand_back' : 'plan']);
  }
}
