import { afterLook, afterSign, afterSilence, type Belief, firstBelief, type Weighed } from './belief.js';
import { afterChange, afterStep } from './drift.js';
import type { GoneThrough } from './goes-on.js';

import { MODEL_TIERS, QUIET_SHARE, STEP_MINUTES } from './process.js';
import { NOT_OBSERVED_AFTER_MINUTES } from './running-meter.js';
import { SIGNALS } from './signals.js';
import type { StrainEntry, WatchedVisit } from './watched-visit.js';

/** Where the filter stands: what is believed, how likely all of it was, whether the dog rests, and when something was last entered. */
interface Standing {
  readonly belief: Belief;
  readonly logLikelihood: number;
  readonly resting: boolean;
  readonly lastEntry: number | undefined;
}

/** How finely a visit is gone through. */
export interface Grain {
  readonly stepMinutes: number;
  /** Chance that it is a dog that goes quiet. */
  readonly quietShare: number;
  /** By how much watched silence counts. */
  readonly silenceCounts: number;
}
const AT_THE_TABLE: Grain = { stepMinutes: STEP_MINUTES, quietShare: QUIET_SHARE, silenceCounts: 1 };

/**
 * A filter over everything that was entered in a visit. Time goes in steps. Silence speaks only while somebody is known to
 * watch, for {@link NOT_OBSERVED_AFTER_MINUTES} after an entry; unwatched minutes only widen what is believed.
 */
export class StrainFilter {
  private standing: Standing;
  private minute = 0;
  private next = 0;
  /** The stretch of work that was last gone through. */
  private stretch: number | undefined;

  constructor(
    private readonly visit: WatchedVisit,
    private readonly grain: Grain = AT_THE_TABLE,
  ) {
    this.standing = { belief: firstBelief(visit.start, grain.quietShare), logLikelihood: 0, resting: false, lastEntry: undefined };
  }

  /** Another filter that stands where this one does, for a visit that is the same so far. */
  fork(visit: WatchedVisit): StrainFilter {
    const other = new StrainFilter(visit, this.grain);
    other.standing = this.standing;
    other.minute = this.minute;
    other.next = this.next;
    other.stretch = this.stretch;
    return other;
  }

  /** How far it has gone. */
  get gone(): GoneThrough {
    return { visit: this.visit, minute: this.minute, taken: this.next };
  }

  /** Logarithm of how likely all was that was seen until the last whole step. */
  get logLikelihood(): number {
    return this.standing.logLikelihood;
  }

  /**
   * What is believed at a minute.
   * @param now minutes from the start of the work, never before a minute that was asked for earlier
   * @throws RangeError when time would run backwards by a step or more
   */
  at(now: number): Belief {
    if (now < this.minute) throw new RangeError(`StrainFilter.at: minute ${now} is over, it stands at ${this.minute}`);
    const { entries } = this.visit;
    const { stepMinutes } = this.grain;
    while (this.minute + stepMinutes <= now) {
      const to = this.minute + stepMinutes;
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
    const { resting, lastEntry, logLikelihood } = this.standing;
    const { stepMinutes, silenceCounts } = this.grain;
    const middle = to - stepMinutes / 2;
    const stretch = this.visit.stretches.findIndex((s) => s.fromMinute <= middle && middle < (s.toMinute ?? Infinity));
    const other = stretch !== -1 && this.stretch !== undefined && stretch !== this.stretch;
    if (stretch !== -1) this.stretch = stretch;
    const rate = resting ? 0 : (this.visit.stretches[stretch]?.ratePerMinute ?? 0);
    const before = other ? afterChange(this.standing.belief) : this.standing.belief;
    const belief = afterStep(before, rate, this.visit.halfLifeMinutes, stepMinutes);
    const standing = { belief, logLikelihood, resting, lastEntry };
    const watched = lastEntry !== undefined && to - lastEntry <= NOT_OBSERVED_AFTER_MINUTES;
    return watched ? seeing(standing, afterSilence(belief, stepMinutes * silenceCounts)) : standing;
  }

  private take(standing: Standing, entry: StrainEntry): Standing {
    const now = { ...standing, lastEntry: entry.minute };
    if (entry.kind === 'break_started' || entry.kind === 'break_ended') return { ...now, resting: entry.kind === 'break_started' };
    if (entry.kind === 'state_seen') return seeing(now, afterLook(now.belief, entry.mood));
    const tier = MODEL_TIERS.find((t) => t === SIGNALS[entry.signal].tier);
    const counts = tier && !(this.visit.uncounted ?? []).includes(entry.signal);
    return counts ? seeing(now, afterSign(now.belief, tier)) : now;
  }
}

function seeing(standing: Standing, { belief, likelihood }: Weighed): Standing {
  return { ...standing, belief, logLikelihood: standing.logLikelihood + Math.log(likelihood) };
}
