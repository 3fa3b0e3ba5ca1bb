import type { HandlingPlan, PlannedStep } from '@mansuet/core/plan';
import { MOOD_START, SimulatedStrain, type Temperament, TICK_MINUTES } from '@mansuet/core/strain';
import { replay, workNow } from '@mansuet/core/visit';
import type { Activity, StrainBand } from '@mansuet/core/words';
import type { DemoDog } from './dogs.js';
import { type Random, seeded } from './random.js';
import type { Story } from './visit-story.js';
import type { VisitWriter } from './visit-writer.js';

/** Shares of the signs that hands enter: of strain, and of good ones. */
const ENTERED = { strain: 0.85, good: 0.5 } as const;
/** Somebody says how the dog is when nothing was entered for so long, minutes. */
const LOOKS_AFTER_MINUTES = 4.5;
/** A pause that the meter asks for, minutes; after so many in a row the dog has had enough. */
const PAUSE_MINUTES = 6;
const PAUSES_AT_MOST = 2;
const BETWEEN_STEPS_MINUTES = 0.5;
/** The visit that is shown running is a hard one that goes well: a tap by whoever looks at it may change that. */
const SHOWN_STRAIN_UP_TO = 32;
const SHOWN_MINUTES = 3;
/** How far days of one dog differ, and dogs in each kind of work and in how they come down: standard deviations of logarithms. */
const SPREADS = { day: 0.3, work: 0.3, halfLife: 0.25 } as const;
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
  private readonly day: number;
  private readonly running: boolean;
  private entered: number;
  private pauses = 0;

  constructor(
    private readonly w: VisitWriter,
    private readonly story: Story,
    private readonly random: Random,
  ) {
    this.inside = new SimulatedStrain(MOOD_START[story.findings.mood], temperamentOf(story.demo), () => random.next());
    this.day = spread(random, SPREADS.day);
    this.running = story.until === 'work';
    this.entered = w.now;
  }

  work(steps: readonly PlannedStep[], tiring: number): Ended | undefined {
    const { w, story, random } = this;
    let worked = 0;
    const hurtAt = story.incident ? random.whole(0, steps.length - 1) : -1;
    for (const [i, step] of steps.entries()) {
      const planned = step.breaks.reduce((sum, b) => sum + b.minutes, 0);
      // The running visit is shown in a step, not in a break that began long ago.
      const shown = this.running && w.now + (planned + SHOWN_MINUTES) * 60_000 >= story.nowMs;
      if (planned > 0 && !shown && this.pause(planned)) return undefined;
      this.rest(BETWEEN_STEPS_MINUTES);
      w.write({ type: 'step_started', body: { step: step.id } });
      if (i === hurtAt && story.incident) w.write({ type: 'incident', body: { incidentId: w.id(), ...story.incident } });
      const rate = step.rate.ofItsKind * hardness(story.demo, step.activity) * this.day * (1 + tiring * worked);
      const minutes = step.minutes * random.between(0.8, 1.3);
      for (let m = 0; m < minutes; m += TICK_MINUTES) {
        w.wait(TICK_MINUTES);
        if (this.isOver()) return undefined;
        if (!this.tick(rate)) continue;
        const band = this.band();
        if (band === 'pause' && this.pause(PAUSE_MINUTES)) return undefined;
        this.pauses = band === 'pause' ? this.pauses + 1 : 0;
        if (band === 'stop' || this.pauses > PAUSES_AT_MOST)
          return { outcome: 'stopped', why: `${story.demo.name} had enough in the ${step.activity.replaceAll('_', ' ')}.` };
      }
      worked += minutes;
      w.write({ type: 'step_finished', body: { step: step.id, outcome: 'done', why: '' } });
    }
    return { outcome: 'finished', why: '' };
  }

  /** @returns whether anything was entered */
  private tick(rate: number): boolean {
    const { w, random, inside } = this;
    const before = this.entered;
    for (const tier of inside.tick(rate)) {
      const held = this.running && tier !== 'good' && (tier === 'hard' || this.meter() >= SHOWN_STRAIN_UP_TO);
      if (held || !random.chance(tier === 'good' ? ENTERED.good : ENTERED.strain)) continue;
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
      if (!came.includes('good') || !this.random.chance(ENTERED.good) || this.isOver()) continue;
      this.w.write({ type: 'signal_seen', body: { signal: this.inside.signOf('good') } });
      this.entered = this.w.now;
    }
  }

  private isOver(): boolean {
    return this.running && this.w.now >= this.story.nowMs - 20_000;
  }

  private meter(): number {
    return workNow(replay(this.w.visitId, this.w.events), this.w.now)?.strain.strain ?? 0;
  }

  private band(): StrainBand {
    return workNow(replay(this.w.visitId, this.w.events), this.w.now)?.strain.band ?? 'settled';
  }
}
