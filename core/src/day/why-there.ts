import { byWeight, type Reason, reason, type RuleId } from '../words/index.js';
import { type BrokenRule, type DayRule } from './check-day.js';
import { loadsOf, judgeDay, waitingOf } from './judge-day.js';
import type { DayDog, DayPerson, DayProblem, DaySchedule } from './model.js';
import { brokenByMove, moveDog } from './move-dog.js';

/** What a rule of the day says where it is broken. */
export const RULE_SAYS: Readonly<Record<DayRule, RuleId>> = {
  not_trained: 'day.not_trained',
  bath_only: 'day.bath_only',
  no_biters: 'day.no_biters',
  no_catching: 'day.no_catching',
  too_heavy: 'day.too_heavy',
  not_working: 'day.not_working',
  two_at_once: 'day.two_at_once',
  breaks_in: 'day.breaks_in',
  post_taken: 'day.post_taken',
  no_post: 'day.no_post',
  no_hands: 'day.no_hands',
  no_helper: 'day.no_helper',
  not_one_after_the_other: 'day.not_one_after_the_other',
  too_early: 'day.too_early',
  waits_too_long: 'day.waits_too_long',
  after_closing: 'day.after_closing',
  after_catching: 'day.after_catching',
  not_apart: 'day.not_apart',
  too_loud: 'day.too_loud',
  fixed_otherwise: 'day.fixed_otherwise',
};

export interface DayNames {
  readonly dog: (id: string) => string;
  readonly person: (id: string) => string;
}

/**
 * What a broken rule says, with the name of whoever else has to do with it.
 * @param about the dog that it is said of: of two, the other one is named
 */
export function sayBroken(broken: BrokenRule, problem: DayProblem, names: DayNames, about: string): Reason {
  const other = broken.other === about ? broken.dog : broken.other;
  const dog = problem.dogs.find((d) => d.id === broken.dog);
  const isPerson = problem.people.some((p) => p.id === other);
  const name = other === undefined ? '' : isPerson ? names.person(other) : names.dog(other);
  return reason<RuleId>(
    RULE_SAYS[broken.rule],
    { name, minutes: dog?.waitsAtMost ?? 0, kg: dog?.weightKg ?? 0, text: names.dog(broken.dog) },
    0.9,
  );
}

/**
 * Why a dog is where it is: what holds it there, and what each other pair of hands at the same time would come to.
 * @param schedule a day in which it has its place
 */
export function whyThere(problem: DayProblem, schedule: DaySchedule, dogId: string, names: DayNames): Reason[] {
  const dog = problem.dogs.find((d) => d.id === dogId);
  const own = schedule.stretches.filter((s) => s.dog === dogId).sort((a, b) => a.from - b.from);
  const by = own.find((s) => s.person !== undefined)?.person;
  if (!dog || by === undefined) return [];
  const out: Reason[] = [];
  const text = names.dog(dogId);
  if (dog.blocks[0]?.by !== undefined) out.push(reason('day.in_hand', { text, name: names.person(by) }, 1));
  else if (dog.fixed.person !== undefined || dog.fixed.from !== undefined) out.push(reason('day.put_by_hand', { text }, 1));
  if (dog.blocks[0]?.by === undefined && (dog.wishes[by] ?? 0) === 0 && Object.keys(dog.wishes).length > 0)
    out.push(reason('day.booked_with', { text, name: names.person(by) }, 0.6));
  if (dog.apart) out.push(reason('day.first_apart', { text }, 0.9));
  if (dog.catching) out.push(reason('day.last_catching', { text, minutes: problem.contactMinutes }, 0.9));
  if (dog.fearsLoud) out.push(reason('day.away_from_loud', { text }, 0.5));
  const waits = waitingOf(dog, own);
  out.push(waits > 0 ? reason('day.waits', { text, minutes: waits, limit: dog.waitsAtMost }, 0.5) : reason('day.no_wait', { text }, 0.2));
  const helper = own.find((s) => s.helper !== undefined)?.helper;
  if (helper !== undefined) out.push(reason('day.helped_by', { name: names.person(helper) }, 0.5));
  if (dog.blocks[0]?.by === undefined)
    for (const p of problem.people) if (p.id !== by) out.push(insteadWith(problem, schedule, dog, p, names));
  return byWeight(out);
}

/** What it would come to with somebody else, at the same time. */
function insteadWith(problem: DayProblem, schedule: DaySchedule, dog: DayDog, person: DayPerson, names: DayNames): Reason {
  const name = names.person(person.id);
  const [broken] = brokenByMove(problem, schedule, dog.id, { person: person.id });
  if (broken)
    return reason(
      'day.instead_broken',
      { name, things: [sayBroken(broken, problem, names, dog.id)] },
      PERSONAL.has(broken.rule) ? 0.45 : 0.3,
    );
  const other = moveDog(schedule, dog.id, { person: person.id });
  const [now, then] = [judgeDay(problem, schedule), judgeDay(problem, other)];
  if (then.load > now.load) {
    const [most, would] = [mostOf(problem, schedule), mostOf(problem, other)];
    return reason('day.instead_load', { name, percent: Math.max(1, Math.round((most > 0 ? would / most - 1 : 1) * 100)) }, 0.4);
  }
  if (then.waiting > now.waiting) return reason('day.instead_waiting', { name, minutes: Math.round(then.waiting - now.waiting) }, 0.4);
  if (then.wishes > now.wishes) return reason('day.instead_wishes', { text: names.dog(dog.id), name }, 0.35);
  if (then.overtime > now.overtime)
    return reason('day.instead_overtime', { name, minutes: Math.round(then.overtime - now.overtime) }, 0.35);
  return reason('day.instead_as_good', { name }, 0.3);
}
/** What somebody is or does not do: it does not change with the hour. */
const PERSONAL: ReadonlySet<DayRule> = new Set<DayRule>(['not_trained', 'bath_only', 'no_biters', 'no_catching', 'too_heavy']);

/** The most that one pair of hands bears for its hours. */
function mostOf(problem: DayProblem, schedule: DaySchedule): number {
  const loads = loadsOf(problem, schedule.stretches);
  return Math.max(
    ...problem.people.map(
      (p) =>
        (loads.get(p.id) ?? 0) /
        Math.max(
          1,
          p.works.reduce((sum, w) => sum + w.to - w.from, 0),
        ),
    ),
  );
}
