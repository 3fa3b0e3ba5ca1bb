import { addDays } from '../days/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { hurtTheDog, leavesWound, needsVetNow } from '../incidents/index.js';
import type { VisitState } from '../visit/index.js';
import { type Activity, activityOf, type FollowUpKind, type Reason, reason, withoutStop } from '../words/index.js';
import { CLOSE_WORK } from '../work/index.js';

/** Days until each is due. A call within 48 hours (handbook 12), new marks after four weeks (13); the vet's word after three days is our default. */
const DUE_DAYS = { tell: 0, call: 2, look: 28, report: 3 } as const;

/** Something that is due after a visit. */
export interface FollowUp {
  /** Within its visit: by this it is said to be done. */
  readonly key: string;
  readonly kind: FollowUpKind;
  /** ISO date. */
  readonly dueOn: string;
  readonly because: readonly Reason[];
}

/** All that is due after a visit that is over, the soonest first; nothing before it is over. What was done is among it. */
export function followUpsOf(state: VisitState): FollowUp[] {
  const on = state.day;
  if (!on || !state.ended) return [];
  const out: FollowUp[] = [];
  const add = (key: string, kind: FollowUpKind, days: number, because: readonly Reason[]): void => {
    if (because.length > 0) out.push({ key, kind, dueOn: addDays(on, days), because });
  };
  for (const i of state.incidents)
    if (i.kind !== 'near_miss' && !i.ownerTold && !state.handedBack)
      add(`tell.${i.incidentId}`, 'call', DUE_DAYS.tell, [reason('follow.tell_owner', { incident: i.kind }, 1)]);
  const did = (a: Activity): boolean =>
    [...(state.work?.steps.values() ?? [])].some((s) => activityOf(s.step) === a && ['done', 'part'].includes(s.status));
  const earMats = state.feelOver.zones.some((z) => z.matGrade >= 2 && zoneFacts(z.zone).group === 'ears') && did('clip_tight_head');
  const clippedOff = state.plan?.steps.some((s) => s.name === 'clip_off_body') === true && CLOSE_WORK.some(did);
  add('call', 'call', DUE_DAYS.call, [
    ...state.incidents.filter((i) => hurtTheDog(i)).map((i) => reason('follow.incident', { incident: i.kind, zone: i.zone }, 0.9)),
    ...(clippedOff ? [reason('follow.close_clip', {}, 0.7)] : []),
    ...(earMats ? [reason('follow.ear_mats', {}, 0.8)] : []),
  ]);
  const vet = state.handedBack?.vetAdvised === true || state.incidents.some((i) => needsVetNow(i.kind, i.harm) && leavesWound(i));
  if (vet) add('report', 'report', DUE_DAYS.report, [reason('follow.vet', {}, 0.8)]);
  const marks = state.feelOver.marks.filter((m) => m.isNew).map((m) => m.zone);
  if (marks.length > 0) add('look', 'look', DUE_DAYS.look, [reason('follow.marks', { zones: [...new Set(marks)] }, 0.6)]);
  for (const i of state.incidents) {
    const { action, actionBy, actionUntil } = i.details;
    if (action && actionUntil)
      out.push({
        key: `action.${i.incidentId}`,
        kind: 'report',
        dueOn: actionUntil,
        because: [reason('follow.action', { text: withoutStop(action), name: actionBy }, 0.6)],
      });
  }
  return out.sort((a, b) => a.dueOn.localeCompare(b.dueOn));
}
