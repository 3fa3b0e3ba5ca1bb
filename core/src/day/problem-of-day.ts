import { minuteOfDay } from '../days/index.js';
import type { DaysOff, Opening, Person, SalonPostOf, Week } from '../contract/index.js';
import { contagion } from '../knowledge/fit/index.js';
import type { SalonPost } from '../words/index.js';
import { openOn, type Span, worksOn } from './hours-on.js';
import type { DayDog, DayPerson, DayPost, DayProblem } from './model.js';

/** Grid of all times, and how long people may stay. Our defaults, minutes. */
const SLOT = 5;
const OVERTIME = 60;
/** A pair of hands has a table and there is a tub, where the salon has not said what it has. Our default. */
const PRESUMED_ROOM = 'salon';

export interface SalonOfDay {
  readonly opening: Opening;
  readonly posts: readonly SalonPostOf[];
}
/** What a day reads of somebody who works in the salon. */
export type PersonOfDay = Pick<Person, 'staffId' | 'role' | 'trained' | 'breaks' | 'limits'> & {
  readonly week: Week | null;
  readonly off: readonly DaysOff[];
};

/** Somebody's day: hours, breaks and what they do not do; `undefined` when they do not work. @param day ISO date */
export function personOfDay(person: PersonOfDay, opening: Opening, day: string): DayPerson | undefined {
  const works = worksOn(opening, person, day);
  if (!works) return undefined;
  return {
    id: person.staffId,
    works: [works],
    breaks: person.breaks.map((b) => ({ minutes: b.minutes, from: minuteOfDay(b.from), to: minuteOfDay(b.to) })),
    trained: person.trained,
    bathOnly: person.role === 'bather',
    liftKg: person.limits.liftKg,
    noBiters: person.limits.noBiters,
    noCatching: person.limits.noCatching,
    borne: 0,
  };
}

/**
 * A day of a salon: its hours, whoever works, its posts and the dogs that are booked.
 * @param day ISO date
 * @returns with it what was presumed: kinds of post that work was planned at and that the salon has not
 */
export function problemOfDay(
  salon: SalonOfDay,
  day: string,
  people: readonly PersonOfDay[],
  dogs: readonly DayDog[],
): { readonly problem: DayProblem; readonly missing: readonly SalonPost[] } {
  const working = people.flatMap((p) => personOfDay(p, salon.opening, day) ?? []);
  const posts = salon.posts.length > 0 ? salon.posts.map((p) => ({ id: p.postId, kind: p.kind, room: p.room })) : presumed(working.length);
  const { from, to } = hoursFor(openOn(salon.opening, day), dogs);
  const owned = new Set(posts.map((p) => p.kind));
  const missing = new Set<SalonPost>();
  const fitted = dogs.map((d) => ({
    ...d,
    blocks: d.blocks.map((b) => ({ ...b, stretches: b.stretches.map((s) => ({ ...s, posts: postsHere(s.posts, owned, missing) })) })),
  }));
  const problem = {
    from,
    to: to + OVERTIME,
    slot: SLOT,
    overtime: OVERTIME,
    contactMinutes: contagion(['fleas']).disinfectMinutes,
    people: working,
    posts,
    dogs: fitted,
  };
  return { problem, missing: [...missing] };
}

/** Where a salon has no such post, the work is done at a table, and where it has none, anywhere. */
function postsHere(kinds: readonly SalonPost[], owned: ReadonlySet<SalonPost>, missing: Set<SalonPost>): readonly SalonPost[] {
  const here = kinds.filter((k) => owned.has(k));
  if (here.length > 0 || kinds.length === 0) return here;
  for (const k of kinds) missing.add(k);
  return owned.has('table') ? ['table'] : [];
}

const presumed = (people: number): DayPost[] => [
  ...Array.from({ length: people }, (_, i): DayPost => ({ id: `table ${i + 1}`, kind: 'table', room: PRESUMED_ROOM })),
  { id: 'tub', kind: 'tub', room: PRESUMED_ROOM },
];

/** From the opening, or the first dog, to the closing, or the time by which the last one is wished back. */
function hoursFor(open: Span | undefined, dogs: readonly DayDog[]): Span {
  const first = Math.min(...dogs.map((d) => d.arrives.from));
  const last = Math.max(...dogs.map((d) => d.wishedBy?.at ?? d.arrives.to));
  const from = Math.min(open?.from ?? Infinity, first);
  const to = Math.max(open?.to ?? -Infinity, last);
  return from < to ? { from: Math.floor(from / SLOT) * SLOT, to } : { from: 0, to: 24 * 60 };
}
