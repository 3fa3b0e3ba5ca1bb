import type { VisitEvent } from '@mansuet/core/log';
import { replay, summarize } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import { readEvents } from './read-events.js';

/**
 * Writes what the tables know of a visit from all its events: the same function as the browser's reads them, so a projection can be
 * thrown away and made again.
 */
export async function project(trx: InSalon, salonId: string, visitId: string, events: readonly VisitEvent[]): Promise<void> {
  const state = replay(visitId, events);
  const { dogId, groomerId, arrivesAt, day } = state;
  if (!dogId || !groomerId || !arrivesAt || !day) return;
  const summary = summarize(state);
  const row = {
    dog_id: dogId,
    groomer_id: groomerId,
    arrives_at: arrivesAt,
    phase: summary.phase,
    summary: JSON.stringify(summary),
  };
  await trx
    .insertInto('visit')
    .values({ salon_id: salonId, visit_id: visitId, ...row })
    .onConflict((c) => c.columns(['salon_id', 'visit_id']).doUpdateSet(row))
    .execute();
  const key = { salon_id: salonId, visit_id: visitId, dog_id: dogId };
  for (const table of ['exposure', 'mark_seen', 'incident', 'dog_weight'] as const)
    await trx.deleteFrom(table).where('visit_id', '=', visitId).execute();
  if (summary.exposure.length > 0) {
    await trx
      .insertInto('exposure')
      .values(
        summary.exposure.map((e) => ({
          ...key,
          activity: e.activity,
          hold: e.hold,
          blade: e.blade ?? '',
          minutes: e.minutes,
          points: e.points,
        })),
      )
      .execute();
  }
  // Only what was measured is a measure.
  const measured = state.feelOver.marks.filter((m) => m.asBefore === undefined);
  if (measured.length > 0) {
    await trx
      .insertInto('mark_seen')
      .values(
        measured.map((m) => ({
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
      )
      .execute();
  }
  if (state.weightKg !== undefined)
    await trx
      .insertInto('dog_weight')
      .values({ ...key, on_day: day, by: 'scale', kg: state.weightKg })
      .execute();
  if (state.incidents.length > 0) {
    await trx
      .insertInto('incident')
      .values(
        state.incidents.map((i) => ({
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
      )
      .execute();
  }
}

/** Makes every projection of a salon again from its events. @returns how many visits */
export async function rebuildProjections(trx: InSalon, salonId: string): Promise<number> {
  const visits = await trx.selectFrom('visit_event').select('visit_id').distinct().execute();
  for (const { visit_id } of visits) await project(trx, salonId, visit_id, await readEvents(trx, visit_id));
  return visits.length;
}
