import { bandOf } from '../strain/index.js';
import { type IncidentRecord, type VisitState, workNow } from '../visit/index.js';
import { activityOf, type Reason, reason, type StepName } from '../words/index.js';

/**
 * How it stood when an incident happened, from the log alone: nobody has to remember it.
 * @returns sentences in the order of a report
 */
export function incidentStory(state: VisitState, incident: IncidentRecord): Reason[] {
  const { then, later } = incident;
  if (later) return [reason('incident.later', { on: later.on, name: later.by }, 0.9)];
  if (!then) return [reason('incident.not_at_work', {}, 0.5)];
  const minute = Math.round(then.minute);
  const out: Reason[] = [];
  if (then.onBreak) out.push(reason('incident.in_break', { minute }, 0.8));
  else if (then.step) out.push(reason('incident.in_step', { minute, step: nameOf(state, then.step) }, 0.9));
  else out.push(reason('incident.between', { minute }, 0.7));
  if (then.hold) {
    const seconds = Math.round(then.heldSeconds);
    out.push(
      seconds > 0 ? reason('incident.held', { hold: then.hold, seconds }, 0.7) : reason('incident.in_hand', { hold: then.hold }, 0.7),
    );
    if (then.also.length > 0) out.push(reason('incident.also_held', { holds: then.also }, 0.5));
  }
  if (then.blade) {
    out.push(reason('incident.blade', { blade: then.blade, celsius: Math.round(then.celsius ?? 0) }, 0.8));
    if (then.bladeNotFelt) out.push(reason('incident.blade_not_felt', {}, 0.8));
  }
  if (then.standingMinutes >= 0.5) out.push(reason('incident.stood', { minutes: Math.round(then.standingMinutes) }, 0.6));
  const strain = strainAt(state, then.minute);
  if (strain !== undefined) out.push(reason('incident.strain', { strain: Math.round(strain), band: bandOf(strain) }, 0.7));
  if (then.step) out.push(then.offPlan ? reason('incident.off_plan', {}, 0.8) : reason('incident.on_plan', {}, 0.4));
  return out;
}

/** What the meter read at a minute of the visit; `undefined` where nothing was measured yet. */
export function strainAt(state: VisitState, minute: number): number | undefined {
  const points = workNow(state, state.work?.clockMs ?? 0)?.strain.points ?? [];
  return points.filter((p) => p.minute <= minute + 1e-6).at(-1)?.strain;
}

const nameOf = (state: VisitState, step: NonNullable<IncidentRecord['step']>): StepName =>
  state.plan?.steps.find((s) => s.id === step)?.name ?? activityOf(step);
