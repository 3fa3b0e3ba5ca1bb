import { leavesWound } from '../incidents/index.js';
import { carriedZonesFrom, type MarkOfFile, marksStillThere, resentedLately, type VisitSummary } from '../visit/index.js';
import { type HealingLook, type Reason, reason, type StepName, withoutStop } from '../words/index.js';

/** A wound of an earlier visit whose healing is asked today. */
export interface HealingAsked {
  readonly incidentId: string;
  readonly says: Reason;
  /** How it looked when it was last asked. */
  readonly last: HealingLook | undefined;
}

/** The last visit, read in ten seconds: how it went, what is still there, what to do otherwise. */
export interface LastTime {
  readonly on: string;
  readonly outcome: 'finished' | 'stopped' | 'not_today';
  /** How it went and how far it got. */
  readonly went: readonly Reason[];
  /** What is still in the coat and on the skin, and what it minds. */
  readonly still: readonly Reason[];
  /** What its owner was told and promised. */
  readonly told: readonly Reason[];
  /** What to do differently. */
  readonly otherwise: readonly Reason[];
  readonly healing: readonly HealingAsked[];
}

/** Wounds are asked about for so long, days. Our default: a quarter of a year. */
const HEALING_DAYS = 91;
const DAY_MS = 86_400_000;

/**
 * Where Know begins.
 * @param past summaries of earlier visits, the latest first
 * @param marks of the file
 * @param today ISO date
 * @returns `undefined` for a dog that was never here
 */
export function lastTime(past: readonly VisitSummary[], marks: readonly MarkOfFile[], today: string): LastTime | undefined {
  const over = past.filter((s) => s.outcome !== null && s.on);
  const [last] = over;
  if (!last?.outcome || !last.on) return undefined;
  const groomed = over.find((s) => s.outcome !== 'not_today');
  return {
    on: last.on,
    outcome: last.outcome,
    went: [wentOf(last, last.on), ...detailsOf(last)],
    still: stillOf(over, marksStillThere(marks, past)),
    told: toldOf(last),
    otherwise: groomed ? otherwiseOf(groomed) : [],
    healing: healingAsked(over, today),
  };
}

function wentOf(s: VisitSummary, on: string): Reason {
  const minutes = Math.round(s.minutes);
  if (s.outcome === 'stopped') return reason('last.stopped', { on, minutes, why: withoutStop(s.why) || undefined }, 1);
  if (s.outcome === 'not_today') return reason('last.not_today', { on, why: withoutStop(s.why) || undefined }, 0.9);
  return reason('last.finished', { on, minutes, band: s.band }, 0.6);
}

function detailsOf(s: VisitSummary): Reason[] {
  const out: Reason[] = [];
  if (s.hardSigns?.length) out.push(reason('last.signs', { signals: s.hardSigns }, 0.95));
  if (s.setOff?.length) out.push(reason('last.set_off', { works: s.setOff }, 0.8));
  if (s.calmedMinutes) out.push(reason('last.calmed', { minutes: s.calmedMinutes }, 0.5));
  for (const i of s.incidents)
    out.push(reason('last.incident', { incident: i.kind, zone: i.zone ?? undefined, harm: i.harm ?? undefined, on: s.on ?? '' }, 0.9));
  return out;
}

function stillOf(over: readonly VisitSummary[], marks: readonly MarkOfFile[]): Reason[] {
  const out: Reason[] = [];
  const inCoat = carriedZonesFrom(over).map((c) => c.finding.zone);
  if (inCoat.length > 0) out.push(reason('last.still_in', { zones: inCoat }, 0.8));
  const undone = over.find((s) => s.outcome !== 'not_today')?.undone ?? [];
  if (undone.length > 0) out.push(reason('last.left', { works: undone }, 0.6));
  const minds = resentedLately(over);
  if (minds.length > 0) out.push(reason('last.minds', { zones: minds }, 0.7));
  const at = [...new Set(marks.map((m) => m.zone))];
  if (at.length > 0) out.push(reason('last.marks', { zones: at }, 0.7));
  return out;
}

function toldOf(s: VisitSummary): Reason[] {
  return [
    ...(s.toldTo ? [reason('last.told', { name: s.toldTo }, 0.4)] : []),
    ...(s.ownTold ?? []).map((text) => reason('last.promised', { text: withoutStop(text) }, 0.7)),
    ...s.notes.map((text) => reason('last.remark', { text: withoutStop(text) }, 0.5)),
  ];
}

/** What is to be done differently, from what went wrong; nothing where nothing did. */
function otherwiseOf(s: VisitSummary): Reason[] {
  const out: Reason[] = [];
  if (s.outcome === 'stopped') out.push(reason('last.lighter', {}, 0.9));
  const works: readonly StepName[] = s.setOff ?? [];
  if (works.length > 0) out.push(reason('last.other_way', { works }, 0.7));
  const burn = s.incidents.find((i) => i.kind === 'clipper_burn');
  if (burn) out.push(reason('last.feel_blade', { zone: burn.zone ?? undefined }, 0.9));
  for (const i of s.incidents) {
    const decided = i.action ?? i.prevented;
    if (decided) out.push(reason('last.action', { text: withoutStop(decided) }, 0.8));
  }
  return out;
}

/** Wounds of the last months that were not seen to be closed since. */
function healingAsked(over: readonly VisitSummary[], today: string): HealingAsked[] {
  return over.flatMap((s, at) => {
    const { on } = s;
    if (!on || (Date.parse(today) - Date.parse(on)) / DAY_MS > HEALING_DAYS) return [];
    return s.incidents.filter(leavesWound).flatMap((i): HealingAsked[] => {
      if (i.incidentId === undefined) return [];
      const id = i.incidentId;
      const last = over.slice(0, at).flatMap((later) => later.healing?.[id] ?? [])[0];
      if (last === 'closed_dry' || last === 'not_found') return [];
      return [{ incidentId: id, says: reason('last.healing', { incident: i.kind, zone: i.zone ?? undefined, on }, 0.8), last }];
    });
  });
}
