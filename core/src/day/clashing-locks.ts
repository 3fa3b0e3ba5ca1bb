import type { DayProblem } from './model.js';
import { planDay } from './plan-day.js';

/** Changes tried for each question: whether a few dogs find a place is seen soon. Our default. */
const ROUNDS = 1_500;

/**
 * Dogs that were put somewhere by hand and cannot all be there: the fewest that stand against each other, so that letting go any one of them is a way
 * out. Found by leaving out one after the other (deletion filter: J. W. Chinneck, E. W. Dravnieks 1991, ORSA Journal on Computing 3: 157–168, from
 * memory).
 * @returns empty where all find a place, or where what was put by hand is not what is in the way
 */
export function clashingLocks(problem: DayProblem): string[] {
  const fits = (held: ReadonlySet<string>): boolean => {
    const dogs = problem.dogs.map((d) => (isHeld(d.fixed) && !held.has(d.id) ? { ...d, fixed: {} } : d));
    return planDay({ ...problem, dogs }, { rounds: ROUNDS, goals: ['unplaced'] }).terms.unplaced === 0;
  };
  const all = problem.dogs.filter((d) => isHeld(d.fixed) && d.blocks[0]?.by === undefined).map((d) => d.id);
  const inHand = problem.dogs.filter((d) => d.blocks[0]?.by !== undefined).map((d) => d.id);
  let held = new Set([...all, ...inHand]);
  if (all.length === 0 || fits(held) || !fits(new Set(inHand))) return [];
  for (const one of all) {
    const fewer = new Set(held);
    fewer.delete(one);
    if (!fits(fewer)) held = fewer;
  }
  return all.filter((d) => held.has(d));
}

const isHeld = (fixed: { readonly person?: string; readonly from?: number }): boolean =>
  fixed.person !== undefined || fixed.from !== undefined;
