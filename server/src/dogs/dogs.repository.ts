import { randomUUID } from 'node:crypto';
import { sql, type Selectable } from 'kysely';
import { ZONE_IDS } from '@mansuet/core/anatomy';
import { MARK_BORDERS, MARK_SURFACES } from '@mansuet/core/dogs';
import type { DogFile, DogForm, DogList, DogNoteForm, MarkSeen, OwnerForm } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';

const PAST_VISITS_SHOWN = 50;
const DOGS_LISTED = 100;

/** The dog's file; `undefined` when this salon has no such dog. */
export async function readDogFile(trx: InSalon, dogId: string): Promise<DogFile | undefined> {
  const row = await trx.selectFrom('dog').selectAll().where('dog_id', '=', dogId).executeTakeFirst();
  if (!row) return undefined;
  const owner = await trx.selectFrom('owner').selectAll().where('owner_id', '=', row.owner_id).executeTakeFirstOrThrow();
  const notes = await trx.selectFrom('dog_note').selectAll().where('dog_id', '=', dogId).orderBy('said_on', 'desc').execute();
  const visits = await trx
    .selectFrom('visit')
    .innerJoin('staff', 'staff.staff_id', 'visit.groomer_id')
    .select(['visit.visit_id', 'visit.arrives_at', 'visit.summary', 'staff.name as groomer'])
    .where('visit.dog_id', '=', dogId)
    .where('visit.phase', '=', 'gone')
    .orderBy('visit.arrives_at', 'desc')
    .limit(PAST_VISITS_SHOWN)
    .execute();
  const marks = await trx.selectFrom('mark_seen').selectAll().where('dog_id', '=', dogId).orderBy('seen_on').execute();
  return {
    dogId,
    version: row.version,
    dog: dogOf(row),
    owner: { ownerId: owner.owner_id, name: owner.name, phone: owner.phone, email: owner.email },
    notes: notes.map((n) => ({ noteId: n.note_id, kind: n.kind, text: n.text, saidBy: n.said_by, saidOn: n.said_on })),
    visits: visits.map((v) => ({ visitId: v.visit_id, arrivesAt: v.arrives_at.toISOString(), groomer: v.groomer, summary: v.summary })),
    marks: marks.flatMap(markOf),
  };
}

function markOf(row: Selectable<Tables['mark_seen']>): MarkSeen[] {
  const zone = ZONE_IDS.find((z) => z === row.zone);
  const border = MARK_BORDERS.find((b) => b === row.border);
  const surface = MARK_SURFACES.find((s) => s === row.surface);
  if (!zone || !border || !surface) return [];
  return [
    {
      markId: row.mark_id,
      visitId: row.visit_id,
      seenOn: row.seen_on,
      zone,
      lengthMm: row.length_mm,
      widthMm: row.width_mm,
      border,
      surface,
    },
  ];
}

export function dogOf(row: Selectable<Tables['dog']>): DogForm {
  return {
    name: row.name,
    sex: row.sex,
    neutered: row.neutered,
    born: row.born,
    bornEstimated: row.born_estimated,
    weightKg: row.weight_kg,
    coat: row.coat,
    nose: row.nose,
    ears: row.ears,
    tail: row.tail,
    build: row.build,
    conditions: row.conditions,
    biteHistory: row.bite_history,
    triggers: row.triggers,
    treatsAllowed: row.treats_allowed,
    standingSeenMinutes: row.standing_seen_minutes,
  };
}

/** The columns of a dog's facts. */
function columnsOf(dog: DogForm) {
  return {
    name: dog.name,
    sex: dog.sex,
    neutered: dog.neutered,
    born: dog.born,
    born_estimated: dog.bornEstimated,
    weight_kg: dog.weightKg,
    coat: dog.coat,
    nose: dog.nose,
    ears: dog.ears,
    tail: dog.tail,
    build: dog.build,
    conditions: dog.conditions,
    bite_history: dog.biteHistory,
    triggers: JSON.stringify(dog.triggers),
    treats_allowed: dog.treatsAllowed,
    standing_seen_minutes: dog.standingSeenMinutes,
  };
}

/** Stores a new dog with its owner. @returns the dog's id */
export async function addDog(trx: InSalon, salonId: string, dog: DogForm, owner: OwnerForm): Promise<string> {
  const ownerId = randomUUID();
  const dogId = randomUUID();
  await trx
    .insertInto('owner')
    .values({ salon_id: salonId, owner_id: ownerId, ...owner })
    .execute();
  await trx
    .insertInto('dog')
    .values({ salon_id: salonId, dog_id: dogId, owner_id: ownerId, ...columnsOf(dog) })
    .execute();
  return dogId;
}

/** Changes a dog if nobody has since the version that was read. */
export async function changeDog(trx: InSalon, dogId: string, dog: DogForm, version: number): Promise<'changed' | 'conflict' | 'unknown'> {
  const done = await trx
    .updateTable('dog')
    .set({ ...columnsOf(dog), version: version + 1 })
    .where('dog_id', '=', dogId)
    .where('version', '=', version)
    .executeTakeFirst();
  if (done.numUpdatedRows > 0n) return 'changed';
  const there = await trx.selectFrom('dog').select('dog_id').where('dog_id', '=', dogId).executeTakeFirst();
  return there ? 'conflict' : 'unknown';
}

/** Adds a card of what works, what to avoid, or an injury from elsewhere. @returns its id, `undefined` for an unknown dog */
export async function addNote(
  trx: InSalon,
  salonId: string,
  dogId: string,
  note: DogNoteForm,
  saidOn: string,
): Promise<string | undefined> {
  const there = await trx.selectFrom('dog').select('dog_id').where('dog_id', '=', dogId).executeTakeFirst();
  if (!there) return undefined;
  const noteId = randomUUID();
  await trx
    .insertInto('dog_note')
    .values({ salon_id: salonId, note_id: noteId, dog_id: dogId, kind: note.kind, text: note.text, said_by: note.saidBy, said_on: saidOn })
    .execute();
  return noteId;
}

/** Dogs whose name or owner contains the words, by name. */
export async function listDogs(trx: InSalon, search: string): Promise<DogList> {
  const like = `%${search.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const rows = await trx
    .selectFrom('dog')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['dog.dog_id', 'dog.name', 'owner.name as owner', 'dog.born', 'dog.coat', 'dog.weight_kg'])
    .select((eb) =>
      eb
        .selectFrom('visit')
        .select(sql<string | null>`max(arrives_at)::date::text`.as('last'))
        .whereRef('visit.dog_id', '=', 'dog.dog_id')
        .where('visit.phase', '=', 'gone')
        .as('last_visit'),
    )
    .where((eb) => eb.or([eb('dog.name', 'ilike', like), eb('owner.name', 'ilike', like), eb('owner.phone', 'ilike', like)]))
    .orderBy('dog.name')
    .limit(DOGS_LISTED)
    .execute();
  return {
    dogs: rows.map((r) => ({
      dogId: r.dog_id,
      name: r.name,
      owner: r.owner,
      born: r.born,
      coat: r.coat,
      weightKg: r.weight_kg,
      lastVisit: r.last_visit,
    })),
  };
}
