import { recoveryPerMinute } from '../strain/index.js';
import { grow, insert, restTable, type Label } from './label.js';
import { POINT_MINUTES_PER_MINUTE, POSTS, type PlanProblem } from './model.js';
import { mayFollow, type Precedence } from './precedence.js';
import { minutesOf, startLabel } from './search.js';

/**
 * Every set of steps that can be done within all limits, with the quickest way found to do it.
 *
 * One pass over (steps done, post) in which only time counts: each part takes the shortest break that it may begin after.
 * A longer one is never needed, since resting later lowers strain by more (decay is in proportion to strain) and resets the same
 * clock. So a state keeps a label or two, and the pass is cheap where the search for the least burden is not.
 */
export function reachableSets(problem: PlanProblem, p: Precedence): Map<number, Label> {
  const n = problem.steps.length;
  const rest = restTable(recoveryPerMinute(problem.halfLifeMinutes), POINT_MINUTES_PER_MINUTE);
  const quickest = new Map<number, Label>();
  let layer = new Map<number, Label[]>([[POSTS.indexOf(problem.startPost), [startLabel(problem)]]]);
  for (let done = 0; done < n && layer.size > 0; done++) {
    const next = new Map<number, Label[]>();
    for (const [state, labels] of layer) {
      const mask = Math.floor(state / POSTS.length);
      const post = POSTS[state % POSTS.length] ?? 'table';
      const g = { problem, rest, keepMinutes: true, timeOnly: true, worked: minutesOf(problem, mask) };
      for (let step = 0; step < n; step++) {
        if (!mayFollow(p, mask, step)) continue;
        const after = (mask | (1 << step)) * POSTS.length + POSTS.indexOf(problem.steps[step]?.post ?? 'table');
        const bucket = next.get(after) ?? [];
        for (const label of labels) for (const grown of grow(g, label, post, step)) insert(bucket, grown, rest, true);
        if (bucket.length > 0) next.set(after, bucket);
      }
    }
    for (const [state, labels] of next) {
      const mask = Math.floor(state / POSTS.length);
      for (const label of labels) {
        const best = quickest.get(mask);
        if (!best || label.minutes < best.minutes) quickest.set(mask, label);
      }
    }
    layer = next;
  }
  return quickest;
}
