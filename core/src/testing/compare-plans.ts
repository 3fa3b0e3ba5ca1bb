import { burden, type PlanValue, POINT_MINUTES_PER_MINUTE } from '../plan/index.js';
import { TIERS } from '../words/index.js';

const SAME = 1e-6;

/** Below 0 when `a` is the better plan, above 0 when `b` is, 0 when they are equal within rounding. */
export function comparePlans(a: PlanValue, b: PlanValue, minutePrice: number = POINT_MINUTES_PER_MINUTE): number {
  for (const tier of TIERS) if (Math.abs(a[tier] - b[tier]) > SAME) return b[tier] - a[tier];
  const difference = burden(a, minutePrice) - burden(b, minutePrice);
  return Math.abs(difference) > SAME ? difference : 0;
}
