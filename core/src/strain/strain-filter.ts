import type { SignalId } from '../words/index.js';
import { afterChange, afterLook, afterSign, afterSilence, afterStep, type Belief, firstBelief } from './belief.js';
import { NOT_OBSERVED_AFTER_MINUTES, type StrainEntry } from './measured.js';
import { MODEL_TIERS, STEP_MINUTES } from './process.js';
import { SIGNALS } from './signals.js';

/** What was done in a stretch of the visit, at the rate that the plan expects of it. Minutes from the start of the work. */
export interface WorkStretch {
  readonly fromMinute: number;
  /** `undefined` while it goes on. */
  readonly toMinute: number | undefined;
  /** Points a minute on an ordinary day. */
  readonly ratePerMinute: number;
}

/** A visit as far as it is known. */
export interface WatchedVisit {
  /** In order of time. */
  readonly entries: readonly StrainEntry[];
  readonly stretches: readonly WorkStretch[];
  /** Points that the dog brought to the table. */
  readonly start: number;
  readonly halfLifeMinutes: number;
  /** Signs that mean nothing on this dog. */
  readonly uncounted?: readonly SignalId[];
}

/** Where the filter stands: what is believed, whether the dog rests, and when something was last entered. */
interface Standing {
  readonly belief: Belief;
  readonly resting: boolean;
  readonly lastEntry: number | undefined;
}

/**
 * A filter over everything that was entered in a visit. Time goes in steps of half a minute. Silence speaks only while somebody is known to
 * watch, for {@link NOT_OBSERVED_AFTER_MINUTES} after an entry; unwatched minutes only widen what is believed.
 */
export class StrainFilter {
  private standing: Standing;
  private minute = 0;
  private next = 0;
  /** The stretch of work that was last gone through. */
  private stretch: number | undefined;

  constructor(private readonly visit: WatchedVisit) {
    this.standing = { belief: firstBelief(visit.start), resting: false, lastEntry: undefined };
  }

  /**
   * What is believed at a minute.
   * @param now minutes from the start of the work, never before a minute that was asked for earlier
   * @throws RangeError when time would run backwards by a step or more
   */
  at(now: number): Belief {
    if (now < this.minute) throw new RangeError(`StrainFilter.at: minute ${now} is over, it stands at ${this.minute}`);
    const { entries } = this.visit;
    while (this.minute + STEP_MINUTES <= now) {
      const to = this.minute + STEP_MINUTES;
      let standing = this.overOneStep(to);
      for (let entry = entries[this.next]; entry && entry.minute < to; entry = entries[++this.next]) standing = this.take(standing, entry);
      this.standing = standing;
      this.minute = to;
    }
    // What was entered since the last whole step counts at once.
    let standing = this.standing;
    for (let e = this.next, entry = entries[e]; entry && entry.minute <= now; entry = entries[++e]) standing = this.take(standing, entry);
    return standing.belief;
  }

  private overOneStep(to: number): Standing {
    const { resting, lastEntry } = this.standing;
    const middle = to - STEP_MINUTES / 2;
    const stretch = this.visit.stretches.findIndex((s) => s.fromMinute <= middle && middle < (s.toMinute ?? Infinity));
    const other = stretch !== -1 && this.stretch !== undefined && stretch !== this.stretch;
    if (stretch !== -1) this.stretch = stretch;
    const rate = resting ? 0 : (this.visit.stretches[stretch]?.ratePerMinute ?? 0);
    const before = other ? afterChange(this.standing.belief) : this.standing.belief;
    const belief = afterStep(before, rate, this.visit.halfLifeMinutes);
    const watched = lastEntry !== undefined && to - lastEntry <= NOT_OBSERVED_AFTER_MINUTES;
    return { resting, lastEntry, belief: watched ? afterSilence(belief) : belief };
  }

  private take({ belief, resting }: Standing, entry: StrainEntry): Standing {
    const lastEntry = entry.minute;
    if (entry.kind === 'break_started' || entry.kind === 'break_ended')
      return { belief, resting: entry.kind === 'break_started', lastEntry };
    if (entry.kind === 'state_seen') return { belief: afterLook(belief, entry.mood), resting, lastEntry };
    const tier = MODEL_TIERS.find((t) => t === SIGNALS[entry.signal].tier);
    const counts = tier && !(this.visit.uncounted ?? []).includes(entry.signal);
    return { belief: counts ? afterSign(belief, tier) : belief, resting, lastEntry };
  }
}
