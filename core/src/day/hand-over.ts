import type { BookedVisit, DaysOff, Opening, Week } from '../contract/index.js';
import { clockOf, dayOf, minuteOfDay, type Zone } from '../days/index.js';
import { type Span, worksOn } from './hours-on.js';

/** Whoever may take a visit over. */
export interface TakesOver {
  readonly staffId: string;
  readonly week: Week | null;
  readonly off: readonly DaysOff[];
}
export interface HandedOver {
  readonly visitId: string;
  /** `undefined`: nobody is free then. */
  readonly to: string | undefined;
}

/**
 * Who takes over the visits ahead of somebody who leaves: each at its own time, by whoever works then, has nothing booked meanwhile, and has least on that
 * day; what is given is booked before the next is looked at.
 * @param visits of all who work here; those of who leaves are given away
 * @param from who leaves
 */
export function handOver(
  visits: readonly BookedVisit[],
  from: string,
  people: readonly TakesOver[],
  opening: Opening,
  zone: Zone,
): HandedOver[] {
  const spanOf = (v: BookedVisit): Span => {
    const at = minuteOfDay(clockOf(v.arrivesAt, zone));
    return { from: at, to: at + v.minutes };
  };
  const booked = visits
    .filter((v) => v.phase !== 'off' && v.groomerId !== from)
    .map((v) => ({ by: v.groomerId, day: dayOf(v.arrivesAt, zone), ...spanOf(v) }));
  const own = visits.filter((v) => v.groomerId === from && v.phase === 'know').sort((a, b) => (a.arrivesAt < b.arrivesAt ? -1 : 1));
  return own.map((v) => {
    const [day, span] = [dayOf(v.arrivesAt, zone), spanOf(v)];
    const free = people.flatMap((p) => {
      const works = p.staffId === from ? undefined : worksOn(opening, p, day);
      if (!works || works.from > span.from || works.to < span.to) return [];
      const theirs = booked.filter((b) => b.by === p.staffId && b.day === day);
      if (theirs.some((b) => b.from < span.to && span.from < b.to)) return [];
      return [{ staffId: p.staffId, minutes: theirs.reduce((sum, b) => sum + b.to - b.from, 0) }];
    });
    const [to] = free.sort((a, b) => a.minutes - b.minutes);
    if (to) booked.push({ by: to.staffId, day, ...span });
    return { visitId: v.visitId, to: to?.staffId };
  });
}
