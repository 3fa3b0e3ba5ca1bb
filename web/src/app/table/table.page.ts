import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { Router } from '@angular/router';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { adviseHeat, SWAP_AT_CELSIUS, swapLineCelsius } from '@mansuet/core/knowledge/heat';
import type { EventDraft, PlannedStepRecord } from '@mansuet/core/log';
import { PAD_SIGNALS, SIGNALS } from '@mansuet/core/strain';
import { breaksOfStep, safeFinishNow } from '@mansuet/core/visit';
import { type Activity, type BladeId, type HeatAction, type HoldId, type Mood, MOODS, type SignalId } from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import { paintFound } from '../body-map/zone-paint';
import { ClockService } from '../server/clock.service';
import { StrainRibbon } from '../strain-ribbon/strain-ribbon';
import { SessionService } from '../server/session.service';
import { VisitLog } from '../visit-log/visit-log.service';
import { VisitStore } from '../visit/visit-store';
import { stopwatch } from '../wording/time';
import { BladePicker } from './blade-picker';
import { HoldPicker } from './hold-picker';
import { IncidentForm } from './incident-form';
import { SignalList } from './signal-list';
import { adviceFor } from './advice';
import { KEYS, actionOfKey, type TableAction } from './keys';
import { Words } from '../wording/words.service';

type Drawer = 'signals' | 'hold' | 'blade' | 'incident' | 'steps' | 'stop' | 'note' | 'keys';

const TITLES: Readonly<Record<Drawer, string>> = {
  signals: 'More signals',
  hold: 'Another hold',
  blade: 'Blade',
  incident: 'Incident: stop, dog safe, tools away, look',
  steps: 'Steps',
  stop: 'Stop the visit',
  note: 'Remark for whoever has this dog next',
  keys: 'Keys at the table',
};

const STOP_REASONS = ['It has had enough', 'A hard sign', 'Something hurt it', 'Time is up', 'The owner asked'] as const;

/** What the hands do with the blade, in two words. */
const HEAT_WORDS: Readonly<Record<HeatAction, string>> = {
  go_on: '',
  check: 'touch it now',
  swap: 'swap or cool',
  cool: 'cool it',
  stop: 'off the skin',
};

/** At the table: the live record. Same things stay in the same places on every step; what was planned is presumed. */
@Component({
  selector: 'man-table',
  imports: [NgTemplateOutlet, BodyMap, StrainRibbon, NzDrawerModule, HoldPicker, BladePicker, IncidentForm, SignalList],
  templateUrl: './table.page.html',
  styleUrl: './table.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class TablePage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  private readonly session = inject(SessionService);
  protected readonly log = inject(VisitLog);
  protected readonly store = inject(VisitStore);

  protected readonly drawer = signal<Drawer | undefined>(undefined);
  protected readonly title = computed(() => {
    const drawer = this.drawer();
    return drawer ? TITLES[drawer] : '';
  });
  protected readonly pad = PAD_SIGNALS;
  protected readonly signals = SIGNALS;
  protected readonly signalNames = this.words.labels.signal;
  protected readonly holds = this.words.labels.hold;
  protected readonly keys = KEYS;
  protected readonly stopReasons = STOP_REASONS;
  protected readonly watch = stopwatch;
  protected readonly bladeName = (id: BladeId): string => this.words.labels.blade[id];
  protected readonly moodLabels = this.words.labels.mood;
  protected readonly round = Math.round;
  /** What was last recorded, with how long it took to be durable and shown. */
  protected readonly lastEntry = signal('');

  protected readonly plan = computed(() => this.store.state().plan);
  protected readonly work = computed(() => this.store.state().work);
  protected readonly steps = computed(() => this.plan()?.steps ?? []);
  protected readonly status = (id: Activity): string => this.work()?.steps.get(id)?.status ?? 'waiting';
  protected readonly next = computed(() => this.steps().find((s) => this.status(s.id) === 'waiting'));
  protected readonly running = computed(() => this.steps().find((s) => s.id === this.work()?.running));
  protected readonly shown = computed<PlannedStepRecord | undefined>(() => this.running() ?? this.next());
  protected readonly place = computed(() => this.steps().findIndex((s) => s.id === this.shown()?.id) + 1);
  protected readonly onBreak = computed(() => this.work()?.onBreakSinceMs !== undefined);
  /** Nothing was entered for a while: the meter asks how the dog is. */
  protected readonly unseen = computed(() => this.running() !== undefined && this.now()?.strain.observed === false);
  /** In the work the cautions need the room: the first three are asked, a break asks them all. */
  protected readonly looks = computed(() => (this.onBreak() ? MOODS : MOODS.slice(0, 3)));
  protected readonly breakBefore = computed(() => {
    const next = this.next();
    return next ? breaksOfStep(next).reduce((sum, b) => sum + (b.after === 0 ? b.minutes : 0), 0) : 0;
  });
  /** The next break that the plan has inside the step in hand, and whether it is time for it. */
  protected readonly breakInside = computed(() => {
    const work = this.work();
    const step = this.running();
    const from = work?.runs.at(-1)?.fromMinute ?? 0;
    const taken = work?.strain.filter((e) => e.kind === 'break_started' && e.minute >= from).length ?? 0;
    const next = step && breaksOfStep(step).filter((b) => b.after > 0)[taken];
    return next && { ...next, due: (this.now()?.stepSeconds ?? 0) >= next.after * 60 };
  });
  protected readonly now = this.store.now;
  protected readonly advice = computed(() => adviceFor(this.words, this.now()?.strain, this.store.context()?.salon));
  protected readonly predicted = computed(() => this.plan()?.curve ?? []);
  protected readonly measured = computed(() => this.now()?.strain.points ?? []);
  protected readonly ribbonSteps = computed(() =>
    this.steps().map((s) => ({ label: s.label, from: s.from, to: s.to, breaks: breaksOfStep(s) })),
  );
  protected readonly hold = computed(() => (this.running() ? this.work()?.hold : this.shown()?.hold));
  protected readonly also = computed<readonly HoldId[]>(() => (this.running() ? (this.work()?.also ?? []) : (this.shown()?.also ?? [])));
  protected readonly blade = computed<BladeId | undefined>(() =>
    this.running() ? this.work()?.blade : (this.shown()?.blade ?? undefined),
  );
  protected readonly heat = computed(() => {
    const now = this.now();
    const blade = this.blade();
    const celsius = now?.bladeCelsius;
    const zone = this.shown()?.zones[0];
    if (!now || !blade || celsius === undefined || !zone) return undefined;
    const clock = this.work()?.blades.get(blade);
    const advice = adviseHeat({
      celsius,
      sinceTouchSeconds: now.bladeRunSeconds - (clock?.touchedAtRunSeconds ?? 0),
      // A touch counts until the blade has cooled since.
      touched: celsius >= SWAP_AT_CELSIUS - 1 ? clock?.touched : undefined,
      zone,
      coolOneThere: true,
      house: this.store.house(),
    });
    return {
      celsius: Math.round(celsius),
      hot: HEAT_WORDS[advice.action],
      why: advice.action === 'go_on' ? '' : advice.reasons.slice(0, 1).map(this.words.say).join(''),
      swapAt: swapLineCelsius(zone, this.store.house()),
    };
  });
  /** How far the way home is, from here. */
  protected readonly home = computed(() => {
    const home = this.ended() ? undefined : safeFinishNow(this.store.state(), this.clock.nowMs());
    return home && { minutes: Math.ceil(home.minutes), says: home.reasons.map(this.words.say).join(' ') };
  });
  protected readonly paint = computed(() => paintFound(this.store.state().feelOver, this.shown()?.zones));
  protected readonly ended = computed(() => this.store.state().ended);

  /** Records, and says so once it is durable. */
  protected async record(draft: EventDraft, says: string): Promise<void> {
    if (!(await this.store.record(draft))) return;
    this.lastEntry.set(`${says}, ${new Date(this.clock.now()).toLocaleTimeString('en-GB')}`);
  }

  protected async start(step: Activity, label: string): Promise<void> {
    this.drawer.set(undefined);
    if (!this.work() && !(await this.store.record({ type: 'work_started', body: {} }))) return;
    await this.takeOver();
    await this.record({ type: 'step_started', body: { step } }, `Started: ${label}`);
  }
  /** Whoever begins a step has the dog: another hand than before is recorded by itself. */
  private async takeOver(): Promise<void> {
    const staffId = this.session.signedIn()?.staff.staffId;
    if (staffId && staffId !== this.store.state().handsId) await this.store.record({ type: 'hands_changed', body: { staffId } });
  }
  protected async finish(outcome: 'done' | 'part' | 'left'): Promise<void> {
    const step = this.running() ?? this.next();
    if (step)
      await this.record(
        { type: 'step_finished', body: { step: step.id, outcome, why: '' } },
        `${outcome === 'done' ? 'Done' : outcome === 'part' ? 'Done in part' : 'Left'}: ${step.label}`,
      );
  }
  /** How the dog is: in a break what recovery is learned from, in the work an answer to the meter’s question. */
  protected async look(mood: Mood): Promise<void> {
    await this.record(
      { type: 'mood_felt', body: { mood } },
      `${this.onBreak() ? 'In the break' : 'Looked'}: ${this.words.labels.mood[mood]}`,
    );
  }
  protected async main(): Promise<void> {
    const next = this.next();
    if (this.onBreak()) await this.pause();
    else if (this.running()) await this.finish('done');
    else if (next) await this.start(next.id, next.label);
    else await this.end('finished', '');
  }
  protected readonly mainLabel = computed(() => {
    if (this.onBreak()) return 'Go on';
    if (this.running()) return 'Step done';
    const next = this.next();
    return next ? (this.work() ? `Start step ${this.place()}` : 'Start') : 'Finish';
  });

  protected see(signal: SignalId): void {
    this.drawer.set(undefined);
    void this.record({ type: 'signal_seen', body: { signal } }, this.words.labels.signal[signal]);
  }
  protected async pause(): Promise<void> {
    if (!this.work()) return;
    if (this.onBreak()) await this.record({ type: 'break_ended', body: {} }, 'Work goes on');
    else await this.record({ type: 'break_started', body: {} }, 'Break');
  }
  protected useHold(hold: HoldId, also: readonly HoldId[]): void {
    this.drawer.set(undefined);
    void this.record({ type: 'hold_used', body: { hold, also: [...also] } }, `Hold: ${this.words.labels.hold[hold]}`);
  }
  protected useBlade(blade: BladeId | null, cool: boolean): void {
    this.drawer.set(undefined);
    void this.record(
      { type: 'blade_used', body: { blade, toolId: null, cool } },
      blade ? `Blade ${this.bladeName(blade)}${cool ? ', a cool one' : ''}` : 'No blade',
    );
  }
  protected touch(feels: 'cool' | 'warm' | 'hot'): void {
    this.drawer.set(undefined);
    void this.record({ type: 'blade_touched', body: { feels, toolId: null } }, `Blade feels ${feels}`);
  }
  protected async note(text: string): Promise<void> {
    if (!text.trim()) return;
    this.drawer.set(undefined);
    await this.record({ type: 'noted', body: { text: text.trim().slice(0, 2000) } }, 'Remark kept');
  }
  protected async incident(draft: EventDraft): Promise<void> {
    this.drawer.set(undefined);
    await this.record(draft, 'Incident recorded');
  }
  protected async undo(): Promise<void> {
    const target = this.store.state().undoable;
    if (!target) return;
    await this.store.undo();
    this.lastEntry.set(`Taken back: ${target.type.replaceAll('_', ' ')}`);
  }
  protected async end(outcome: 'finished' | 'stopped', why: string): Promise<void> {
    this.drawer.set(undefined);
    if (!(await this.store.record({ type: 'visit_ended', body: { outcome, why } }))) return;
    await this.router.navigate(['/visits', this.store.visitId(), 'hand_back']);
  }

  protected readonly vet = computed(
    () => `${this.store.context()?.salon.vetName ?? 'the vet'} ${this.store.context()?.salon.vetPhone ?? ''}`,
  );
  protected async toPlan(): Promise<void> {
    await this.router.navigate(['/visits', this.store.visitId(), 'plan']);
  }
  protected async leave(): Promise<void> {
    await this.router.navigate(['/visits', this.store.visitId(), this.ended() ? 'hand_back' : 'plan']);
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'Escape') this.drawer.set(undefined);
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    // Space and Enter belong to the button that has the focus.
    if (event.target instanceof HTMLButtonElement && (event.key === ' ' || event.key === 'Enter')) return;
    const action = actionOfKey(event.key);
    if (!action || this.ended()) return;
    // Over a drawer only Pause and Stop answer: they are always at hand.
    const always = action.kind === 'pause' || (action.kind === 'drawer' && action.drawer === 'stop');
    if (this.drawer() !== undefined && !always) return;
    event.preventDefault();
    this.act(action);
  }

  private act(action: TableAction): void {
    if (action.kind === 'replan') {
      void this.toPlan();
      return;
    }
    if (action.kind === 'signal') {
      const signal = PAD_SIGNALS[action.place];
      if (signal && this.work()) this.see(signal);
    } else if (action.kind === 'drawer') this.drawer.set(action.drawer);
    else if (action.kind === 'main') void this.main();
    else if (action.kind === 'pause') void this.pause();
    else void this.undo();
  }
}
