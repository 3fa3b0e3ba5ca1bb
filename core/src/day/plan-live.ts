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
 * A day that runs, from now on. A dog that is in hand is finished before another is begun, if that can be; where a dog that is already here finds no place
 * within the rule on waiting, it is taken as soon as hands are free, and it is said that it waits too long.
 * @param here dogs that are in the salon
 * @param mustWait it was looked for already and is not to be had: all of the time is for a day in which dogs wait as little as can be
 */
export function planLive(problem: DayProblem, here: ReadonlySet<string>, options: DayOptions, mustWait = false): LivePlan {
  if (mustWait) return waitingLeast(problem, here, options);
  const isLost = ({ schedule }: DayPlan): boolean => schedule.unplaced.some((id) => here.has(id));
  const going = goOn(problem);
  const first = planDay(going, options);
  if (!isLost(first)) return { plan: first, problem: going, overWaits: [] };
  const plan = going === problem ? first : planDay(problem, options);
  if (!isLost(plan)) return { plan, problem, overWaits: [] };
  return waitingLeast(problem, here, { ...options, from: plan.choice });
}

function waitingLeast(problem: DayProblem, here: ReadonlySet<string>, options: DayOptions): LivePlan {
  const patient = letWait(problem, here);
  const plan = planDay(patient, { ...options, goals: WAITING_FIRST });
  return { plan, problem: patient, overWaits: overWaitsIn(problem, plan.schedule) };
}

/** A dog in the middle of its visit waits between its parts so long at most, beside its own rests, minutes. Our default. */
const IN_HAND_WAITS = 15;

/** The same day with every dog that is in hand finished without long waits. */
function goOn(problem: DayProblem): DayProblem {
  const isLonger = (d: DayProblem['dogs'][number]): boolean => d.blocks[0]?.by !== undefined && d.waitsAtMost > IN_HAND_WAITS;
  if (!problem.dogs.some(isLonger)) return problem;
  return { ...problem, dogs: problem.dogs.map((d) => (isLonger(d) ? { ...d, waitsAtMost: IN_HAND_WAITS } : d)) };
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
