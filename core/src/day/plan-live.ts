import { DAY_GOALS, type DayGoal, type DayProblem, type DaySchedule } from './model.js';
import { type DayOptions, type DayPlan, planDay } from './plan-day.js';
import { waitingOf } from './judge-day.js';

/** Who is here is not sent away by a rule: then it may wait until somebody has hands free, minutes. Our default: as long as a day. */
const ANY_WAIT = 24 * 60;

/** Once a dog waits longer than it should, nothing is weightier than that it waits no longer still. */
const WAITING_FIRST: readonly DayGoal[] = ['unplaced', 'waiting', ...DAY_GOALS.filter((g) => g !== 'unplaced' && g !== 'waiting')];

export interface LivePlan {
  readonly plan: DayPlan;
  /** The day that it is a plan of: with the rule on waiting let go for who is here, where nothing else was found. */
  readonly problem: DayProblem;
  /** Dogs that wait longer than they should. */
  readonly overWaits: readonly string[];
}

/**
 * A day that runs, from now on. Where a dog that is already here finds no place within the rule on waiting, it is taken as soon as hands are free, and it is
 * said that it waits too long.
 * @param here dogs that are in the salon
 */
export function planLive(problem: DayProblem, here: ReadonlySet<string>, options: DayOptions): LivePlan {
  const plan = planDay(problem, options);
  if (!plan.schedule.unplaced.some((id) => here.has(id))) return { plan, problem, overWaits: [] };
  const patient = letWait(problem, here);
  const second = planDay(patient, { ...options, goals: WAITING_FIRST, from: plan.choice });
  return { plan: second, problem: patient, overWaits: overWaitsIn(problem, second.schedule) };
}

/** The same day with no end of waiting for some dogs. */
export const letWait = (problem: DayProblem, dogs: ReadonlySet<string>): DayProblem => ({
  ...problem,
  dogs: problem.dogs.map((d) => (dogs.has(d.id) ? { ...d, waitsAtMost: ANY_WAIT } : d)),
});

/** Dogs that wait longer on a day than its rules allow. */
export function overWaitsIn(problem: DayProblem, schedule: DaySchedule): string[] {
  return problem.dogs.flatMap((d) => {
    const own = schedule.stretches.filter((s) => s.dog === d.id).sort((a, b) => a.from - b.from || a.stretch - b.stretch);
    return waitingOf(d, own) > d.waitsAtMost ? [d.id] : [];
  });
}
