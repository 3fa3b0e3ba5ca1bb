import { type Saying, saying } from '../../words/index.js';

/** Oldest dog that is believed, years: anything above is a typing mistake. Our default. */
const OLDEST_YEARS = 30;

/**
 * What is wrong with a birth date on a day; `undefined` when nothing is.
 * @example birthDateProblem('2030-01-01', '2026-11-25')?.rule // => 'form.day_not_come'
 */
export function birthDateProblem(born: string, today: string): Saying | undefined {
  if (born > today) return saying('form.day_not_come', {});
  const years = (Date.parse(today) - Date.parse(born)) / (365.2425 * 86_400_000);
  return years > OLDEST_YEARS ? saying('form.too_old', { count: Math.floor(years) }) : undefined;
}
