import { HELPER_SHARE, hoursOf } from './hours-worked.js';
import type { DayProblem } from './model.js';

/**
 * The least that the load of a day can come to, whoever does what and when: as if it could be poured over all who work until nobody bears
 * more for their hours than another. No plan is below it; one that reaches it is proven best in this goal.
 */
export function leastLoad(problem: DayProblem): number {
  const there = known.get(problem);
  if (there !== undefined) return there;
  const hours = problem.people.map((p) => hoursOf(p.works));
  const borne = problem.people.map((p) => p.borne);
  const all = problem.dogs.flatMap((d) => d.blocks).flatMap((b) => b.stretches);
  const least = poured(
    borne,
    hours,
    all.reduce((sum, s) => sum + (s.hands === 0 ? 0 : s.load * (s.hands === 2 ? 1 + HELPER_SHARE : 1)), 0),
  );
  known.set(problem, least);
  return least;
}
/** Asked for with every change that is tried. */
const known = new WeakMap<DayProblem, number>();

/** Sum of load² per hour when what is left is poured over people so that the sum is least. */
export function poured(borne: readonly number[], hours: readonly number[], left: number): number {
  // The level to which the lowest are filled: load per hour, above which nobody gets anything.
  const order = borne.map((_, i) => i).sort((i, j) => rate(i) - rate(j));
  function rate(i: number): number {
    return (borne[i] ?? 0) / (hours[i] ?? 1);
  }
  let [level, sum, width] = [0, left, 0];
  for (const [at, i] of order.entries()) {
    sum += borne[i] ?? 0;
    width += hours[i] ?? 1;
    level = sum / width;
    const next = order[at + 1];
    if (next === undefined || level <= rate(next)) break;
  }
  return borne.reduce((total, b, i) => {
    const to = Math.max(b, level * (hours[i] ?? 1));
    return total + to ** 2 / (hours[i] ?? 1);
  }, 0);
}
