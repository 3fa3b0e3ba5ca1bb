import type { Belief } from './belief.js';
import { goesOnFrom } from './goes-on.js';
import { StrainFilter } from './strain-filter.js';
import type { WatchedVisit } from './watched-visit.js';

/**
 * A filter that stands where it was last asked, so that a tap costs only what came since. What it says depends on the visit alone: where
 * something came in late, it goes through the whole visit again.
 */
export class StandingFilter {
  private standing: StrainFilter | undefined;

  /** What is believed at a minute of the visit. */
  at(visit: WatchedVisit, now: number): Belief {
    const kept = this.standing;
    this.standing = kept && goesOnFrom(kept.gone, visit, now) ? kept.fork(visit) : new StrainFilter(visit);
    return this.standing.at(now);
  }
}
