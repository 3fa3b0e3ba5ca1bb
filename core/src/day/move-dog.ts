import { type BrokenRule, brokenRules } from './check-day.js';
import type { DayProblem, DaySchedule } from './model.js';

/** Where a dog is put by hand. */
export interface MovedTo {
  /** When its first hand is, minute of the day; where it was, when it is not given. */
  readonly from?: number;
  /** Whose it is; whose it was, when it is not given. */
  readonly person?: string;
}

/** The day with one dog elsewhere, all else as it was: nothing is asked whether it may be so. */
export function moveDog(schedule: DaySchedule, dog: string, to: MovedTo): DaySchedule {
  const own = schedule.stretches.filter((s) => s.dog === dog);
  const by = to.from === undefined ? 0 : to.from - Math.min(...own.map((s) => s.from));
  return {
    ...schedule,
    stretches: schedule.stretches.map((s) => {
      if (s.dog !== dog) return s;
      const person = s.person === undefined ? undefined : (to.person ?? s.person);
      // Who takes it is not the second pair of hands as well: the two change places.
      const helper = s.helper !== undefined && s.helper === person ? s.person : s.helper;
      return { ...s, from: s.from + by, to: s.to + by, person, helper };
    }),
  };
}

/** What a dog would break where somebody drags it, each rule once: by what it is, not by how often. */
export function brokenByMove(problem: DayProblem, schedule: DaySchedule, dog: string, to: MovedTo): BrokenRule[] {
  const all = brokenRules(problem, moveDog(schedule, dog, to), dog);
  return all.filter((b, i) => all.findIndex((x) => x.rule === b.rule && x.dog === b.dog && x.other === b.other) === i);
}

/**
 * The time nearest to a wished one at which a dog breaks no rule with somebody, on the grid of the day; the earlier of two that are as near.
 * @returns `undefined` where there is none all day
 */
export function nearestTime(problem: DayProblem, schedule: DaySchedule, dog: string, to: Required<MovedTo>): number | undefined {
  const { slot, from, to: end } = problem;
  const wished = Math.round((to.from - from) / slot) * slot + from;
  for (let by = 0; by <= end - from; by += slot)
    for (const at of by === 0 ? [wished] : [wished - by, wished + by])
      if (at >= from && at <= end && brokenByMove(problem, schedule, dog, { ...to, from: at }).length === 0) return at;
  return undefined;
}
