import { HOLDS } from '../knowledge/holds/index.js';
import { SWAP_AT_CELSIUS } from '../knowledge/heat/index.js';
import { SIGNALS, WATCH_AT } from '../strain/index.js';
import type { IncidentRecord, VisitState } from '../visit/index.js';
import { type IncidentFactor, INCIDENT_FACTORS } from '../words/index.js';
import { strainAt } from './story.js';

/** From so many minutes on hands and dog are tired. Our default. */
const LATE_FROM_MINUTES = 60;
/** From so many minutes on its feet. Our default: the usual stretch of a dog that nothing is known of. */
const STOOD_LONG_MINUTES = 15;

/** A thing that may have played a part. */
export interface FactorOffered {
  readonly factor: IncidentFactor;
  /** The log knows of it: it is offered first. It is never ticked for anyone. */
  readonly inLog: boolean;
}

/** What may have played a part, what the log knows of first. */
export function factorsOffered(state: VisitState, incident: IncidentRecord): FactorOffered[] {
  const known = new Set(factorsInLog(state, incident));
  return [
    ...INCIDENT_FACTORS.filter((f) => known.has(f)).map((factor) => ({ factor, inLog: true })),
    ...INCIDENT_FACTORS.filter((f) => !known.has(f)).map((factor) => ({ factor, inLog: false })),
  ];
}

function factorsInLog(state: VisitState, { then, zone }: IncidentRecord): IncidentFactor[] {
  if (!then) return [];
  const hands = [then.hold, ...then.also].filter((h) => h !== undefined);
  const strain = strainAt(state, then.minute) ?? 0;
  const hard = (state.work?.strain ?? []).some(
    (e) => e.kind === 'signal' && e.minute <= then.minute && ['hard', 'body_alarm'].includes(SIGNALS[e.signal].tier),
  );
  const found = zone ? state.feelOver.zones.find((z) => z.zone === zone) : undefined;
  const held: readonly (readonly [boolean, IncidentFactor])[] = [
    [then.offPlan, 'off_plan'],
    [strain >= WATCH_AT, 'strain_rising'],
    [hard, 'after_hard_sign'],
    [then.standingMinutes >= STOOD_LONG_MINUTES, 'stood_long'],
    [hands.some((h) => then.heldSeconds > HOLDS[h].capMinutes * 60), 'hold_long'],
    [(then.celsius ?? 0) >= SWAP_AT_CELSIUS, 'blade_warm'],
    [then.bladeNotFelt, 'blade_not_felt'],
    [(found?.matGrade ?? 0) >= 2, 'mat_there'],
    [state.feelOver.marks.some((m) => m.zone === zone), 'mark_there'],
    [found !== undefined && found.skin !== 'sound', 'skin_not_sound'],
    [then.minute >= LATE_FROM_MINUTES, 'late_in_visit'],
    [!state.helperThere, 'alone'],
  ];
  return held.flatMap(([is, factor]) => (is ? [factor] : []));
}
