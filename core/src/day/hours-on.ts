import type { DaysOff, Hours, Opening, Week } from '../contract/index.js';
import { addDays, minuteOfDay } from '../days/index.js';

/** A stretch of a day, minutes from midnight on the salon's clock. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Which day of the week an ISO date is, 0 for Monday. `weekdayOf('2026-11-30') // => 0` */
export const weekdayOf = (day: string): number => (new Date(day).getUTCDay() + 6) % 7;

/** Whether a day is one of those that are off. */
export const isOff = (off: readonly DaysOff[], day: string): boolean => off.some((d) => d.from <= day && day <= d.to);

/** The hours in which the salon is open on a day, `undefined` when it is shut. @param day ISO date */
export function openOn(opening: Opening, day: string): Span | undefined {
  return isOff(opening.closed, day) ? undefined : spanOf(opening.week[weekdayOf(day)]);
}

/**
 * The day nearest to one at which the salon is open: that day, or else one before it, so that a coat does not wait, or else one after.
 * @param notBefore the first day that can be offered, ISO
 * @returns `day` itself where nothing is open for weeks
 */
export function openDayNear(opening: Opening, day: string, notBefore: string): string {
  for (let by = 0; by <= NEAR_DAYS; by++)
    for (const other of [addDays(day, -by), addDays(day, by)]) if (other >= notBefore && openOn(opening, other)) return other;
  return day;
}
/** A salon’s longest holiday. Our default. */
const NEAR_DAYS = 28;

/**
 * The hours that somebody works on a day: their own, as far as the salon is open; the salon's where they have said none.
 * @returns `undefined` when they do not work, or the salon is shut
 */
export function worksOn(
  opening: Opening,
  person: { readonly week: Week | null; readonly off: readonly DaysOff[] },
  day: string,
): Span | undefined {
  const open = openOn(opening, day);
  if (!open || isOff(person.off, day)) return undefined;
  if (!person.week) return open;
  const own = spanOf(person.week[weekdayOf(day)]);
  if (!own) return undefined;
  const both = { from: Math.max(open.from, own.from), to: Math.min(open.to, own.to) };
  return both.from < both.to ? both : undefined;
}

const spanOf = (hours: Hours | null | undefined): Span | undefined =>
  hours ? { from: minuteOfDay(hours.from), to: minuteOfDay(hours.to) } : undefined;
