import type { BookedVisit } from '../contract/index.js';
import { clockOf, minuteOfDay, type Zone } from '../days/index.js';
import type { BrokenRule } from './check-day.js';
import type { DayDog, DayProblem, DaySchedule } from './model.js';
import { brokenByMove, type MovedTo } from './move-dog.js';

/** A visit of which no minutes were seen takes those that are kept for it, more or less. Our default. */
const UNKNOWN_SPREAD = 0.25;
const Z90 = 1.645;

/** A booking as its day sees it before anything is planned: its minutes with whom it was booked, from when it comes. */
export function dogOfBooking(visit: BookedVisit, zone: Zone): DayDog {
  const at = minuteOfDay(clockOf(visit.arrivesAt, zone));
  const stretch = {
    minutes: visit.minutes,
    spread: visit.spread ?? UNKNOWN_SPREAD,
    posts: [],
    hands: 1 as const,
    load: visit.minutes,
    loud: false,
  };
  return {
    id: visit.visitId,
    arrives: { from: at, to: at },
    blocks: [{ work: 'table', restBefore: 0, stretches: [stretch] }],
    waitsAtMost: 0,
    wishedBy: { at: at + visit.minutes, weight: 1 },
    wishes: {},
    weightKg: visit.weightKg,
    trainedOnly: false,
    biter: false,
    catching: false,
    apart: false,
    fearsLoud: false,
    sensitive: false,
    hard: false,
    fixed: {},
  };
}

/** The minutes of a booking with their range, in which nine of ten visits lie. */
export function minutesOfBooking({ minutes, spread }: Pick<BookedVisit, 'minutes' | 'spread'>): {
  minutes: number;
  from: number;
  to: number;
} {
  const by = Math.exp(Z90 * (spread ?? UNKNOWN_SPREAD));
  return { minutes, from: minutes / by, to: minutes * by };
}

/** A day as it stands in the book. Those that are off are not in it. */
export function bookedSchedule(problem: DayProblem, visits: readonly BookedVisit[]): DaySchedule {
  const held = new Map(visits.filter((v) => v.phase !== 'off').map((v) => [v.visitId, v]));
  return {
    stretches: problem.dogs.flatMap((d) => {
      const visit = held.get(d.id);
      if (!visit) return [];
      const from = d.arrives.from;
      const hands = { person: visit.groomerId, helper: undefined, post: undefined };
      return [{ dog: d.id, block: 0, stretch: 0, from, to: from + visit.minutes, ...hands }];
    }),
    breaks: [],
    unplaced: [],
  };
}

/** What stands against a booking at another time, or with somebody else: it comes when it is moved to. */
export function brokenByBooking(problem: DayProblem, schedule: DaySchedule, dog: string, to: Required<MovedTo>): BrokenRule[] {
  const dogs = problem.dogs.map((d) => (d.id === dog ? { ...d, arrives: { from: to.from, to: to.from } } : d));
  return brokenByMove({ ...problem, dogs }, schedule, dog, to);
}
