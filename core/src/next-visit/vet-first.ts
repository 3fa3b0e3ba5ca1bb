import { sayingOf } from '../log/index.js';
import type { VisitState } from '../visit/index.js';
import { type Reason, reason } from '../words/index.js';

/**
 * What keeps the next visit from being booked until a vet has said so: what is a vet's today or within days and hurt, and whoever was sent away
 * as not fit. Nothing where a day can be taken.
 */
export function vetFirst(state: VisitState): Reason | undefined {
  const urgent = (state.plan?.notToday ?? []).filter((n) => n.to === 'vet' && n.withinDays !== null && n.withinDays <= VET_FIRST_DAYS);
  if (urgent.length === 0) return undefined;
  return reason('next.vet_first', { things: urgent.map((n) => sayingOf(n.what)) }, 1);
}

/** What must be seen by a vet within so many days comes before us. Handbook 14.4: what strangles, and what hurt and had to stop. */
const VET_FIRST_DAYS = 3;
