import { addDays } from '../days/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import { type Reason, reason } from '../words/index.js';
import { addWeeks, COAT_WEEKS } from './next-visit.js';

export interface ComesBack {
  readonly coat: DogFacts['coat'];
  /** Days of its visits, ISO, the latest first; at least one. */
  readonly visits: readonly string[];
  /** What was said the last time, weeks. */
  readonly returnWeeks: number | undefined;
}

export interface Overdue {
  /** ISO date. */
  readonly dueOn: string;
  readonly because: Reason;
}

/** So many gaps between its own visits tell more than its coat. Our default. */
const OWN_GAPS = 2;
/** Nobody is rung on the very day. Our default. */
const GRACE_DAYS = 7;
const DAY_MS = 86_400_000;
const WEEK_DAYS = 7;

/**
 * Whether a dog should have been here again, and by what: by what was said the last time, else by its own rhythm, else by its coat.
 * @param today ISO date
 * @returns `undefined` while it is not due for more than a week
 */
export function overdueOf({ coat, visits, returnWeeks }: ComesBack, today: string): Overdue | undefined {
  const [last] = visits;
  if (last === undefined) return undefined;
  const own = rhythm(visits);
  const weeks = returnWeeks ?? own ?? COAT_WEEKS[coat];
  const dueOn = addWeeks(last, weeks);
  if (addDays(dueOn, GRACE_DAYS) > today) return undefined;
  const days = daysBetween(dueOn, today);
  if (returnWeeks !== undefined) return { dueOn, because: reason('overdue.asked', { weeks, days }, 0.7) };
  if (own !== undefined) return { dueOn, because: reason('overdue.own', { weeks, visits: visits.length, days }, 0.6) };
  return { dueOn, because: reason('overdue.coat', { coat, weeks, days }, 0.4) };
}

/** Weeks between its visits, the middle one of them; `undefined` for too few. */
function rhythm(visits: readonly string[]): number | undefined {
  const gaps = visits.flatMap((v, i) => {
    const before = visits[i + 1];
    return before === undefined ? [] : [daysBetween(before, v) / WEEK_DAYS];
  });
  if (gaps.length < OWN_GAPS) return undefined;
  const middle = gaps.sort((a, b) => a - b)[Math.floor((gaps.length - 1) / 2)];
  return middle === undefined ? undefined : Math.max(1, Math.round(middle));
}

const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
