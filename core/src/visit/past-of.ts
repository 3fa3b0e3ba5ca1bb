import type { VisitSummary } from './summary.js';

/**
 * What a visit looks back on: the summaries of the dog's visits before it, in the order they are given in. What came after it is not
 * known to it, so that an old visit that is opened again reads as it was.
 * @param on the day of the visit, ISO; undefined before it began: then all others are before it
 */
export function pastOf(
  visits: readonly { readonly visitId: string; readonly summary: VisitSummary }[],
  { visitId, on }: { readonly visitId: string; readonly on: string | undefined },
): VisitSummary[] {
  return visits.filter((v) => v.visitId !== visitId && (on === undefined || (v.summary.on ?? '') <= on)).map((v) => v.summary);
}
