import { beginReading, goOnReading, phaseOf, summarize } from '@mansuet/core/visit';
import { keepAfter } from '../after-visit/keep-after.js';
import type { InSalon } from '../database/database.js';
import type { KeptVisit } from './kept-visits.js';
import { type LogRow, readLog, readRow } from './read-events.js';

/**
 * Writes what the tables know of a visit: the same function as the browser's reads its events, so a projection can be thrown away and made again.
 * Only what changed since it was last left is written.
 * @returns the visit as it is left now; `undefined` for one without a booking
 */
export async function project(trx: InSalon, salonId: string, visit: KeptVisit): Promise<KeptVisit | undefined> {
  const { state } = visit.reading;
  const { visitId } = state;
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
      harm: i.harm ?? null,
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
  if (state.ended) await keepAfter(trx, salonId, state, dogId, isNews);
  else if (isNews('follow_up', [])) await trx.deleteFrom('follow_up').where('visit_id', '=', visitId).execute();
  return { ...visit, written };
}

/** The visit with all that is in its log. */
async function readVisit(trx: InSalon, visitId: string): Promise<KeptVisit> {
  const { events, cursor } = await readLog(trx, visitId);
  return { reading: beginReading(visitId, events), cursor, written: new Map() };
}

/**
 * The visit with what is new in its log, from where it was left if that can be.
 * @param before as this process left it
 * @param news the log from a cursor on, at or before the one of `before`
 * @param own ids of what this process has just added
 */
export async function readOnVisit(
  trx: InSalon,
  visitId: string,
  before: KeptVisit | undefined,
  news: { readonly since: number; readonly rows: readonly LogRow[] },
  own: ReadonlySet<string>,
): Promise<KeptVisit> {
  if (!before) return news.since === 0 ? { ...readRows(visitId, news.rows), written: new Map() } : readVisit(trx, visitId);
  const rows = news.rows.filter((row) => Number(row.seq) > before.cursor);
  // What another process added it has also written: what stands in the tables is then not what this one left there.
  const written = rows.every((row) => own.has(row.event_id)) ? before.written : new Map<string, string>();
  const reading = goOnReading(
    before.reading,
    rows.flatMap((row) => readRow(row) ?? []),
  );
  if (!reading) return { ...(await readVisit(trx, visitId)), written };
  return { reading, cursor: latestOf(rows, before.cursor), written };
}

function readRows(visitId: string, rows: readonly LogRow[]): Pick<KeptVisit, 'reading' | 'cursor'> {
  const events = rows.flatMap((row) => readRow(row) ?? []);
  return { reading: beginReading(visitId, events), cursor: latestOf(rows, 0) };
}

const latestOf = (rows: readonly LogRow[], before: number): number => rows.reduce((most, row) => Math.max(most, Number(row.seq)), before);

/** Makes every projection of a salon again from its events. @returns how many visits */
export async function rebuildProjections(trx: InSalon, salonId: string): Promise<number> {
  const visits = await trx.selectFrom('visit_event').select('visit_id').distinct().execute();
  for (const { visit_id } of visits) await project(trx, salonId, await readVisit(trx, visit_id));
  return visits.length;
}
