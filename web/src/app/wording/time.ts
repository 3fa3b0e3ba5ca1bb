import { dateOf } from './formats';

/** Seconds as "4:07", from an hour on "1:04:07". */
export function stopwatch(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const s = String(whole % 60).padStart(2, '0');
  const m = Math.floor(whole / 60) % 60;
  const h = Math.floor(whole / 3600);
  return h > 0 ? `${h}:${String(m).padStart(2, '0')}:${s}` : `${m}:${s}`;
}

/** A date in words, with the distance when it is near: "Thursday 7 January, in 6 weeks". */
export function dayInWords(date: string, today: string): string {
  const text = dateOf(date, 'weekday');
  const days = Math.round((Date.parse(date) - Date.parse(today)) / 86_400_000);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  const weeks = Math.round(Math.abs(days) / 7);
  const distance = Math.abs(days) < 14 ? `${Math.abs(days)} days` : `${weeks} weeks`;
  return days > 0 ? `${text}, in ${distance}` : `${text}, ${distance} ago`;
}

/** A date in words, year and all: "Thursday 12 March 2020"; empty for what is no date. */
export function wholeDay(date: string): string {
  return dateOf(date, 'weekday_year');
}

/** Minutes with their range: "about 8 min (5 to 12)". */
export function aboutMinutes(minutes: number, range: readonly [number, number]): string {
  const r = (x: number): number => Math.round(x);
  return `about ${r(minutes)} min (${r(range[0])} to ${r(range[1])})`;
}

/** Money from its smallest coin. */
export function money(minor: number, currency: string): string {
  return new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(minor / 100);
}
