import { type Belief, strainQuantiles } from './belief.js';
import type { BreakSeen } from './break-seen.js';
import { StrainFilter } from './strain-filter.js';
import type { WatchedVisit } from './watched-visit.js';

/**
 * Breaks of a visit in which somebody looked and said how the dog is: what recovery is learned from. What the strain was before is what
 * the model believes then, with how sure it is; what it was after is never presumed, only what the look says.
 */
export function watchedBreaks(visit: WatchedVisit): BreakSeen[] {
  const filter = new StrainFilter(visit);
  const out: BreakSeen[] = [];
  let begun: (Pick<BreakSeen, 'strainBefore' | 'spread'> & { readonly minute: number }) | undefined;
  let seen: BreakSeen | undefined;
  for (const entry of visit.entries) {
    if (entry.kind === 'break_started') {
      begun = { ...strainOf(filter.at(entry.minute)), minute: entry.minute };
      seen = undefined;
    } else if (entry.kind === 'state_seen' && begun) {
      const { minute, ...before } = begun;
      seen = { ...before, minutes: entry.minute - minute, mood: entry.mood };
    } else if (entry.kind === 'break_ended') {
      if (seen) out.push(seen);
      begun = undefined;
      seen = undefined;
    }
  }
  return out;
}

/** Middle and standard deviation of what is believed, to a tenth of a point: they are kept with the visit. */
function strainOf(belief: Belief): Pick<BreakSeen, 'strainBefore' | 'spread'> {
  const [low, middle, high] = strainQuantiles(belief, [0.16, 0.5, 0.84]).map((x) => Math.round(10 * x) / 10) as [number, number, number];
  return { strainBefore: middle, spread: (high - low) / 2 };
}
