import { randomUUID } from 'node:crypto';
import type { DogNoteForm, OwnerForm } from '@mansuet/core/contract';
import type { DogForm } from '@mansuet/core/knowledge/dogs';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { indexStoredDog } from '../search/index-dog.js';
import { columnsOf } from './dog-rows.js';

const ownerColumns = (owner: OwnerForm) => ({ ...owner, contacts: JSON.stringify(owner.contacts) });

/** Stores a new dog with its owner. @param onDay ISO date of its first weight @returns the dog's id */
export async function addDog(trx: InSalon, salonId: string, dog: DogForm, owner: OwnerForm, onDay: string): Promise<string> {
  const ownerId = randomUUID();
  const dogId = randomUUID();
  await trx
    .insertInto('owner')
    .values({ salon_id: salonId, owner_id: ownerId, ...ownerColumns(owner) })
    .execute();
  await trx
    .insertInto('dog')
    .values({ salon_id: salonId, dog_id: dogId, owner_id: ownerId, ...columnsOf({ ...dog, biteEndedOn: null }) })
    .execute();
  await writeWeight(trx, salonId, dogId, onDay, dog.weightKg);
  await indexStoredDog(trx, dogId);
  return dogId;
}

/** Changes a dog if nobody has since the version that was read. The lead's word on its bites is no part of what the form changes. */
export async function changeDog(
  trx: InSalon,
  salonId: string,
  dogId: string,
  dog: DogForm,
  version: number,
  onDay: string,
): Promise<Outcome<undefined>> {
  const before = await trx.selectFrom('dog').select('weight_kg').where('dog_id', '=', dogId).executeTakeFirst();
  if (!before) return refused('not_found');
  const { bite_ended_on: _ofTheLead, ...columns } = columnsOf(dog);
  const updated = await trx
    .updateTable('dog')
    .set({ ...columns, version: version + 1 })
    .where('dog_id', '=', dogId)
    .where('version', '=', version)
    .executeTakeFirst();
  if (updated.numUpdatedRows === 0n) return refused('conflict', saying('problem.changed_meanwhile', {}));
  if (before.weight_kg !== dog.weightKg) await writeWeight(trx, salonId, dogId, onDay, dog.weightKg);
  await indexStoredDog(trx, dogId);
  return done(undefined);
}

/** A weight that was typed into the file; a second one on a day takes the place of the first. */
async function writeWeight(trx: InSalon, salonId: string, dogId: string, onDay: string, kg: number): Promise<void> {
  await trx.deleteFrom('dog_weight').where('dog_id', '=', dogId).where('on_day', '=', onDay).where('by', '=', 'file').execute();
  await trx.insertInto('dog_weight').values({ salon_id: salonId, dog_id: dogId, on_day: onDay, visit_id: null, by: 'file', kg }).execute();
}

/** The last weight that is known of a dog, kg; on a day with several the scale's. */
export async function lastWeight(trx: InSalon, dogId: string): Promise<number | undefined> {
  const row = await trx
    .selectFrom('dog_weight')
    .select('kg')
    .where('dog_id', '=', dogId)
    .orderBy('on_day', 'desc')
    .orderBy('by', 'desc')
    .executeTakeFirst();
  return row?.kg;
}

/** Changes an owner if nobody has since the version that was read; every dog of this owner is found by the new names at once. */
export async function changeOwner(trx: InSalon, ownerId: string, owner: OwnerForm, version: number): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('owner')
    .set({ ...ownerColumns(owner), version: version + 1 })
    .where('owner_id', '=', ownerId)
    .where('version', '=', version)
    .executeTakeFirst();
  if (updated.numUpdatedRows === 0n) {
    const there = await trx.selectFrom('owner').select('owner_id').where('owner_id', '=', ownerId).executeTakeFirst();
    return there ? refused('conflict', saying('problem.changed_meanwhile', {})) : refused('not_found');
  }
  for (const { dog_id } of await trx.selectFrom('dog').select('dog_id').where('owner_id', '=', ownerId).execute())
    await indexStoredDog(trx, dog_id);
  return done(undefined);
}

/** The lead's word that bites before a day no longer count, or that word taken back. @param on ISO date */
export async function setBiteEnded(trx: InSalon, dogId: string, on: string | null): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('dog')
    .set((eb) => ({ bite_ended_on: on, version: eb('version', '+', 1) }))
    .where('dog_id', '=', dogId)
    .executeTakeFirst();
  return updated.numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}

/** Puts a dog away or brings it back; its record stays. @param at when it was put away, `null` to bring it back */
export async function archiveDog(trx: InSalon, dogId: string, at: Date | null): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('dog')
    .set({ archived_at: at?.toISOString() ?? null })
    .where('dog_id', '=', dogId)
    .executeTakeFirst();
  return updated.numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}

/**
 * Reads another file as part of this one. Nothing is moved: taking it out again restores both as they were.
 * A dog is not merged with itself, nor into a file that is itself part of another.
 */
export async function mergeDogs(trx: InSalon, into: string, other: string): Promise<Outcome<undefined>> {
  if (into === other) return refusedField('other', saying('form.same_file', {}));
  const rows = await trx.selectFrom('dog').select(['dog_id', 'merged_into']).where('dog_id', 'in', [into, other]).forUpdate().execute();
  const target = rows.find((r) => r.dog_id === into);
  if (rows.length < 2 || !target) return refused('not_found');
  if (target.merged_into !== null) return refused('conflict', saying('problem.file_is_part', {}));
  await trx.updateTable('dog').set({ merged_into: into }).where('dog_id', '=', other).execute();
  // What was merged into the other one comes along, so that there is never a chain.
  await trx.updateTable('dog').set({ merged_into: into }).where('merged_into', '=', other).execute();
  return done(undefined);
}

/** Takes a file out of the one it was merged into. */
export async function unmergeDog(trx: InSalon, into: string, other: string): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('dog')
    .set({ merged_into: null })
    .where('dog_id', '=', other)
    .where('merged_into', '=', into)
    .executeTakeFirst();
  return updated.numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}

/** Adds a card of what works, what to avoid, or an injury from elsewhere. @returns its id */
export async function addNote(trx: InSalon, salonId: string, dogId: string, note: DogNoteForm, saidOn: string): Promise<Outcome<string>> {
  const there = await trx.selectFrom('dog').select('dog_id').where('dog_id', '=', dogId).executeTakeFirst();
  if (!there) return refused('not_found');
  const noteId = randomUUID();
  await trx
    .insertInto('dog_note')
    .values({ salon_id: salonId, note_id: noteId, dog_id: dogId, kind: note.kind, text: note.text, said_by: note.saidBy, said_on: saidOn })
    .execute();
  return done(noteId);
}

/** Takes a card away. @returns the card, so that it can be put back */
export async function removeNote(trx: InSalon, dogId: string, noteId: string): Promise<Outcome<DogNoteForm>> {
  const row = await trx
    .deleteFrom('dog_note')
    .where('dog_id', '=', dogId)
    .where('note_id', '=', noteId)
    .returning(['kind', 'text', 'said_by'])
    .executeTakeFirst();
  return row ? done({ kind: row.kind, text: row.text, saidBy: row.said_by }) : refused('not_found');
}

/** A vet has looked at a mark, as the owner tells it. @param on ISO date, `null` takes it back */
export async function setMarkSeenByVet(
  trx: InSalon,
  salonId: string,
  dogId: string,
  markId: string,
  on: string | null,
): Promise<Outcome<undefined>> {
  const mark = await trx
    .selectFrom('mark_seen')
    .innerJoin('dog', 'dog.dog_id', 'mark_seen.dog_id')
    .select('mark_id')
    .where('mark_id', '=', markId)
    .where((eb) => eb.or([eb('mark_seen.dog_id', '=', dogId), eb('dog.merged_into', '=', dogId)]))
    .executeTakeFirst();
  if (!mark) return refused('not_found');
  await trx.deleteFrom('mark_vet').where('dog_id', '=', dogId).where('mark_id', '=', markId).execute();
  if (on !== null) await trx.insertInto('mark_vet').values({ salon_id: salonId, dog_id: dogId, mark_id: markId, seen_on: on }).execute();
  return done(undefined);
}
