import { randomExponential, randomLcg, randomNormal } from 'd3-random';
import type { DayDog, DayProblem, DaySchedule, DayStretch, PlacedStretch } from './model.js';

/** How a dog's end and its owner's wish are likely to meet. */
export interface DogOdds {
  readonly dog: string;
  /** That it is ready when its owner would like to have it back; none where there is no wish. */
  readonly inTime: number | undefined;
  /** Minutes of the day: as likely later as earlier, and only one day in ten later. */
  readonly end: number;
  readonly endLate: number;
}
export interface DayOdds {
  readonly days: number;
  /** That everybody is done by the end of the day. */
  readonly inTime: number;
  readonly dogs: readonly DogOdds[];
  /** By person: that they are done by the end of their hours. */
  readonly people: ReadonlyMap<string, number>;
}

export interface DrawOptions {
  readonly days?: number;
  readonly seed?: number;
  /** How much later than told an owner comes, in the mean, minutes. */
  readonly lateMinutes?: number;
  /** Minutes that a stretch takes on a day; for trying another world than the one that is told of. */
  readonly minutesOf?: (stretch: DayStretch, ofDog: number, own: number) => number;
}

const DAYS = 1_000;
/** Our defaults: how much of what a visit takes longer is the dog's own day, which all its stretches share; how late owners come. */
const SHARED = 0.7;
const LATE_MINUTES = 4;
const lognormal = ({ minutes, spread }: DayStretch, ofDog: number, own: number): number =>
  minutes * Math.exp(spread * (Math.sqrt(SHARED) * ofDog + Math.sqrt(1 - SHARED) * own));

/**
 * The chances of a day as it is planned, from days that are drawn: each stretch takes its minutes with their spread, and whatever waits for hands, post or
 * dog begins as soon as they are free, in the order of the plan. Who is fetched late makes nobody wait.
 * @throws RangeError for no days
 */
export function drawDay(problem: DayProblem, schedule: DaySchedule, options: DrawOptions = {}): DayOdds {
  const { days = DAYS, seed = 0.5, lateMinutes = LATE_MINUTES, minutesOf = lognormal } = options;
  if (!(days >= 1)) throw new RangeError(`drawDay: ${days} days`);
  const random = randomLcg(seed);
  const normal = randomNormal.source(random)();
  const late = lateMinutes > 0 ? randomExponential.source(random)(1 / lateMinutes) : () => 0;
  const plan = new Course(problem, schedule);
  const ends = new Map(plan.dogs.map((d) => [d.id, new Float64Array(days)]));
  const done = new Map(problem.people.map((p) => [p.id, 0]));
  let inTime = 0;
  for (let day = 0; day < days; day++) {
    const drawn = plan.run(late, normal, minutesOf);
    for (const [id, end] of drawn.dogs) {
      const own = ends.get(id);
      if (own) own[day] = end;
    }
    let all = true;
    for (const p of problem.people) {
      const end = drawn.people.get(p.id) ?? 0;
      if (end <= (p.works.at(-1)?.to ?? 0)) done.set(p.id, (done.get(p.id) ?? 0) + 1);
      if (end > problem.to) all = false;
    }
    if (all) inTime++;
  }
  return {
    days,
    inTime: inTime / days,
    people: new Map([...done].map(([id, n]) => [id, n / days])),
    dogs: plan.dogs.map(({ id, wishedBy }) => {
      const own = (ends.get(id) ?? new Float64Array(days)).sort();
      return {
        dog: id,
        inTime: wishedBy && own.filter((end) => end <= wishedBy.at).length / days,
        end: own[Math.floor(0.5 * (days - 1))] ?? 0,
        endLate: own[Math.floor(0.9 * (days - 1))] ?? 0,
      };
    }),
  };
}

interface Part {
  readonly dog: DayDog | undefined;
  readonly stretch: DayStretch | undefined;
  readonly placed: PlacedStretch | undefined;
  readonly from: number;
  readonly minutes: number;
  readonly isFirst: boolean;
  readonly rest: number;
  readonly hands: readonly string[];
}

/** The order of a plan, to be gone through with other minutes. */
class Course {
  readonly dogs: readonly DayDog[];
  private readonly parts: readonly Part[];

  constructor(
    private readonly problem: DayProblem,
    schedule: DaySchedule,
  ) {
    const dogs = new Map(problem.dogs.map((d) => [d.id, d]));
    const there = new Set(schedule.stretches.map((s) => s.dog));
    this.dogs = problem.dogs.filter((d) => there.has(d.id));
    const first = new Set<string>();
    const work = [...schedule.stretches].sort((a, b) => a.from - b.from || a.stretch - b.stretch);
    this.parts = [
      ...work.map((placed): Part => {
        const dog = dogs.get(placed.dog);
        const block = dog?.blocks[placed.block];
        const isFirst = !first.has(placed.dog);
        first.add(placed.dog);
        return {
          dog,
          stretch: block?.stretches[placed.stretch],
          placed,
          from: placed.from,
          minutes: placed.to - placed.from,
          isFirst,
          rest: placed.stretch === 0 && placed.block > 0 ? (block?.restBefore ?? 0) : 0,
          hands: [placed.person, placed.helper].filter((h) => h !== undefined),
        };
      }),
      ...schedule.breaks.map((b): Part => ({
        dog: undefined,
        stretch: undefined,
        placed: undefined,
        from: b.from,
        minutes: b.to - b.from,
        isFirst: false,
        rest: 0,
        hands: [b.person],
      })),
    ].sort((a, b) => a.from - b.from);
  }

  run(
    late: () => number,
    normal: () => number,
    minutesOf: (stretch: DayStretch, ofDog: number, own: number) => number,
  ): { dogs: Map<string, number>; people: Map<string, number> } {
    const people = new Map<string, number>();
    const posts = new Map<string, number>();
    const dogs = new Map<string, number>();
    const own = new Map(this.problem.dogs.map((d) => [d.id, normal()]));
    for (const part of this.parts) {
      const { dog, stretch, placed } = part;
      let from = part.dog ? (part.isFirst ? part.from + late() : (dogs.get(placed?.dog ?? '') ?? part.from) + part.rest) : part.from;
      for (const h of part.hands) from = Math.max(from, people.get(h) ?? 0);
      if (placed?.post !== undefined) from = Math.max(from, posts.get(placed.post) ?? 0);
      const to = from + (stretch && dog ? minutesOf(stretch, own.get(dog.id) ?? 0, normal()) : part.minutes);
      for (const h of part.hands) people.set(h, to);
      if (placed?.post !== undefined) posts.set(placed.post, to);
      if (placed) dogs.set(placed.dog, to);
    }
    return { dogs, people };
  }
}
