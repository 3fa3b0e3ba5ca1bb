import { incidentClass } from '../incidents/index.js';
import type { IncidentRecord, VisitState } from '../visit/index.js';
import { CLOSING_LINES, type Reason, reason, withoutStop } from '../words/index.js';
import { type AccountLine, line } from './account-line.js';

/** What went otherwise than agreed: not groomed, stopped, hurt, or nearly; each honestly, with its time and what was done. */
export function happenedTold(state: VisitState, name: string, clock: (ms: number) => string): AccountLine[] {
  const out: AccountLine[] = [];
  if (state.ended?.outcome === 'not_today')
    out.push(line('happened', 'not_today', reason('told.not_today', { name, why: withoutStop(state.ended.why) }, 1)));
  if (state.ended?.outcome === 'stopped')
    out.push(line('happened', 'stopped', reason('told.stopped', { why: withoutStop(state.ended.why) || undefined }, 0.9)));
  for (const i of state.incidents)
    out.push(line('happened', `incident.${i.incidentId}`, incidentTold(i, clock), i.kind === 'near_miss' ? undefined : 'hurt'));
  if (state.incidents.length === 0 && state.work) out.push(line('happened', 'no_incident', reason('told.no_incident', {}, 0.3)));
  for (const lineOf of CLOSING_LINES) {
    const why = state.closing.skipped.get(lineOf);
    if (why !== undefined && !state.closing.done.has(lineOf))
      out.push(line('happened', `skipped.${lineOf}`, reason('told.skipped', { closing_line: lineOf, why: withoutStop(why) }, 0.8)));
  }
  return out;
}

/** One incident: what, where, when, how bad, what was done, what a vet said. Who was to blame is not in it. */
function incidentTold(i: IncidentRecord, clock: (ms: number) => string): Reason[] {
  const { sizeMm, did, didAt, vet, look } = i.details;
  const facts = { incident: i.kind, harm: i.harm, zone: i.zone };
  const said: Reason[] = [
    i.later
      ? reason('told.incident_later', { ...facts, on: i.later.on }, 0.95)
      : reason(incidentClass(i.kind, i.harm) === 'near_miss' ? 'told.near_miss' : 'told.incident', { ...facts, text: clock(i.atMs) }, 0.95),
  ];
  if (i.what !== '') said.push(reason('told.incident_what', { text: withoutStop(i.what) }, 0.9));
  if (sizeMm || look) said.push(reason('told.incident_look', { size: sizeMm, incident_look: look }, 0.8));
  if (did) said.push(reason('told.incident_did', { text: withoutStop(did), why: didAt }, 0.9));
  if (vet) said.push(reason('told.incident_vet', { text: withoutStop(vet) }, 0.9));
  return said;
}
