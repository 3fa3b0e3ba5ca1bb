import { type HandWear, type HandWork, HAND_WORK } from '../words/index.js';
import { brokenRules } from './check-day.js';
import { addWear, wearOfDay } from './hand-wear.js';
import { compareDays, judgeDay } from './judge-day.js';
import { DAY_GOALS, type DayProblem, type DaySchedule } from './model.js';
import { moveDog } from './move-dog.js';

/** Somebody's hands come to their limit in the course of a day, and who can take a dog from them. */
export interface HandSwap {
  readonly person: string;
  readonly work: HandWork;
  /** Minute of the day at which the limit is reached. */
  readonly at: number;
  /** With which dog. */
  readonly dog: string;
  /** What would be in time: this dog is with somebody else, and one of theirs comes in exchange where one has to. */
  readonly way: { readonly dog: string; readonly to: string; readonly inExchange: string | undefined } | undefined;
}

/**
 * When whose hands should be relieved, and by whom: the first dog from which on a limit is passed, and the change of one dog, or of one against another, after
 * which no more rules are broken, nobody new is over a limit and this one is over none; of several the best day.
 * @param done by person, what is behind them today
 * @param limitsOf what each of them does in a day at most
 */
export function handSwaps(
  problem: DayProblem,
  schedule: DaySchedule,
  done: ReadonlyMap<string, HandWear>,
  limitsOf: (person: string) => HandWear,
): HandSwap[] {
  const wear = wearOfDay(problem, schedule, done);
  return problem.people.flatMap(({ id }) => {
    const limits = limitsOf(id);
    const over = HAND_WORK.filter((w) => (wear.get(id)?.[w] ?? 0) > limits[w] + 1e-9);
    return over.flatMap((work) => {
      const reached = reachedAt(problem, schedule, id, work, limits[work] - (done.get(id)?.[work] ?? 0));
      return reached ? [{ person: id, work, ...reached, way: wayOut(problem, schedule, done, limitsOf, id, work) }] : [];
    });
  });
}

/** When somebody has done so much of a kind of work, and with which dog. @param left minutes or kilograms that they have left */
function reachedAt(
  problem: DayProblem,
  schedule: DaySchedule,
  person: string,
  work: HandWork,
  left: number,
): { at: number; dog: string } | undefined {
  let still = left;
  for (const s of [...schedule.stretches].sort((a, b) => a.from - b.from)) {
    if (s.person !== person && !(s.helper === person && work === 'lifted')) continue;
    const much = wearOf(problem, s)?.[work] ?? 0;
    if (much > still + 1e-9) return { at: s.from + Math.max(0, still / much) * (s.to - s.from), dog: s.dog };
    still -= much;
  }
  return undefined;
}
const wearOf = (problem: DayProblem, s: DaySchedule['stretches'][number]): HandWear | undefined =>
  problem.dogs.find((d) => d.id === s.dog)?.blocks[s.block]?.stretches[s.stretch]?.wear;

function wayOut(
  problem: DayProblem,
  schedule: DaySchedule,
  done: ReadonlyMap<string, HandWear>,
  limitsOf: (person: string) => HandWear,
  person: string,
  work: HandWork,
): HandSwap['way'] {
  const whose = handsByDog(problem, schedule);
  const own = [...whose].flatMap(([dog, by]) => (by === person ? [dog] : []));
  // A day that runs may have a dog that waits too long: no change makes more of that.
  const broken = brokenRules(problem, schedule).length;
  const before = excess(wearOfDay(problem, schedule, done), limitsOf);
  let best: { readonly way: HandSwap['way']; readonly schedule: DaySchedule } | undefined;
  const look = (way: NonNullable<HandSwap['way']>, day: DaySchedule): void => {
    const wear = wearOfDay(problem, day, done);
    if ((wear.get(person)?.[work] ?? 0) > limitsOf(person)[work] + 1e-9 || excess(wear, limitsOf) >= before) return;
    if (best && compareDays(judgeDay(problem, day), judgeDay(problem, best.schedule), DAY_GOALS) >= 0) return;
    if (brokenRules(problem, day).length <= broken) best = { way, schedule: day };
  };
  for (const dog of own) {
    if (wornBy(problem, dog)[work] === 0) continue;
    for (const { id: to } of problem.people) {
      if (to === person) continue;
      const given = moveDog(schedule, dog, { person: to });
      look({ dog, to, inExchange: undefined }, given);
      for (const [other, by] of whose)
        if (by === to && wornBy(problem, other)[work] < wornBy(problem, dog)[work])
          look({ dog, to, inExchange: other }, moveDog(given, other, { person }));
    }
  }
  return best?.way;
}

/** Whose each dog is that can still change hands: who is in hand stays there. */
function handsByDog(problem: DayProblem, { stretches }: DaySchedule): Map<string, string> {
  const free = new Set(problem.dogs.filter((d) => d.blocks[0]?.by === undefined).map((d) => d.id));
  const out = new Map<string, string>();
  for (const s of [...stretches].sort((a, b) => a.from - b.from))
    if (s.person !== undefined && free.has(s.dog) && !out.has(s.dog)) out.set(s.dog, s.person);
  return out;
}
const wornBy = (problem: DayProblem, dog: string): HandWear =>
  (problem.dogs.find((d) => d.id === dog)?.blocks ?? [])
    .flatMap((b) => b.stretches)
    .reduce((sum, s) => addWear(sum, s.wear), addWear(undefined, undefined));

/** How far all hands together are over their limits, in parts of each. */
const excess = (wear: ReadonlyMap<string, HandWear>, limitsOf: (person: string) => HandWear): number =>
  [...wear].reduce((sum, [id, w]) => sum + HAND_WORK.reduce((all, k) => all + Math.max(0, w[k] / limitsOf(id)[k] - 1), 0), 0);
