import type { HandlingPlan, PlannedStep } from '@mansuet/core/plan';
import {
  ENTERED,
  type MeasuredStrain,
  MOOD_START,
  PAUSE_MINUTES,
  PAUSES_AT_MOST,
  SimulatedStrain,
  StandingMeter,
  type Temperament,
  TICK_MINUTES,
} from '@mansuet/core/strain';
import { replay, workNow } from '@mansuet/core/visit';
import type { Activity } from '@mansuet/core/words';
import type { DemoDog } from './dogs.js';
import { type Random, seeded } from './random.js';
import type { Story } from './visit-story.js';
import type { VisitWriter } from './visit-writer.js';

/** Somebody says how the dog is when nothing was entered for so long, minutes. */
const LOOKS_AFTER_MINUTES = 4.5;
const BETWEEN_STEPS_MINUTES = 0.5;
/** The visit that is shown running is a hard one that goes well: a tap by whoever looks at it may change that. */
const SHOWN_STRAIN_UP_TO = 32;
const SHOWN_MINUTES = 3;
/** How far dogs differ in each kind of work and in how they come down: standard deviations of logarithms. */
const SPREADS = { work: 0.3, halfLife: 0.25 } as const;

/** What may be otherwise where dogs live. */
export interface LivedWorld {
  /** How far days of one dog differ: standard deviation of the logarithm. */
  readonly days: number;
  /** Half-life in the work against that at rest. */
  readonly inWork: number;
  /** Share of what a busy hand enters that is entered. */
  readonly enters: number;
}
const AS_IT_IS: LivedWorld = { days: 0.3, inWork: 1, enters: 1 };
const HALF_LIFE_MINUTES = 6;
/** One dog in so many goes quiet as strain rises. */
const QUIET_ONE_IN = 10;

interface Ended {
  readonly outcome: 'finished' | 'stopped';
  readonly why: string;
}

/**
 * Works through the planned steps with a dog whose true rates, half-life and manner no plan knows: what comes is drawn from them, not from what
 * was learned. @returns how it ended, `undefined` while it still runs
 */
export function workThrough(w: VisitWriter, story: Story, plan: HandlingPlan, random: Random): Ended | undefined {
  return new Table(w, story, random).work(plan.steps, plan.fatiguePerMinute);
}

/** What is true of a demo dog, the same at each visit. */
function temperamentOf(demo: DemoDog): Temperament {
  const own = seeded(seedOf(demo.name));
  return {
    manner: own.whole(1, QUIET_ONE_IN) === 1 ? 'goes_quiet' : 'shows',
    halfLifeMinutes: HALF_LIFE_MINUTES * spread(own, SPREADS.halfLife),
  };
}

/** How much harder, or easier, a kind of work is on this dog than on others of its kind. */
function hardness(demo: DemoDog, activity: Activity): number {
  return demo.temper * spread(seeded(seedOf(`${demo.name} ${activity}`)), SPREADS.work);
}

const seedOf = (text: string): number => [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) | 0, 7);

/** e to a normal variable (twelve uniform ones summed; fine for invented dogs). */
function spread(random: Random, sd: number): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random.next();
  return Math.exp(sd * sum);
}

class Table {
  private readonly inside: SimulatedStrain;
  private readonly meter = new StandingMeter();
  private readonly day: number;
  private readonly world: LivedWorld;
  private readonly running: boolean;
  private entered: number;

  constructor(
    private readonly w: VisitWriter,
    private readonly story: Story,
    private readonly random: Random,
  ) {
    this.world = { ...AS_IT_IS, ...story.world };
    const dog = { ...temperamentOf(story.demo), inWork: this.world.inWork };
    this.inside = new SimulatedStrain(MOOD_START[story.findings.mood], dog, () => random.next());
    this.day = spread(random, this.world.days);
    this.running = story.until === 'work';
    this.entered = w.now;
  }

  work(steps: readonly PlannedStep[], tiring: number): Ended | undefined {
    const { w, story, random } = this;
    let worked = 0;
    const hurtAt = story.incident ? random.whole(0, steps.length - 1) : -1;
    for (const [i, step] of steps.entries()) {
      const planned = step.breaks.reduce((sum, b) => sum + (b.after === 0 ? b.minutes : 0), 0);
      // The running visit is shown in a step, not in a break that began long ago.
      const wouldShow = (pause: number): boolean => this.running && w.now + (pause + SHOWN_MINUTES) * 60_000 >= story.nowMs;
      if (planned > 0 && !wouldShow(planned) && this.pause(planned)) return undefined;
      this.rest(BETWEEN_STEPS_MINUTES);
      w.write({ type: 'step_started', body: { step: step.id } });
      if (i === hurtAt && story.incident) w.write({ type: 'incident', body: { incidentId: w.id(), ...story.incident } });
      const rate = step.rate.ofItsKind * hardness(story.demo, step.activity) * this.day * (1 + tiring * worked);
      const minutes = step.minutes * random.between(0.8, 1.3);
      const inside = step.breaks.filter((b) => b.after > 0).map((b) => ({ ...b, after: (b.after * minutes) / step.minutes }));
      for (let m = 0; m < minutes; m += TICK_MINUTES) {
        w.wait(TICK_MINUTES);
        if (this.isOver()) return undefined;
        const due = m >= (inside[0]?.after ?? Infinity) ? inside.shift() : undefined;
        if (due && !wouldShow(due.minutes) && this.pause(due.minutes)) return undefined;
        if (!this.tick(rate)) continue;
        const after = this.obey();
        if (after === 'shown') return undefined;
        if (after === 'enough')
          return { outcome: 'stopped', why: `${story.demo.name} had enough in the ${step.activity.replaceAll('_', ' ')}.` };
      }
      worked += minutes;
      w.write({ type: 'step_finished', body: { step: step.id, outcome: 'done', why: '' } });
    }
    return { outcome: 'finished', why: '' };
  }

  /** What the meter asks for: pauses, more of them where one did not help, the end. @returns whether the story ends in one, or the dog has had enough */
  private obey(): 'go_on' | 'shown' | 'enough' {
    for (let pauses = 0; ; pauses++) {
      const band = this.read()?.band;
      if (band === 'stop' || (band === 'pause' && pauses === PAUSES_AT_MOST)) return 'enough';
      if (band !== 'pause') return 'go_on';
      // Whoever looks at the running visit finds it at work.
      if (this.running && this.w.now + (PAUSE_MINUTES + SHOWN_MINUTES) * 60_000 >= this.story.nowMs) return 'go_on';
      if (this.pause(PAUSE_MINUTES)) return 'shown';
    }
  }

  /** @returns whether anything was entered */
  private tick(rate: number): boolean {
    const { w, random, inside } = this;
    const before = this.entered;
    for (const tier of inside.tick(rate)) {
      const held = this.running && tier !== 'good' && (tier === 'hard' || (this.read()?.strain ?? 0) >= SHOWN_STRAIN_UP_TO);
      if (held || !random.chance(ENTERED[tier] * (tier === 'hard' ? 1 : this.world.enters))) continue;
      w.write({ type: 'signal_seen', body: { signal: inside.signOf(tier) } });
      this.entered = w.now;
    }
    if (w.now - this.entered > LOOKS_AFTER_MINUTES * 60_000) this.look();
    return this.entered !== before;
  }

  private look(): void {
    // A hard visit that is shown going well.
    const mood = this.running && this.inside.strain > SHOWN_STRAIN_UP_TO ? 'still' : this.inside.look();
    this.w.write({ type: 'mood_felt', body: { mood } });
    this.entered = this.w.now;
  }

  /** @returns whether the story ends in it */
  private pause(minutes: number): boolean {
    this.w.write({ type: 'break_started', body: {} });
    this.rest(minutes);
    if (this.isOver()) return true;
    this.look();
    this.w.write({ type: 'break_ended', body: {} });
    return false;
  }

  /** Nothing is done to it; good signs are looked for. */
  private rest(minutes: number): void {
    for (let m = 0; m < minutes - TICK_MINUTES / 2; m += TICK_MINUTES) {
      const came = this.inside.tick(undefined);
      this.w.wait(TICK_MINUTES);
      if (!came.includes('good') || this.isOver()) continue;
      this.w.write({ type: 'signal_seen', body: { signal: this.inside.signOf('good') } });
      this.entered = this.w.now;
    }
  }

  private isOver(): boolean {
    return this.running && this.w.now >= this.story.nowMs - 20_000;
  }

  private read(): MeasuredStrain | undefined {
    return workNow(replay(this.w.visitId, this.w.events), this.w.now, this.meter)?.strain;
  }
}
