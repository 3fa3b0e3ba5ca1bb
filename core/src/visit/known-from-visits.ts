import type { FeelOver, MarkFound } from '../findings/index.js';
import { biteToldCounts, type OldInjury, stillWarned, type StoredFacts } from '../knowledge/dogs/index.js';
import { activityOf, type IncidentKind, type InjuryKind, type SignalId, type Warning, type ZoneId } from '../words/index.js';
import type { VisitState } from './state.js';
import type { VisitSummary } from './summary.js';

/** Signs by which a dog asks to be let be, the gravest first. */
const WARNING_SIGNS: readonly (readonly [SignalId, Warning])[] = [
  ['bite', 'bit'],
  ['snap', 'snapped'],
  ['growl', 'growled'],
];

/** How far the dog went in this visit: before the work, as told at the start, and in it. */
export function warnedIn(state: VisitState): Warning | undefined {
  const seen = state.work?.strain.flatMap((e) => (e.kind === 'signal' ? [e.signal] : [])) ?? [];
  const bitten = state.incidents.some((i) => i.kind === 'bite_or_scratch_person');
  const said = (w: Warning): boolean => state.feelOver.warned === w || (w === 'bit' && bitten);
  return WARNING_SIGNS.find(([sign, warned]) => seen.includes(sign) || said(warned))?.[1];
}

/** Whether the body coat was clipped in this visit, whole or for its mats. */
export function coatDoneIn(state: VisitState): boolean {
  const steps = [...(state.work?.steps.values() ?? [])];
  return steps.some((s) => ['body_clip', 'clip_tight_body'].includes(activityOf(s.step)) && s.status === 'done');
}

const INJURY_OF: Readonly<Partial<Record<IncidentKind, InjuryKind>>> = {
  clipper_burn: 'burn',
  brush_burn: 'burn',
  nick: 'cut',
  laceration: 'cut',
  ear_edge_cut: 'cut',
  tongue_or_lip_cut: 'cut',
  fall_or_jump: 'fall',
};

/** The facts of the file with what this salon has seen since: warnings that still count, injuries, places it minds, when its coat was done. */
export function knownFacts(stored: StoredFacts, past: readonly VisitSummary[], today: string): StoredFacts {
  const over = past.filter((s) => s.outcome === 'finished' || s.outcome === 'stopped');
  const injuries: OldInjury[] = over.flatMap((s) =>
    s.incidents.flatMap((i) => {
      const kind = INJURY_OF[i.kind];
      return kind && i.harm !== 'none' ? [{ kind, zone: i.zone ?? null, on: s.on ?? null, here: true }] : [];
    }),
  );
  const done = over
    .filter((s) => s.coatDone === true && s.on)
    .map((s) => s.on ?? '')
    .sort()
    .at(-1);
  const byUs = done !== undefined && (stored.groomedOn === null || done >= stored.groomedOn);
  const asked = askedBefore(past);
  return {
    ...stored,
    // The file comes first; what it does not say was perhaps asked at a visit.
    muzzleUsed: stored.muzzleUsed ?? asked.muzzleUsed ?? null,
    soreWhenLifted: stored.soreWhenLifted ?? asked.soreWhenLifted ?? null,
    liesOn: stored.liesOn ?? asked.liesOn ?? null,
    slipsCollar: stored.slipsCollar ?? asked.slipsCollar ?? null,
    guards: [...new Set([...stored.guards, ...(asked.guards ?? [])])],
    biteHistory: biteToldCounts(stored),
    warned:
      stillWarned(
        stored,
        over.flatMap((s) => (s.on ? [{ on: s.on, warned: s.warned ?? undefined }] : [])),
        today,
      ) ?? null,
    injuries: [...stored.injuries, ...injuries],
    ...(byUs ? { groomedBy: 'here' as const, groomedOn: done } : {}),
  };
}

/** What was asked at earlier visits; the latest answer of each counts. @param past the latest first */
function askedBefore(past: readonly VisitSummary[]): NonNullable<VisitState['dogAsked']> {
  return [...past].reverse().reduce<NonNullable<VisitState['dogAsked']>>((all, s) => ({ ...all, ...s.dogAsked }), {});
}

/** A place that it minded is taken to be minded for so many visits, as a growl is. Our default. */
const MINDED_FOR_VISITS = 3;

/**
 * Places where it minded the hand at the latest visits: one that does not say it again forgets nothing, one that says it bears it does.
 * @param past the latest first
 */
export function resentedLately(past: readonly VisitSummary[]): ZoneId[] {
  const over = past.filter((s) => s.outcome === 'finished' || s.outcome === 'stopped').slice(0, MINDED_FOR_VISITS);
  const minds = new Map<ZoneId, boolean>();
  for (const s of [...over].reverse()) {
    for (const zone of s.bearsAt ?? []) minds.set(zone, false);
    for (const zone of s.resents ?? []) minds.set(zone, true);
  }
  return [...minds].flatMap(([zone, yes]) => (yes ? [zone] : []));
}

/** Places that it minds: felt today, or minded lately and not said to be borne today. @param lately as {@link resentedLately} says */
export function mindedPlaces(now: Pick<VisitState, 'feelOver' | 'bearsAt'>, lately: readonly ZoneId[]): ZoneId[] {
  return [...new Set([...(now.feelOver.resents ?? []), ...lately.filter((z) => !now.bearsAt.has(z))])];
}

/** A mark as the file knows it, of one visit. */
export interface MarkOfFile extends Omit<MarkFound, 'isNew' | 'presumedSince'> {
  /** ISO date. */
  readonly seenOn: string;
}

/** Marks of the file without those that a later visit looked for and did not find. */
export function marksStillThere(known: readonly MarkOfFile[], past: readonly VisitSummary[]): MarkOfFile[] {
  return known.filter((m) => !past.some((s) => s.marksGone?.includes(m.markId) === true && (s.on ?? '') >= m.seenOn));
}

/** Marks of earlier visits that nobody has looked for today: taken to be there until somebody does. */
export function presumedMarks(
  known: readonly MarkOfFile[],
  now: { readonly feelOver: Pick<FeelOver, 'marks'>; readonly marksGone: ReadonlySet<string> },
): MarkFound[] {
  const latest = new Map<string, MarkOfFile>();
  for (const m of known) if (m.seenOn >= (latest.get(m.markId)?.seenOn ?? '')) latest.set(m.markId, m);
  return [...latest.values()]
    .filter((m) => !now.marksGone.has(m.markId) && !now.feelOver.marks.some((x) => x.markId === m.markId))
    .map(({ seenOn, ...m }) => ({ ...m, isNew: false, presumedSince: seenOn }));
}
