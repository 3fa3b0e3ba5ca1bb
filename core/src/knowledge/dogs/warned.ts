import { WARNINGS, type Warning } from '../../words/index.js';
import type { Warned } from './dog.js';

/** A warning counts for so long. Common practice, no source: "within the last year". */
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
 * The warning that still counts for today: the gravest of the last year. A growl or a snap ends after three visits without another;
 * a bite does not end by visits, it takes the lead's word.
 * @param told as the file tells it
 * @param visits visits of this salon, in any order
 * @param today ISO date
 * @example stillWarned({ what: 'snapped', on: '2026-11-01' }, [], '2026-11-25')?.what // => 'snapped'
 */
export function stillWarned(told: Warned | null, visits: readonly VisitWarned[], today: string): Warned | undefined {
  const all = [...(told ? [told] : []), ...visits.flatMap((v) => (v.warned ? [{ what: v.warned, on: v.on }] : []))];
  const counts = all.filter(
    (w) =>
      (Date.parse(today) - Date.parse(w.on)) / DAY_MS <= COUNTS_DAYS &&
      (w.what === 'bit' || visits.filter((v) => v.on > w.on && v.warned === undefined).length < ENDS_AFTER_VISITS),
  );
  return counts.sort((a, b) => WARNINGS.indexOf(b.what) - WARNINGS.indexOf(a.what) || b.on.localeCompare(a.on))[0];
}
