import { DAY_GOALS, type DayGoal, type DayProblem, type DayTerms } from './model.js';
import { type DayOptions, type DayPlan, planDay } from './plan-day.js';

/** Another way to lay out the same day. */
export type DayWay = 'less_waiting' | 'owners_first' | 'as_booked';

export interface OtherDay {
  readonly way: DayWay;
  readonly plan: DayPlan;
  /** How much more, or less, each goal comes to than in the plan in hand. */
  readonly by: DayTerms;
}

const FIRST: Readonly<Record<Exclude<DayWay, 'as_booked'>, DayGoal>> = { less_waiting: 'waiting', owners_first: 'wishes' };

/**
 * Other days with the same dogs: what dogs or owners wait for weighed before the load of hands, and each dog with whom it was booked.
 * @param bookedWith by dog
 * @returns those that are better in what they are for, or for the booked one that differ at all
 */
export function otherDays(problem: DayProblem, plan: DayPlan, bookedWith: ReadonlyMap<string, string>, options: DayOptions): OtherDay[] {
  const out: OtherDay[] = [];
  for (const way of ['less_waiting', 'owners_first'] as const) {
    const goal = FIRST[way];
    const goals = ['unplaced' as const, goal, ...DAY_GOALS.filter((g) => g !== 'unplaced' && g !== goal)];
    const other = planDay(problem, { ...options, goals, from: plan.choice });
    if (other.terms[goal] < plan.terms[goal] - 1e-9) out.push({ way, plan: other, by: less(other.terms, plan.terms) });
  }
  const people = new Set(problem.people.map((p) => p.id));
  const dogs = problem.dogs.map((d) => {
    const person = bookedWith.get(d.id);
    return person !== undefined && people.has(person) && d.blocks[0]?.by === undefined ? { ...d, fixed: { ...d.fixed, person } } : d;
  });
  const booked = planDay({ ...problem, dogs }, options);
  const isOther = DAY_GOALS.some((g) => Math.abs(booked.terms[g] - plan.terms[g]) > 1e-9);
  if (isOther && booked.terms.unplaced <= plan.terms.unplaced)
    out.push({ way: 'as_booked', plan: booked, by: less(booked.terms, plan.terms) });
  return out;
}

const less = (a: DayTerms, b: DayTerms): DayTerms => ({
  unplaced: a.unplaced - b.unplaced,
  load: a.load - b.load,
  waiting: a.waiting - b.waiting,
  wishes: a.wishes - b.wishes,
  overtime: a.overtime - b.overtime,
  gaps: a.gaps - b.gaps,
});
