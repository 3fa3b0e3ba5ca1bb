import type { ClockForm, DateForm } from '../words/salon.js';
import { clockOf, dayOf, type Zone } from './day-of.js';

/** A clock time as the salon writes it. `sayClock('14:05', 'hours_12') // => '2:05 pm'` @param clock `HH:MM` */
export function sayClock(clock: string, form: ClockForm): string {
  const [h, m] = clock.split(':');
  if (form === 'hours_24' || m === undefined) return clock;
  const hour = Number(h) % 24;
  return `${hour % 12 === 0 ? 12 : hour % 12}:${m} ${hour < 12 ? 'am' : 'pm'}`;
}

/** How much of a date is said. */
export type DateLength = 'long' | 'weekday' | 'weekday_year' | 'short' | 'weekday_short';

const PARTS: Readonly<Record<DateLength, Intl.DateTimeFormatOptions>> = {
  long: { day: 'numeric', month: 'long', year: 'numeric' },
  weekday: { weekday: 'long', day: 'numeric', month: 'long' },
  weekday_year: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  short: { day: 'numeric', month: 'short', year: 'numeric' },
  weekday_short: { weekday: 'short', day: 'numeric', month: 'short' },
};
/** Whose order of day and month it is. */
const TAGS = { day_month: 'en-GB', month_day: 'en-US' } as const;

/**
 * A date as the salon writes it.
 * @param day ISO date
 * @returns empty for what is no date
 * @example sayDate('2027-01-07', 'month_day', 'weekday') // => 'Thursday, January 7'
 */
export function sayDate(day: string, form: DateForm, length: DateLength): string {
  const at = new Date(`${day}T12:00:00Z`);
  if (Number.isNaN(at.getTime())) return '';
  const options = { ...PARTS[length], timeZone: 'UTC' };
  if (form !== 'year_month_day') return at.toLocaleDateString(TAGS[form], options);
  const weekday = options.weekday ? at.toLocaleDateString('en-GB', { weekday: options.weekday, timeZone: 'UTC' }) : '';
  return weekday === '' ? day : `${weekday} ${day}`;
}

/** A moment as the salon writes it, with its weekday. `sayMoment('2027-01-07T09:00:00Z', 'UTC', …) // => 'Thursday 7 January, 09:00'` */
export function sayMoment(
  moment: string | number,
  zone: Zone,
  { clock, date }: { readonly clock: ClockForm; readonly date: DateForm },
): string {
  return `${sayDate(dayOf(moment, zone), date, 'weekday')}, ${sayClock(clockOf(moment, zone), clock)}`;
}
