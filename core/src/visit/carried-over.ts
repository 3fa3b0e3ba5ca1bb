import { areaOf, type FeelOver, type ZoneFinding } from '../findings/index.js';
import type { CarriedOver, CarriedZone } from '../plan/index.js';
import { type Activity, activityOf, pieceId, type ZoneId } from '../words/index.js';
import { isForEase, isFoundWork } from '../work/index.js';
import type { VisitState } from './state.js';
import type { VisitSummary } from './summary.js';
import { unfinishedPieces } from './unfinished.js';

/** One place of a kind of work that was left. */
export interface UndonePiece {
  readonly activity: Activity;
  readonly place: ZoneId;
}

/** Places of an ended visit that go on the next plan: planned and not finished, or put off to another visit. */
export function undonePiecesIn(state: VisitState): UndonePiece[] {
  if (!state.ended || !state.plan) return [];
  const planned = unfinishedPieces(state).flatMap(({ step, piece }) => {
    if (isForEase(activityOf(step.id))) return [];
    const place = piece.zones[0];
    return place ? [{ activity: activityOf(step.id), place }] : [];
  });
  const putOff = state.plan.notToday.flatMap((n) =>
    n.to === 'another_visit' && n.activity ? (n.zones ?? []).map((place) => ({ activity: n.activity ?? 'bath', place })) : [],
  );
  const known = new Set<string>();
  return [...planned, ...putOff].filter(({ activity, place }) => {
    const id = pieceId(activity, place);
    if (known.has(id)) return false;
    known.add(id);
    return true;
  });
}

/** The kinds of work among them. */
export function undoneIn(state: VisitState): Activity[] {
  if (!state.ended || !state.plan) return [];
  const putOff = state.plan.notToday.flatMap((n) => (n.to === 'another_visit' && n.activity ? [n.activity] : []));
  const planned = unfinishedPieces(state).map((u) => activityOf(u.step.id));
  return [...new Set([...planned, ...putOff])].filter((a) => !isForEase(a));
}

/** Zones of an ended visit whose mats or crusts were to be worked on and were not. */
export function leftZonesIn(state: VisitState): ZoneId[] {
  if (!state.ended || !state.plan) return [];
  const ofMats = (a: Activity | undefined): boolean => a !== undefined && isFoundWork(a);
  return [
    ...new Set([
      ...unfinishedPieces(state)
        .filter((u) => ofMats(activityOf(u.step.id)))
        .flatMap((u) => u.piece.zones),
      ...state.plan.notToday.filter((n) => n.to === 'another_visit' && ofMats(n.activity)).flatMap((n) => n.zones ?? []),
    ]),
  ];
}

/** Those of them that the hands found in that visit; what it had carried over itself and did not feel stands in an earlier one. */
export function undoneZonesIn(state: VisitState): ZoneFinding[] {
  const left = leftZonesIn(state);
  return state.feelOver.zones.filter((z) => left.includes(z.zone) && (z.matGrade > 0 || z.crust));
}

/** What the latest visit left for the next. @param summaries past visits, the latest first */
export function carriedOverFrom(summaries: readonly VisitSummary[]): CarriedOver[] {
  const [last] = planned(summaries);
  const from = last?.on ?? '';
  if (last?.undonePieces) return last.undonePieces.map((p) => ({ ...p, from }));
  return (last?.undone ?? []).map((activity) => ({ activity, from }));
}

/**
 * Mats and crusts that the latest visit left, each as it was last felt: a zone that several visits in a row left without a hand on
 * it is found in the first of them.
 * @param summaries past visits, the latest first
 */
export function carriedZonesFrom(summaries: readonly VisitSummary[]): CarriedZone[] {
  const visits = planned(summaries);
  return (visits[0]?.leftZones ?? []).flatMap((zone) => {
    for (const v of visits) {
      if (!v.leftZones?.includes(zone)) return [];
      const finding = v.undoneZones?.find((z) => z.zone === zone);
      if (finding) return [{ finding, from: v.on ?? '' }];
    }
    return [];
  });
}

/** Visits that are over and had a plan: one that is booked, or was called off before, leaves nothing and takes nothing away. */
const planned = (summaries: readonly VisitSummary[]): VisitSummary[] =>
  summaries.filter((s) => s.outcome !== null && s.plannedMinutes !== null && s.undone !== undefined && s.on);

/** Those that no hand has been on today: what is felt today comes before what was left. */
export function notFeltYet(carried: readonly CarriedZone[], state: Pick<VisitState, 'feelOver' | 'areasFelt'>): CarriedZone[] {
  return carried.filter(
    ({ finding: { zone } }) => !state.areasFelt.has(areaOf(zone)) && !state.feelOver.zones.some((felt) => felt.zone === zone),
  );
}

/** Today's findings, and those of the last visit that wait for a hand. */
export function withZones(feelOver: FeelOver, carried: readonly CarriedZone[]): FeelOver {
  return carried.length === 0 ? feelOver : { ...feelOver, zones: [...feelOver.zones, ...carried.map((c) => c.finding)] };
}
