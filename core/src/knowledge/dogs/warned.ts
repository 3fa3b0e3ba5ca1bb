import { WARNINGS, type Warning } from '../../words/index.js';
import type { DogForm, Warned } from './dog.js';

/** A growl or a snap counts for so long. Common practice, no source: "within the last year". */
const COUNTS_DAYS = 365;
/** Visits without a growl, snap or bite after which a growl or a snap no longer counts. Common practice, no source. */
const ENDS_AFTER_VISITS = 3;
const DAY_MS = 86_400_000;

/** What a dog did in a visit, as far as warnings go. */
export interface VisitWarned {
  /** ISO date. */
  readonly on: string;
  readonly warned: Warning | undefined;
}

/**
 * The warning that still counts for today, the gravest. A growl or a snap ends after a year, or after three visits without another;
 * a bite ends neither by visits nor by time, it takes the lead's word.
 * @param file as the file tells it; `biteEndedOn` is the day of the lead's word, which holds for bites before that day
 * @param visits visits of this salon, in any order
 * @param today ISO date
 * @example stillWarned({ warned: { what: 'snapped', on: '2026-11-01' }, biteEndedOn: null }, [], '2026-11-25')?.what // => 'snapped'
 */
export function stillWarned(
  file: Pick<DogForm, 'warned' | 'biteEndedOn'>,
  visits: readonly VisitWarned[],
  today: string,
): Warned | undefined {
  const all = [...(file.warned ? [file.warned] : []), ...visits.flatMap((v) => (v.warned ? [{ what: v.warned, on: v.on }] : []))];
  const lately = (w: Warned): boolean =>
    (Date.parse(today) - Date.parse(w.on)) / DAY_MS <= COUNTS_DAYS &&
    visits.filter((v) => v.on > w.on && v.warned === undefined).length < ENDS_AFTER_VISITS;
  const counts = all.filter((w) => (w.what === 'bit' ? file.biteEndedOn === null || w.on >= file.biteEndedOn : lately(w)));
  return counts.sort((a, b) => WARNINGS.indexOf(b.what) - WARNINGS.indexOf(a.what) || b.on.localeCompare(a.on))[0];
}

/** Whether a bite of which nobody wrote down the day still counts: it is one of before the lead's word. */
export function biteToldCounts(file: Pick<DogForm, 'biteHistory' | 'biteEndedOn'>): boolean {
  return file.biteHistory && file.biteEndedOn === null;
}
