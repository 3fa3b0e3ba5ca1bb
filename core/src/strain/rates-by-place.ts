import { priorRate, rateInterval90, rateMean, updateRate } from '../statistics/index.js';
import type { LearnedTool, Posture, ZoneGroup } from '../words/index.js';
import { POINTS_IN_A_BURST, type SeenWork } from './rate-book.js';

/** How hard one tool in one place and posture is on a dog, as far as it was seen. */
export interface PlaceRate {
  readonly tool: LearnedTool;
  readonly group: ZoneGroup;
  readonly posture: Posture;
  readonly minutes: number;
  readonly points: number;
  /** Strain points a minute. */
  readonly mean: number;
  readonly interval90: readonly [number, number];
}

/**
 * Rates of a dog by tool, place and posture, the hardest first. Each starts from the prior of its work and learns from the minutes seen.
 * @param priorOf points a minute before anything was seen, > 0
 */
export function ratesByPlace<A extends string>(seen: readonly SeenWork<A>[], priorOf: (work: SeenWork<A>) => number): PlaceRate[] {
  const places = new Map<string, SeenWork<A>[]>();
  for (const s of seen) {
    if (s.minutes <= 0) continue;
    const key = `${s.tool}|${s.group}|${s.posture}`;
    places.set(key, [...(places.get(key) ?? []), s]);
  }
  return [...places.values()]
    .flatMap((works) => {
      const first = works[0];
      if (!first) return [];
      const minutes = works.reduce((sum, w) => sum + w.minutes, 0);
      const points = works.reduce((sum, w) => sum + w.points, 0);
      const prior = works.reduce((sum, w) => sum + priorOf(w) * w.minutes, 0) / minutes;
      const rate = updateRate(priorRate(prior), points / POINTS_IN_A_BURST, minutes / POINTS_IN_A_BURST);
      return [
        {
          tool: first.tool,
          group: first.group,
          posture: first.posture,
          minutes,
          points,
          mean: rateMean(rate),
          interval90: rateInterval90(rate),
        },
      ];
    })
    .sort((a, b) => b.mean - a.mean);
}

/** Upper ends of the first four of five steps, points a minute. Our default. */
export const STRAIN_STEP_ENDS = [0.5, 1.2, 2.2, 3.5] as const;

/** A rate in five steps, 1 to 5: for the heat on the body map. `strainStep(2) // => 3` */
export function strainStep(pointsPerMinute: number): 1 | 2 | 3 | 4 | 5 {
  const at = STRAIN_STEP_ENDS.findIndex((end) => pointsPerMinute < end);
  const steps = [1, 2, 3, 4, 5] as const;
  return steps[at === -1 ? 4 : at] ?? 5;
}
