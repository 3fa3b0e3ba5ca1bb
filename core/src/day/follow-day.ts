import type { DayDog, DayProblem, DaySchedule } from './model.js';
import { type DayChoice, DayPlacer } from './place-day.js';

/**
 * What was decided of a day, asked of the same day again after something has happened: the same turns and hands, no earlier than it was planned.
 * Of a dog that is in the middle of its visit the blocks that are left are those at the end.
 */
export function choiceOf(problem: DayProblem, schedule: DaySchedule, placer = new DayPlacer(problem)): DayChoice {
  const { people, dogs, from, slot } = problem;
  const number = new Map(people.map((p, i) => [p.id, i]));
  const slotOf = (at: number): number => Math.max(0, Math.round((at - from) / slot));
  const starts = new Map<string, number>();
  for (const s of schedule.stretches) starts.set(s.dog, Math.min(starts.get(s.dog) ?? Infinity, s.from));
  const who = dogs.map((dog, d) => {
    const own = schedule.stretches.filter((s) => s.dog === dog.id);
    const blocks = Math.max(0, ...own.map((s) => s.block + 1));
    return dog.blocks.map((block, k) => {
      const was = blocks - dog.blocks.length + k;
      const person =
        block.by ?? own.find((s) => s.block === was && s.person !== undefined)?.person ?? own.find((s) => s.person !== undefined)?.person;
      const may = placer.may[d]?.[k] ?? [];
      const p = person === undefined ? undefined : number.get(person);
      return p !== undefined && may.includes(p) ? p : (may[0] ?? -1);
    });
  });
  const begins = placer.items.map((item) => {
    const id = item.dog < 0 ? people[item.person]?.id : dogs[item.dog]?.id;
    if (item.dog >= 0) return starts.get(id ?? '') ?? Infinity;
    return schedule.breaks.find((b) => b.person === id)?.from ?? 0;
  });
  const order = placer.items.map((_, i) => i).sort((a, b) => turn(a) - turn(b) || a - b);
  // Who is in hand is there already, and nobody comes before.
  function turn(i: number): number {
    const dog = dogs[placer.items[i]?.dog ?? -1];
    return dog?.blocks[0]?.by === undefined ? (begins[i] ?? 0) : -1;
  }
  const none = dogs.map((d) => d.blocks.map(() => 0));
  return { order, start: begins.map((at) => (Number.isFinite(at) ? slotOf(at) : -1)), who, later: none, post: none };
}

/**
 * The day as it goes when nobody decides anything anew: everything in its turn, later where it has to be. A time that was put by hand is one of those: the dog
 * is with the same hands, no earlier.
 */
export function followDay(problem: DayProblem, schedule: DaySchedule): DaySchedule {
  const dogs = problem.dogs.map((d) => (d.blocks[0]?.by === undefined ? { ...d, fixed: withoutTime(d.fixed) } : d));
  const placer = new DayPlacer({ ...problem, dogs });
  return placer.place(choiceOf({ ...problem, dogs }, schedule, placer));
}
const withoutTime = ({ person }: DayDog['fixed']): DayDog['fixed'] => (person === undefined ? {} : { person });
