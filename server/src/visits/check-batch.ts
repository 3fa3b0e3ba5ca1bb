import type { VisitEvent } from '@mansuet/core/log';
import { type FieldProblem, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';

/** A batch once its entries are added: which of them are new. What stood there before was right when it came, and is not asked about anew. */
export interface Added {
  readonly visitId: string;
  readonly events: readonly VisitEvent[];
  readonly fresh: ReadonlySet<string>;
}

/** Ids that an entry of another visit has: such an event would be taken for stored and be nowhere. @param stands in which visits those stand that were there */
export function idsElsewhere({ visitId, events, fresh }: Added, stands: ReadonlyMap<string, string>): FieldProblem[] {
  return events.flatMap((e, i) =>
    fresh.has(e.id) || stands.get(e.id) === visitId ? [] : [{ path: `events.${i}.id`, says: saying('form.id_of_other_visit', {}) }],
  );
}

/** Entries that are taken back by somebody who neither wrote them nor leads the salon. */
export async function voidsOfOthers(trx: InSalon, { visitId, events, fresh }: Added): Promise<FieldProblem[]> {
  const targets = events.flatMap((e) => (e.type === 'voided' && fresh.has(e.id) ? [e.body.target] : []));
  if (targets.length === 0) return [];
  const rows = await trx
    .selectFrom('visit_event')
    .select(['event_id', 'by_staff'])
    .where('visit_id', '=', visitId)
    .where('event_id', 'in', targets)
    .execute();
  // What it takes back may still be on the way from another tablet: whose it is, is not known then, and nothing is taken back by it yet.
  const writers = new Map(rows.map((r) => [r.event_id, r.by_staff]));
  const others = events.flatMap((e, i) => {
    const writer = e.type === 'voided' && fresh.has(e.id) ? writers.get(e.body.target) : undefined;
    return writer === undefined || writer === e.by ? [] : [{ i, by: e.by }];
  });
  if (others.length === 0) return [];
  const leads = new Set((await trx.selectFrom('staff').select('staff_id').where('role', '=', 'lead').execute()).map((s) => s.staff_id));
  return others.flatMap(({ i, by }) =>
    leads.has(by) ? [] : [{ path: `events.${i}.body.target`, says: saying('form.void_of_others', {}) }],
  );
}

/** People and dogs that events name must be of this salon; what row-level security hides is nowhere. */
export async function strangersIn(trx: InSalon, { events, fresh }: Added): Promise<FieldProblem[]> {
  const named = events.flatMap((e, i) => {
    if (!fresh.has(e.id)) return [];
    if (e.type === 'hands_changed') return [{ path: `events.${i}.body.staffId`, staffId: e.body.staffId }];
    return e.type === 'visit_booked' || e.type === 'booking_moved'
      ? [{ path: `events.${i}.body.groomerId`, staffId: e.body.groomerId }]
      : [];
  });
  if (named.length === 0) return [];
  const staff = new Set((await trx.selectFrom('staff').select('staff_id').execute()).map((s) => s.staff_id));
  const errors = named.flatMap((n) => (staff.has(n.staffId) ? [] : [{ path: n.path, says: saying('form.nobody_here', {}) }]));
  for (const [i, e] of events.entries()) {
    if (e.type !== 'visit_booked' || !fresh.has(e.id)) continue;
    const dog = await trx.selectFrom('dog').select(['archived_at', 'merged_into']).where('dog_id', '=', e.body.dogId).executeTakeFirst();
    const wrong = !dog ? 'form.no_dog_here' : dog.merged_into ? 'form.dog_merged' : dog.archived_at ? 'form.dog_put_away' : undefined;
    if (wrong) errors.push({ path: `events.${i}.body.dogId`, says: saying(wrong, {}) });
  }
  return errors;
}
