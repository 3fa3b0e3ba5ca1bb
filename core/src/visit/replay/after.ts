import { standingSince } from '../stands.js';
import type { IncidentRecord, IncidentThen, VisitState } from '../state.js';
import type { Appliers } from './appliers.js';
import { minuteOf } from './work-state.js';

/** Incidents and what is said of them, what the owner is told, and what is due. */
export const APPLY_AFTER: Appliers<
  | 'incident'
  | 'incident_more'
  | 'owner_told'
  | 'closing_skipped'
  | 'account_line'
  | 'next_visit'
  | 'reopened'
  | 'healing_seen'
  | 'follow_up_done'
> = {
  incident: (s, e, atMs) => {
    const { incidentId, kind, harm, zone, what, later } = e.body;
    const then = later ? undefined : thenOf(s, atMs);
    s.incidents.push({
      eventId: e.id,
      incidentId,
      kind,
      harm: harm ?? undefined,
      zone: zone ?? undefined,
      what,
      atMs,
      step: then?.step,
      hold: then?.hold,
      blade: then?.blade,
      by: e.by,
      later,
      then,
      details: {},
      additions: [],
      ownerTold: undefined,
    });
  },
  incident_more: (s, { body, by }, atMs) => {
    const { incidentId, ...said } = body;
    change(s, incidentId, (told) => {
      const { kind = told.kind, harm = told.harm, zone = told.zone, what = told.what, ...details } = said;
      const fields = Object.keys(said);
      return {
        ...told,
        kind,
        harm,
        zone,
        what,
        details: { ...told.details, ...details },
        additions: [...told.additions, { atMs, by, fields }],
      };
    });
  },
  owner_told: (s, { body, by }, atMs) => {
    const { incidentId, ...told } = body;
    change(s, incidentId, (incident) => ({ ...incident, ownerTold: { ...told, atMs, by } }));
  },
  closing_skipped: (s, { body }) => {
    s.closing.skipped.set(body.line, body.why);
  },
  account_line: (s, { body }) => {
    if (body.text === '') s.accountLines.delete(body.line);
    else s.accountLines.set(body.line, body.text);
  },
  next_visit: (s, { body }) => {
    s.nextVisit = body;
  },
  reopened: (s, { body, by }, atMs) => {
    s.handedBack = undefined;
    s.reopened.push({ why: body.why, atMs, by });
  },
  healing_seen: (s, { body }) => {
    s.healing.set(body.incidentId, body.look);
  },
  follow_up_done: (s, { body, by }, atMs) => {
    s.followUpsDone.set(body.followUp, { says: body.says, atMs, by });
  },
};

function change(s: VisitState, incidentId: string, how: (incident: IncidentRecord) => IncidentRecord): void {
  const at = s.incidents.findIndex((i) => i.incidentId === incidentId);
  const found = s.incidents[at];
  if (found) s.incidents[at] = how(found);
}

/** How it stands at this moment; nothing before the work, and after it. */
function thenOf(s: VisitState, atMs: number): IncidentThen | undefined {
  const { work } = s;
  if (!work || work.endedMs !== undefined) return undefined;
  const step = work.running;
  const planned = s.plan?.steps.find((p) => p.id === step);
  const [hold, blade] = step ? [work.hold, work.blade] : [undefined, undefined];
  const clock = blade ? work.blades.get(blade) : undefined;
  const minute = minuteOf(work, atMs);
  return {
    minute,
    step,
    hold,
    also: step ? work.also : [],
    heldSeconds: Math.max(0, ...work.holdStretch.values()),
    blade,
    celsius: clock?.celsius,
    bladeNotFelt: clock !== undefined && clock.touched === undefined,
    standingMinutes: standingSince(s, minute),
    offPlan:
      step !== undefined &&
      s.plan !== undefined &&
      (planned === undefined || planned.hold !== hold || (planned.blade ?? undefined) !== blade),
    onBreak: work.onBreakSinceMs !== undefined,
  };
}
