import type { NotNull } from 'kysely';
import type { DogFile } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';
import { dogOf, markOf, photoOf } from './dog-rows.js';

const PAST_VISITS_SHOWN = 50;

/** The dog's file with those merged into it; `undefined` when this salon has no such dog. */
export async function readDogFile(trx: InSalon, dogId: string): Promise<DogFile | undefined> {
  const row = await trx.selectFrom('dog').selectAll().where('dog_id', '=', dogId).executeTakeFirst();
  if (!row) return undefined;
  const owner = await trx.selectFrom('owner').selectAll().where('owner_id', '=', row.owner_id).executeTakeFirstOrThrow();
  const merged = await trx
    .selectFrom('dog')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['dog.dog_id as dogId', 'dog.name', 'owner.name as owner'])
    .where('dog.merged_into', '=', dogId)
    .orderBy('dog.name')
    .execute();
  const ids = [dogId, ...merged.map((m) => m.dogId)];
  const notes = await trx.selectFrom('dog_note').selectAll().where('dog_id', 'in', ids).orderBy('said_on', 'desc').execute();
  const visits = await trx
    .selectFrom('visit')
    .innerJoin('staff', 'staff.staff_id', 'visit.groomer_id')
    .select(['visit.visit_id', 'visit.arrives_at', 'visit.summary', 'staff.name as groomer'])
    .where('visit.dog_id', 'in', ids)
    .where('visit.phase', '=', 'gone')
    .$narrowType<{ summary: NotNull }>()
    .orderBy('visit.arrives_at', 'desc')
    .limit(PAST_VISITS_SHOWN)
    .execute();
  const marks = await trx.selectFrom('mark_seen').selectAll().where('dog_id', 'in', ids).orderBy('seen_on').execute();
  const weights = await trx
    .selectFrom('dog_weight')
    .select(['on_day as on', 'kg', 'by'])
    .where('dog_id', 'in', ids)
    .orderBy('on_day')
    .orderBy('by')
    .execute();
  const vetSeen = await trx.selectFrom('mark_vet').select(['mark_id as markId', 'seen_on as on']).where('dog_id', 'in', ids).execute();
  const photos = await trx
    .selectFrom('photo')
    .select(['photo_id', 'taken_on', 'kind', 'zone', 'visit_id', 'width', 'height'])
    .where('dog_id', 'in', ids)
    .orderBy('taken_on', 'desc')
    .execute();
  return {
    dogId,
    version: row.version,
    dog: dogOf(row),
    owner: {
      ownerId: owner.owner_id,
      name: owner.name,
      phone: owner.phone,
      email: owner.email,
      contacts: owner.contacts,
      version: owner.version,
    },
    archived: row.archived_at !== null,
    mergedInto: row.merged_into,
    merged,
    notes: notes.map((n) => ({ noteId: n.note_id, kind: n.kind, text: n.text, saidBy: n.said_by, saidOn: n.said_on })),
    visits: visits.map((v) => ({ visitId: v.visit_id, arrivesAt: v.arrives_at.toISOString(), groomer: v.groomer, summary: v.summary })),
    marks: marks.flatMap(markOf),
    weights,
    vetSeen,
    photos: photos.map(photoOf),
  };
}
