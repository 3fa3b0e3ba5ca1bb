import type { VisitEvent } from '@mansuet/core/log';
import { type FieldProblem, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';

/** In which visits ids stand already. */
export async function whereStored(trx: InSalon, events: readonly VisitEvent[]): Promise<ReadonlyMap<string, string>> {
  const ids = events.map((e) => e.id);
  const rows = await trx.selectFrom('visit_event').select(['event_id', 'visit_id']).where('event_id', 'in', ids).execute();
  return new Map(rows.map((r) => [r.event_id, r.visit_id]));
}

/** Ids that an entry of another visit has: such an event would be taken for stored and be nowhere. */
export function idsElsewhere(visitId: string, events: readonly VisitEvent[], stored: ReadonlyMap<string, string>): FieldProblem[] {
  const elsewhere = new Set([...stored].flatMap(([id, visit]) => (visit === visitId ? [] : [id])));
  return events.flatMap((e, i) => (elsewhere.has(e.id) ? [{ path: `events.${i}.id`, says: saying('form.id_of_other_visit', {}) }] : []));
}

/** Entries that are taken back by somebody who neither wrote them nor leads the salon. */
export async function voidsOfOthers(
  trx: InSalon,
  visitId: string,
  events: readonly VisitEvent[],
  stored: ReadonlyMap<string, string>,
): Promise<FieldProblem[]> {
  const targets = events.flatMap((e) => (e.type === 'voided' ? [e.body.target] : []));
  if (targets.length === 0) return [];
  const rows = await trx
    .selectFrom('visit_event')
    .select(['event_id', 'by_staff'])
    .where('visit_id', '=', visitId)
    .where('event_id', 'in', targets)
    .execute();
  const writers = new Map([...rows.map((r) => [r.event_id, r.by_staff] as const), ...events.map((e) => [e.id, e.by] as const)]);
  const leads = new Set((await trx.selectFrom('staff').select('staff_id').where('role', '=', 'lead').execute()).map((s) => s.staff_id));
  return events.flatMap((e, i) => {
    // What it takes back may still be on the way from another tablet: whose it is, is not known then, and nothing is taken back by it yet.
    const writer = e.type === 'voided' && !stored.has(e.id) ? writers.get(e.body.target) : undefined;
    if (writer === undefined || writer === e.by || leads.has(e.by)) return [];
    return [{ path: `events.${i}.body.target`, says: saying('form.void_of_others', {}) }];
  });
}

/** People and dogs that events name must be of this salon; what row-level security hides is nowhere. */
export async function strangersIn(
  trx: InSalon,
  events: readonly VisitEvent[],
  known: ReadonlyMap<string, string>,
): Promise<FieldProblem[]> {
  const staff = new Set((await trx.selectFrom('staff').select('staff_id').execute()).map((s) => s.staff_id));
  const errors: FieldProblem[] = [];
  for (const [i, e] of events.entries()) {
    if (!staff.has(e.by)) errors.push({ path: `events.${i}.by`, says: saying('form.nobody_here', {}) });
    // What is stored already was right when it came: sent again, it is not asked about anew.
    if (e.type === 'hands_changed' && !staff.has(e.body.staffId))
      errors.push({ path: `events.${i}.body.staffId`, says: saying('form.nobody_here', {}) });
    if (e.type !== 'visit_booked' || known.has(e.id)) continue;
    if (!staff.has(e.body.groomerId)) errors.push({ path: `events.${i}.body.groomerId`, says: saying('form.nobody_here', {}) });
    const dog = await trx.selectFrom('dog').select(['archived_at', 'merged_into']).where('dog_id', '=', e.body.dogId).executeTakeFirst();
    const wrong = !dog ? 'form.no_dog_here' : dog.merged_into ? 'form.dog_merged' : dog.archived_at ? 'form.dog_put_away' : undefined;
    if (wrong) errors.push({ path: `events.${i}.body.dogId`, says: saying(wrong, {}) });
  }
  return errors;
}
