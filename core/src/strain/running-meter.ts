import type { Mood, StrainBand } from '../words/index.js';
import { bandOf, PAUSE_AT, STOP_AT, worseBand } from './bands.js';
import { firstBelief, lookIn, seeIn, silenceIn, strainQuantile, strainQuantiles } from './belief.js';
import { isCalmState, readCalmState } from './calm-states.js';
import { changeIn, stepInto } from './drift.js';
import type { Grid } from './grid.js';
import { type ModelTier, QUIET_SHARE } from './process.js';

/** After this many minutes of work without any entry the meter says "not observed". Our default. */
export const NOT_OBSERVED_AFTER_MINUTES = 5;

/**
 * A pause counts as recovery from so many minutes on, with a good sign in it; after a hard sign from the second number on, with the good
 * sign at its end. Common practice, no source.
 */
export const PAUSE_COUNTS_FROM_MINUTES = 2;
export const PAUSE_AFTER_HARD_SIGN_MINUTES = 5;

/** Rising or hard signs that cease for so long without a good one read "unclear". Our default. */
const CEASED_AFTER_MINUTES = 3;

/** The lowest number that is shown while a hard sign holds its band. */
const FLOOR: Readonly<Record<StrainBand, number>> = { settled: 0, watch: 0, pause: PAUSE_AT, stop: STOP_AT };

/**
 * Probabilities between which strain lies in nine of ten. Wider than the model's own: rates and half-lives of dogs differ, too, which the
 * filter takes as known. Measured on simulated dogs (`meter-and-truth.spec.ts`).
 */
const NINE_OF_TEN = [0.025, 0.975] as const;

/** Longer steps spread further than three cells of the coarse grid hold. */
export const LONGEST_STEP_MINUTES = 2;

/**
 * The meter while a visit goes on: what the model believes, with the floors that stand on top of it whatever it believes. Silence is not
 * calm: watched minutes without a sign speak only once a good sign comes, as if strain had been then what it is now; without one
 * the number follows the work alone. Its band falls with a good sign, or in a break that counts, and never by minutes.
 * Minutes count from the start of the work.
 */
export class RunningMeter {
  /** What is believed, and an array that the next step is written to. */
  private mass: Float64Array;
  private spare: Float64Array;
  /** The number as last worked out; `undefined` when something has changed since. */
  private middle: number | undefined;
  /** Watched minutes in which nothing was seen, that no good sign has let speak yet. */
  private silentMinutes = 0;
  private lastEntry: number | undefined;
  private restingSince: number | undefined;
  private goodInBreak: number | undefined;
  /** What a hard sign or a body alarm set. */
  private forced: StrainBand = 'settled';
  /** The highest band since a good sign, or a break that counted. */
  private held: StrainBand;
  /** What the last look says, whatever the number is. */
  private looksLike: StrainBand = 'settled';
  /** When rising or hard signs were last seen with no good one since. */
  private risenAt: number | undefined;

  /** @param start points at the start of the work */
  constructor(
    private readonly start: number,
    private readonly halfLifeMinutes: number,
    private readonly grid: Grid,
  ) {
    this.mass = firstBelief(start, QUIET_SHARE, grid).mass;
    this.spare = new Float64Array(this.mass.length);
    this.held = bandOf(start);
  }

  /** Another meter that stands where this one does. */
  copy(): RunningMeter {
    const other = new RunningMeter(this.start, this.halfLifeMinutes, this.grid);
    other.mass = Float64Array.from(this.mass);
    other.middle = this.middle;
    other.silentMinutes = this.silentMinutes;
    other.lastEntry = this.lastEntry;
    other.restingSince = this.restingSince;
    other.goodInBreak = this.goodInBreak;
    other.forced = this.forced;
    other.held = this.held;
    other.looksLike = this.looksLike;
    other.risenAt = this.risenAt;
    return other;
  }

  get resting(): boolean {
    return this.restingSince !== undefined;
  }
  /** Points, 0 to 100: as likely higher as lower, and never below what a hard sign set. */
  get strain(): number {
    this.middle ??= strainQuantile({ grid: this.grid, mass: this.mass }, 0.5);
    return Math.max(FLOOR[this.forced], this.middle);
  }
  /** Between which points strain lies in nine of ten. */
  get range90(): readonly [number, number] {
    const [low, high] = strainQuantiles({ grid: this.grid, mass: this.mass }, NINE_OF_TEN);
    const floor = FLOOR[this.forced];
    return [Math.max(floor, low ?? 0), Math.max(floor, high ?? 0)];
  }
  /** The band of the number, or a worse one that holds. */
  get band(): StrainBand {
    return worseBand(worseBand(worseBand(bandOf(this.strain), this.held), this.forced), this.looksLike);
  }
  /** Minutes since anything was entered; none in a break. */
  minutesUnobserved(minute: number): number {
    return this.resting ? 0 : Math.max(0, minute - (this.lastEntry ?? 0));
  }
  /** Rising or hard signs have ceased, and no good sign says why. */
  isUnclear(minute: number): boolean {
    return this.risenAt !== undefined && minute - this.risenAt >= CEASED_AFTER_MINUTES;
  }

  /**
   * Some minutes go by.
   * @param ratePerMinute of the work, on an ordinary day; nothing counts of it in a break
   * @param to the minute at which they end
   * @param stepMinutes few different values in a whole, none longer than {@link LONGEST_STEP_MINUTES}
   */
  step(ratePerMinute: number, to: number, stepMinutes: number): void {
    stepInto(this.spare, this.grid, this.mass, this.resting ? 0 : ratePerMinute, this.halfLifeMinutes, stepMinutes);
    [this.mass, this.spare] = [this.spare, this.mass];
    this.middle = undefined;
    const watched = this.lastEntry !== undefined && to - this.lastEntry <= NOT_OBSERVED_AFTER_MINUTES;
    if (watched) this.silentMinutes = Math.min(NOT_OBSERVED_AFTER_MINUTES, this.silentMinutes + stepMinutes);
    if (this.breakCounts(to)) this.fall();
    this.hold();
  }

  /** Another stretch of work begins. */
  change(): void {
    changeIn(this.mass, this.grid);
  }

  startBreak(minute: number): void {
    this.lastEntry = this.restingSince = minute;
    this.goodInBreak = undefined;
  }

  endBreak(minute: number): void {
    const counted = this.breakCounts(minute);
    this.lastEntry = minute;
    this.restingSince = this.goodInBreak = undefined;
    if (!counted) return;
    if (this.forced === 'pause') this.forced = 'settled';
    this.fall();
  }

  look(mood: Mood, minute: number): void {
    this.lastEntry = minute;
    this.looksLike = isCalmState(mood) ? readCalmState(mood).bandAtLeast : 'settled';
    lookIn(this.mass, this.grid, mood);
    this.middle = undefined;
    // A relaxed dog is an observed good sign; still says nothing; the others take back the good sign before them.
    if (mood === 'relaxed') this.seenGood(minute);
    else if (mood !== 'still') this.goodInBreak = undefined;
    this.hold();
  }

  /** Something was entered that says nothing of strain. */
  noticed(minute: number): void {
    this.lastEntry = minute;
  }

  /**
   * A sign was seen.
   * @param tier `undefined` for a body alarm
   * @param sets the band that it sets by itself
   */
  see(tier: ModelTier | undefined, sets: StrainBand | undefined, minute: number): void {
    this.lastEntry = minute;
    if (tier) seeIn(this.mass, this.grid, tier);
    this.middle = undefined;
    if (sets) this.forced = worseBand(this.forced, sets);
    if (tier === 'good') this.seenGood(minute);
    else {
      this.silentMinutes = 0;
      this.goodInBreak = undefined;
      // An early sign goes on where others have risen; by itself it has not risen.
      if (tier !== 'early' || this.risenAt !== undefined) this.risenAt = minute;
      // One rising sign may be a fright that is over: the number says how likely that is, the band is watch until a good sign.
      if (tier === 'rising') this.held = worseBand(this.held, 'watch');
    }
    this.hold();
  }

  private seenGood(minute: number): void {
    if (this.silentMinutes > 0) silenceIn(this.mass, this.grid, this.silentMinutes);
    this.middle = undefined;
    this.silentMinutes = 0;
    this.risenAt = undefined;
    if (this.resting) this.goodInBreak = minute;
    if (!this.resting || this.breakCounts(minute)) this.fall();
  }

  /** Whether the break that goes on has done its work by a minute. */
  private breakCounts(minute: number): boolean {
    const { restingSince, goodInBreak } = this;
    if (restingSince === undefined || goodInBreak === undefined) return false;
    // After a hard sign the good one stands at the end of those minutes, not at their start.
    return this.forced === 'settled'
      ? minute - restingSince >= PAUSE_COUNTS_FROM_MINUTES
      : goodInBreak - restingSince >= PAUSE_AFTER_HARD_SIGN_MINUTES;
  }

  /** The band may fall to what the number says. */
  private fall(): void {
    this.held = bandOf(this.strain);
  }
  private hold(): void {
    this.held = worseBand(this.held, bandOf(this.strain));
  }
}
