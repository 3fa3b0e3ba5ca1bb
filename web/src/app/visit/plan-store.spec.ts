import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { emptyVisit } from '@mansuet/core/visit';
import { makePlan, type PlanInput } from '@mansuet/core/plan';
import { PlannerService, type Planned } from '../planner/planner.service';
import { turn } from '../testing/page';
import { aPlanInput } from '../testing/plan-input';
import { PlanStore } from './plan-store';
import { VisitStore } from './visit-store';

const PLAN = makePlan(aPlanInput());
const LIKE_BEFORE: Planned = { ms: 0, searching: false, order: [], plan: PLAN };

/** A planner that answers when it is told to. */
class SlowPlanner {
  readonly asked: { input: PlanInput; found: (p: Planned) => void; done: (p: Planned) => void; fail: (e: Error) => void }[] = [];
  readonly questions: string[] = [];
  /** The plan that takes the place of one that did not keep its limits. */
  checked: Planned | undefined;
  /** Answers that wait to be given, where they do. */
  held: (() => void)[] | undefined;
  plan(input: PlanInput, found: (p: Planned) => void): Promise<Planned> {
    return new Promise((done, fail) => this.asked.push({ input, found, done, fail }));
  }
  ask(question: { kind: string }): Promise<unknown> {
    this.questions.push(question.kind);
    const answer = { planned: this.checked ?? LIKE_BEFORE, odds: { odds: {}, drivers: [], ms: 1 } };
    return new Promise((done) => {
      if (this.held) this.held.push(() => done(answer));
      else done(answer);
    });
  }
  cancel(): void {
    this.asked.at(-1)?.fail(new Error('cancelled'));
  }
}

@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Watcher {
  constructor() {
    inject(PlanStore).watch({ check: true });
  }
}

describe('PlanStore', () => {
  let planner: SlowPlanner;
  const visitId = signal('a');
  const input = signal<PlanInput | undefined>(undefined);
  const store = (): PlanStore => TestBed.inject(PlanStore);
  const planned = (ms: number, searching = false): Planned => ({ ms, searching, order: [], plan: PLAN });
  const settle = async (): Promise<void> => {
    TestBed.tick();
    await turn();
    TestBed.tick();
  };

  beforeEach(() => {
    planner = new SlowPlanner();
    visitId.set('a');
    input.set(aPlanInput());
    TestBed.configureTestingModule({
      providers: [
        PlanStore,
        { provide: PlannerService, useValue: planner },
        { provide: VisitStore, useValue: { visitId, planInput: input, planInputNow: () => input(), state: signal(emptyVisit('a')) } },
      ],
    });
  });

  it('plans only while a screen looks, once for all of them', async () => {
    store();
    await settle();
    expect(planner.asked.length).toBe(0);
    const one = TestBed.createComponent(Watcher);
    const two = TestBed.createComponent(Watcher);
    await settle();
    expect(planner.asked.length).toBe(1);
    one.destroy();
    two.destroy();
    input.set(aPlanInput({ helperThere: true }));
    await settle();
    expect(planner.asked.length).toBe(1);
  });

  it('keeps a plan that an event does not touch, and asks again after a failure', async () => {
    TestBed.createComponent(Watcher);
    await settle();
    input.set(aPlanInput());
    await settle();
    expect(planner.asked.length).toBe(1);
    expect(store().isFinal()).toBeFalse();
    planner.asked[0]?.done(planned(1));
    await settle();
    input.set(aPlanInput());
    await settle();
    expect(planner.asked.length).toBe(1);
    expect(store().isFinal()).toBeTrue();
    input.set(aPlanInput({ helperThere: true }));
    await settle();
    expect(store().isFinal()).toBeFalse();
    planner.asked[1]?.fail(new Error('no worker'));
    await settle();
    input.set(aPlanInput({ helperThere: true }));
    await settle();
    expect(planner.asked.length).toBe(3);
  });

  it('shows the answer to the latest question only, and asks for chances when the search is over', async () => {
    TestBed.createComponent(Watcher);
    await settle();
    input.set(aPlanInput({ helperThere: true }));
    await settle();
    const [old, latest] = planner.asked;
    latest?.found(planned(1, true));
    await settle();
    expect(planner.questions).toEqual([]);
    latest?.done(planned(2));
    await settle();
    old?.found(planned(3));
    old?.done(planned(4));
    await settle();
    expect(store().planned()?.ms).toBe(2);
    expect(planner.questions).toEqual(['check']);
    expect(store().odds()?.ms).toBe(1);
  });

  it('asks for chances once for each plan, and keeps it for the next screen while nothing changes', async () => {
    const one = TestBed.createComponent(Watcher);
    await settle();
    planner.asked[0]?.done(planned(1));
    await settle();
    input.set(aPlanInput({ helperThere: true }));
    await settle();
    planner.asked[1]?.done(planned(2));
    await settle();
    expect(planner.questions).toEqual(['check', 'check']);
    one.destroy();
    TestBed.createComponent(Watcher);
    expect(store().planned()?.ms).toBe(2);
    await settle();
  });

  it('shows the plan that keeps the limits in the place of one that did not, and is final only then', async () => {
    TestBed.createComponent(Watcher);
    TestBed.createComponent(Watcher);
    await settle();
    const calmer = makePlan(aPlanInput({ asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 60 } }));
    planner.checked = { ms: 7, searching: false, order: [], plan: calmer };
    planner.held = [];
    planner.asked[0]?.done(planned(1));
    await settle();
    expect(store().isFinal()).toBeFalse();
    planner.held[0]?.();
    await settle();
    expect(store().plan()).toBe(calmer);
    expect(store().isFinal()).toBeTrue();
    expect(planner.questions).toEqual(['check']);
  });

  it('forgets a plan whose ground has changed while nobody looked', async () => {
    const one = TestBed.createComponent(Watcher);
    await settle();
    planner.asked[0]?.done(planned(1));
    await settle();
    one.destroy();
    input.set(aPlanInput({ helperThere: true }));
    TestBed.createComponent(Watcher);
    expect(store().planned()).toBeUndefined();
  });

  it('says that a search was ended, and plans anew when it is asked to', async () => {
    TestBed.createComponent(Watcher);
    await settle();
    store().cancel();
    await settle();
    expect(store().trouble()).toContain('The search was ended');
    store().anew();
    await settle();
    planner.asked.at(-1)?.done(planned(5));
    await settle();
    expect(store().trouble()).toBe('');
    expect(store().planned()?.ms).toBe(5);
  });

  it('shows nothing of one dog to another', async () => {
    TestBed.createComponent(Watcher);
    await settle();
    const old = planner.asked[0];
    visitId.set('b');
    input.set(undefined);
    await settle();
    old?.done(planned(6));
    await settle();
    expect(store().planned()).toBeUndefined();
    expect(store().asked()).toBeUndefined();
  });
});
