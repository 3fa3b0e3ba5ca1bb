import { sql } from 'kysely';
import { readEvent, type VisitEvent } from '@mansuet/core/log';
import { done, type FieldProblem, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { project } from './project.js';
import { readEvents } from './read-events.js';

/** The channel on which every server process hears that a visit has grown. */
export const CHANNEL = 'mansuet_visit';

export interface BatchTaken {
  readonly stored: string[];
  /** Already there: sent twice, stored once. */
  readonly known: string[];
}

/** Ahead of the server's clock at most, ms: a tablet may be in another zone, or a day out. Our default. */
const AHEAD_MS = 2 * 24 * 60 * 60_000;
/** Nothing was recorded before, and nothing is booked past this, years from now. Our defaults. */
const EARLIEST = '2000-01-01';
const BOOKED_AHEAD_YEARS = 3;

/** Times of an event that would order everything behind them, or stand on no day that is ever shown. */
function timesOut(event: VisitEvent, now: Date): string[] {
  const latest = now.getTime() + AHEAD_MS;
  const within = (ms: number, until: number): boolean => ms >= Date.parse(EARLIEST) && ms <= until;
  const out = [];
  if (!within(Date.parse(event.at), latest)) out.push('at');
  if (!within(event.stamp.wallMs, latest)) out.push('stamp.wallMs');
  if (event.type === 'visit_booked') {
    const booked = new Date(now);
    booked.setFullYear(now.getFullYear() + BOOKED_AHEAD_YEARS);
    if (!within(Date.parse(event.body.arrivesAt), booked.getTime())) out.push('body.arrivesAt');
  }
  return out;
}

/** Checks every event of a batch; one bad event refuses the batch, by name. */
export function readBatch(visitId: string, raw: readonly unknown[], now: Date): Outcome<VisitEvent[]> {
  const errors: FieldProblem[] = [];
  const events = raw.flatMap((one, i) => {
    const read = readEvent(one);
    if (!read.ok) errors.push(...read.fields.map((f) => ({ path: `events.${i}.${f.path}`, says: f.says })));
    else if (read.event.visitId !== visitId) errors.push({ path: `events.${i}.visitId`, says: saying('form.other_visit', {}) });
    else {
      const out = timesOut(read.event, now);
      if (out.length === 0) return [read.event];
      errors.push(...out.map((path) => ({ path: `events.${i}.${path}`, says: saying('form.time_out_of_range', {}) })));
    }
    return [];
  });
  return errors.length > 0 ? refused('bad_input', saying('problem.nothing_stored', {}), errors) : done(events);
}

/**
 * Adds events to a visit: the log, its projections and the notice to other browsers in one transaction.
 */
export async function appendEvents(
  trx: InSalon,
  salonId: string,
  visitId: string,
  events: readonly VisitEvent[],
): Promise<Outcome<BatchTaken>> {
  // Two tablets on one visit take turns, so that each projection is made from all events.
  await sql`select pg_advisory_xact_lock(hashtextextended(${visitId}, 0))`.execute(trx);
  const before = await readEvents(trx, visitId);
  const wrong = [...(await strangersIn(trx, events, new Set(before.map((e) => e.id)))), ...(await idsElsewhere(trx, visitId, events))];
  if (wrong.length > 0) return refused('bad_input', saying('problem.nothing_stored', {}), wrong);
  const foreign = await voidsOfOthers(trx, before, events);
  if (foreign.length > 0) return refused('forbidden', saying('problem.nothing_stored', {}), foreign);
  if (before.length === 0 && !events.some((e) => e.type === 'visit_booked'))
    return refused('not_found', saying('problem.never_booked', {}));
  const inserted = await trx
    .insertInto('visit_event')
    .values(
      events.map((e) => ({
        salon_id: salonId,
        event_id: e.id,
        visit_id: visitId,
        at: e.at,
        by_staff: e.by,
        device: e.stamp.device,
        stamp_wall_ms: e.stamp.wallMs,
        stamp_counter: e.stamp.counter,
        v: e.v,
        type: e.type,
        body: JSON.stringify(e.body),
      })),
    )
    .onConflict((c) => c.columns(['salon_id', 'event_id']).doNothing())
    .returning('event_id')
    .execute();
  const stored = inserted.map((r) => r.event_id);
  if (stored.length > 0) {
    await project(trx, salonId, visitId, [...before, ...events]);
    await sql`select pg_notify(${CHANNEL}, ${`${salonId}:${visitId}`})`.execute(trx);
  }
  return done({ stored, known: events.map((e) => e.id).filter((id) => !stored.includes(id)) });
}

/** Ids that an entry of another visit has: such an event would be taken for stored and be nowhere. */
async function idsElsewhere(trx: InSalon, visitId: string, events: readonly VisitEvent[]): Promise<FieldProblem[]> {
  const rows = await trx
    .selectFrom('visit_event')
    .select('event_id')
    .where(
      'event_id',
      'in',
      events.map((e) => e.id),
    )
    .where('visit_id', '!=', visitId)
    .execute();
  const elsewhere = new Set(rows.map((r) => r.event_id));
  return events.flatMap((e, i) => (elsewhere.has(e.id) ? [{ path: `events.${i}.id`, says: saying('form.id_of_other_visit', {}) }] : []));
}

/** Entries that are taken back by somebody who neither wrote them nor leads the salon. */
async function voidsOfOthers(trx: InSalon, before: readonly VisitEvent[], events: readonly VisitEvent[]): Promise<FieldProblem[]> {
  if (!events.some((e) => e.type === 'voided')) return [];
  const writers = new Map([...before, ...events].map((e) => [e.id, e.by]));
  const leads = new Set((await trx.selectFrom('staff').select('staff_id').where('role', '=', 'lead').execute()).map((s) => s.staff_id));
  const known = new Set(before.map((e) => e.id));
  return events.flatMap((e, i) => {
    // What it takes back may still be on the way from another tablet: whose it is, is not known then, and nothing is taken back by it yet.
    const writer = e.type === 'voided' && !known.has(e.id) ? writers.get(e.body.target) : undefined;
    if (writer === undefined || writer === e.by || leads.has(e.by)) return [];
    return [{ path: `events.${i}.body.target`, says: saying('form.void_of_others', {}) }];
  });
}

/** People and dogs that events name must be of this salon; what row-level security hides is nowhere. */
async function strangersIn(trx: InSalon, events: readonly VisitEvent[], known: ReadonlySet<string>): Promise<FieldProblem[]> {
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
