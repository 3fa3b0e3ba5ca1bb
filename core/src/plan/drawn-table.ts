import {
  COARSE,
  COARSE_STEP_MINUTES,
  ENTERED,
  intensityAt,
  lookDrawn,
  LONGEST_STEP_MINUTES,
  type Manner,
  MODEL_TIERS,
  type ModelTier,
  NOT_OBSERVED_AFTER_MINUTES,
  PAUSE_AT,
  PAUSE_MINUTES,
  PAUSES_AT_MOST,
  recoveryPerMinute,
  RunningMeter,
  signDrawn,
  SIGNALS,
  STARTLE_POINTS,
  STEP_MINUTES,
  STRAIN_MAX,
  type StrainEntry,
  type WatchedVisit,
  type WorkStretch,
} from '../strain/index.js';
import type { DrawnWorld } from './draw-visit.js';

/** What is true of the dog this day. */
export interface DrawnDog {
  readonly startsAt: number;
  readonly halfLifeMinutes: number;
  readonly manner: Manner;
}
/** Points a minute: what the plan believes, and what is true. */
export interface DrawnRate {
  readonly believed: number;
  readonly truly: number;
}

/** One drawn visit at the table: strain that nobody sees, signs as they come and are entered, and the meter that reads them, on its coarse grain. */
export class DrawnTable {
  minute = 0;
  paused = false;
  stopped = false;
  /** It snapped or bit. */
  snapped = false;
  /** Stopped, or given up. */
  over = false;
  peak: number;
  hiddenPeak: number;
  private strain: number;
  private readonly meter: RunningMeter;
  private meterMinute = 0;
  private hardSigns = 0;
  private entered = 0;
  private readonly signs: SignTable;
  private readonly k: number;
  private readonly decay: number;
  private readonly entries: StrainEntry[] = [];
  private readonly stretches: WorkStretch[] = [];
  /** What the plan believes of what goes on. */
  private believed = 0;

  constructor(
    private readonly start: number,
    private readonly dog: DrawnDog,
    private readonly world: DrawnWorld,
    private readonly draws: { readonly chance: () => number; readonly normal: () => number },
    private readonly record: boolean,
  ) {
    this.strain = dog.startsAt;
    this.meter = new RunningMeter(start, world.halfLifeMinutes, COARSE);
    this.peak = this.meter.strain;
    this.hiddenPeak = this.strain;
    this.signs = SIGNS[dog.manner];
    this.k = recoveryPerMinute(dog.halfLifeMinutes);
    this.decay = Math.exp(-this.k * STEP_MINUTES);
  }

  /** What the table has on record. */
  get seen(): WatchedVisit | undefined {
    const { start, entries, stretches, world } = this;
    return this.record ? { entries, stretches, start, halfLifeMinutes: world.halfLifeMinutes } : undefined;
  }

  /** Another step is made ready: signs are seen, nothing is done to the dog. */
  change(minutes: number): void {
    this.go(minutes, undefined);
    this.meter.change();
  }

  work(minutes: number, rate: DrawnRate): void {
    const fromMinute = this.minute;
    this.catchUp();
    this.believed = rate.believed;
    this.go(minutes, rate.truly);
    this.catchUp();
    this.believed = 0;
    if (this.record) this.stretches.push({ fromMinute, toMinute: this.minute, ratePerMinute: rate.believed });
  }

  private go(minutes: number, truly: number | undefined): void {
    for (let left = minutes; left > 1e-9 && !this.over; left -= STEP_MINUTES) {
      const step = Math.min(STEP_MINUTES, left);
      this.move(step, truly);
      const { every, tiers } = this.signs;
      const cell = Math.round(this.strain);
      const sign = this.draws.chance();
      if (sign < (every[cell] ?? 0) * step) this.see(pick(tiers, cell, sign / step));
      // The meter asks when nothing was entered for so long, and somebody looks.
      if (this.minute - this.entered > NOT_OBSERVED_AFTER_MINUTES) this.look();
      this.obey();
    }
  }

  /** A break that was planned, or that the meter asks for; good signs are looked for in it, and somebody looks at its end. */
  rest(minutes: number): void {
    this.enter({ kind: 'break_started', minute: this.minute });
    this.meter.startBreak(this.minute);
    for (let left = minutes; left > 1e-9; left -= STEP_MINUTES) {
      const step = Math.min(STEP_MINUTES, left);
      this.move(step, undefined);
      if (this.draws.chance() < (this.signs.good[Math.round(this.strain)] ?? 0) * step) this.see('good');
    }
    this.look();
    this.enter({ kind: 'break_ended', minute: this.minute });
    this.meter.endBreak(this.minute);
  }

  /** What the meter asks for is done: a pause, another when it did not help, the end. */
  private obey(): void {
    for (let pauses = 0; ; pauses++) {
      const band = this.meter.band;
      if (this.peak >= PAUSE_AT) this.paused = true;
      if (band === 'stop') {
        this.stopped = this.over = true;
        return;
      }
      if (band !== 'pause') return;
      if (pauses === PAUSES_AT_MOST) {
        this.over = true;
        return;
      }
      this.rest(PAUSE_MINUTES);
    }
  }

  private look(): void {
    const mood = lookDrawn(this.strain, this.draws.chance());
    this.enter({ kind: 'state_seen', minute: this.minute, mood });
    this.meter.look(mood, this.minute);
  }

  private see(tier: ModelTier): void {
    const { chance } = this.draws;
    if (!this.meter.resting && chance() >= ENTERED[tier]) return;
    const signal = signDrawn(tier, this.dog.manner, chance, this.world.snapTimes);
    const { sets } = SIGNALS[signal];
    this.enter({ kind: 'signal', minute: this.minute, signal });
    this.meter.see(tier, sets && (this.hardSigns > 0 ? sets[1] : sets[0]), this.minute);
    if (sets) this.hardSigns++;
    if (signal === 'snap' || signal === 'bite') this.snapped = true;
    this.reach();
  }

  private enter(entry: StrainEntry): void {
    this.catchUp();
    this.entered = this.minute;
    if (this.record) this.entries.push(entry);
  }

  private move(minutes: number, truly: number | undefined): void {
    const { k, world, draws } = this;
    const decay = minutes === STEP_MINUTES ? this.decay : Math.exp(-k * minutes);
    let strain = this.strain * decay + ((truly ?? 0) / k) * (1 - decay);
    if (world.noisePoints > 0) strain += world.noisePoints * Math.sqrt((1 - decay * decay) / (2 * k)) * draws.normal();
    if (truly !== undefined && world.startlesPerMinute > 0 && draws.chance() < world.startlesPerMinute * minutes)
      strain += STARTLE_POINTS[Math.floor(draws.chance() * STARTLE_POINTS.length)] ?? 0;
    this.strain = Math.min(STRAIN_MAX, Math.max(0, strain));
    this.minute += minutes;
    if (this.strain > this.hiddenPeak) this.hiddenPeak = this.strain;
    if (this.minute - this.meterMinute >= LONGEST_STEP_MINUTES) this.readTo(LONGEST_STEP_MINUTES);
  }

  /** The meter goes on in whole minutes: two where nothing comes, else as far as it can before what came. */
  private readTo(minutes: number): void {
    this.meterMinute += minutes;
    this.meter.step(this.believed, this.meterMinute, minutes);
    this.reach();
  }
  private catchUp(): void {
    if (this.minute - this.meterMinute >= COARSE_STEP_MINUTES) this.readTo(COARSE_STEP_MINUTES);
  }

  private reach(): void {
    const { strain } = this.meter;
    if (strain > this.peak) this.peak = strain;
  }
}

/** Signs a minute at each whole point of strain: of every tier, and up to and with each tier. */
interface SignTable {
  readonly every: Float64Array;
  readonly good: Float64Array;
  readonly tiers: readonly { readonly tier: ModelTier; readonly upTo: Float64Array }[];
}
function signTable(manner: Manner): SignTable {
  const sum = new Float64Array(STRAIN_MAX + 1);
  const tiers = MODEL_TIERS.map((tier) => {
    sum.forEach((before, s) => (sum[s] = before + intensityAt(tier, s, manner)));
    return { tier, upTo: Float64Array.from(sum) };
  });
  return { every: sum, good: sum.map((_, s) => intensityAt('good', s, manner)), tiers };
}
const SIGNS: Readonly<Record<Manner, SignTable>> = { shows: signTable('shows'), goes_quiet: signTable('goes_quiet') };

function pick(tiers: SignTable['tiers'], cell: number, at: number): ModelTier {
  for (const { tier, upTo } of tiers) if (at < (upTo[cell] ?? 0)) return tier;
  return 'good';
}
