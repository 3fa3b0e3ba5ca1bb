import { phaseOf, readOn, replay, summarize } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import type { KeptVisit } from './kept-visits.js';
import { readLog } from './read-events.js';

/**
 * Writes what the tables know of a visit: the same function as the browser's reads its events, so a projection can be thrown away and made again.
 * @param before the visit as this process left it: then only what came after is read, and only what changed is written
 * @param own ids of what this process has just added
 * @returns the visit as it is left now; `undefined` for one without a booking
 */
export async function project(
  trx: InSalon,
  salonId: string,
  visitId: string,
  before?: KeptVisit,
  own?: ReadonlySet<string>,
): Promise<KeptVisit | undefined> {
  const visit = await readVisitOn(trx, visitId, before, own);
  const { state } = visit;
  const { dogId, groomerId, arrivesAt, day } = state;
  if (!dogId || !groomerId || !arrivesAt || !day) return undefined;
  const phase = phaseOf(state);
  // Summed up when it is over: of one that runs nobody asks for more than how far it is, and each tap would write all of it anew.
  const summary = phase === 'gone' ? summarize(state) : undefined;
  const row = { dog_id: dogId, groomer_id: groomerId, arrives_at: arrivesAt, phase, summary: summary ? JSON.stringify(summary) : null };
  const key = { salon_id: salonId, visit_id: visitId, dog_id: dogId };
  const rows = {
    exposure: (summary?.exposure ?? []).map((e) => ({
      ...key,
      activity: e.activity,
      hold: e.hold,
      blade: e.blade ?? '',
      minutes: e.minutes,
      points: e.points,
    })),
    // Only what was measured is a measure.
    mark_seen: state.feelOver.marks
      .filter((m) => m.asBefore === undefined)
      .map((m) => ({
        ...key,
        mark_id: m.markId,
        seen_on: day,
        zone: m.zone,
        length_mm: m.lengthMm,
        width_mm: m.widthMm,
        border: m.border,
        surface: m.surface,
        kind: m.kind ?? null,
        spot: m.spot ? [...m.spot] : null,
      })),
    dog_weight: state.weightKg === undefined ? [] : [{ ...key, on_day: day, by: 'scale' as const, kg: state.weightKg }],
    incident: state.incidents.map((i) => ({
      ...key,
      incident_id: i.incidentId,
      by_staff: i.by,
      at: new Date(i.atMs).toISOString(),
      kind: i.kind,
      harm: i.harm,
      zone: i.zone ?? null,
      step: i.step ?? null,
      hold: i.hold ?? null,
      blade: i.blade ?? null,
      what: i.what,
    })),
  };
  const written = new Map<string, string>();
  const isNews = (table: string, what: unknown): boolean => {
    const now = JSON.stringify(what);
    written.set(table, now);
    return visit.written.get(table) !== now;
  };
  if (isNews('visit', row))
    await trx
      .insertInto('visit')
      .values({ salon_id: salonId, visit_id: visitId, ...row })
      .onConflict((c) => c.columns(['salon_id', 'visit_id']).doUpdateSet(row))
      .execute();
  for (const table of ['exposure', 'mark_seen', 'dog_weight', 'incident'] as const) {
    if (!isNews(table, rows[table])) continue;
    await trx.deleteFrom(table).where('visit_id', '=', visitId).execute();
  }
  const changed = (table: keyof typeof rows): boolean => rows[table].length > 0 && visit.written.get(table) !== written.get(table);
  if (changed('exposure')) await trx.insertInto('exposure').values(rows.exposure).execute();
  if (changed('mark_seen')) await trx.insertInto('mark_seen').values(rows.mark_seen).execute();
  if (changed('dog_weight')) await trx.insertInto('dog_weight').values(rows.dog_weight).execute();
  if (changed('incident')) await trx.insertInto('incident').values(rows.incident).execute();
  return { ...visit, written };
}

/** The visit with all that is in its log, from where it was left if that can be. */
async function readVisitOn(
  trx: InSalon,
  visitId: string,
  before: KeptVisit | undefined,
  own: ReadonlySet<string> | undefined,
): Promise<KeptVisit> {
  const news = before && (await readLog(trx, visitId, before.cursor));
  // What another process added it has also written: what stands in the tables is then not what this one left there.
  const written = before && news?.events.every((e) => own?.has(e.id)) ? before.written : new Map<string, string>();
  if (before && news && readOn(before.state, news.events)) return { ...before, cursor: news.cursor, written };
  const { events, cursor } = await readLog(trx, visitId);
  return { state: replay(visitId, events), cursor, written };
}

/** Makes every projection of a salon again from its events. @returns how many visits */
export async function rebuildProjections(trx: InSalon, salonId: string): Promise<number> {
  const visits = await trx.selectFrom('visit_event').select('visit_id').distinct().execute();
  for (const { visit_id } of visits) await project(trx, salonId, visit_id);
  return visits.length;
}
