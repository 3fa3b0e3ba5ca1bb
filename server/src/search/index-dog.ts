import { sql, type Kysely, type Transaction } from 'kysely';
import { phoneDigits, searchWords } from '@mansuet/core/search';
import type { Tables } from '../database/schema.js';

/** Names and numbers by which a dog is found. */
export interface FoundBy {
  readonly salonId: string;
  readonly dogId: string;
  readonly dogName: string;
  readonly people: readonly string[];
  readonly phones: readonly string[];
}

/** Writes the words and phone digits by which a dog is found, in place of those that were there. */
export async function indexDog(trx: Transaction<Tables> | Kysely<Tables>, by: FoundBy): Promise<void> {
  const ofDog = searchWords(by.dogName);
  const ofPeople = by.people.flatMap(searchWords);
  const postings = [
    ...[...new Set(ofDog)].map((word) => ({ word, of_dog: true })),
    ...[...new Set(ofPeople)].map((word) => ({ word, of_dog: false })),
    // In one order for all: two people who enter dogs at once wait for each other's words, and never both.
  ].sort((a, b) => (a.word < b.word ? -1 : a.word > b.word ? 1 : 0));
  await trx.deleteFrom('search_posting').where('salon_id', '=', by.salonId).where('dog_id', '=', by.dogId).execute();
  for (const { word } of postings) {
    await sql`insert into search_word (salon_id, word, sounds)
      values (${by.salonId}, ${word}, array_remove(array[dmetaphone(${word}), dmetaphone_alt(${word})], ''))
      on conflict do nothing`.execute(trx);
  }
  if (postings.length > 0)
    await trx
      .insertInto('search_posting')
      .values(postings.map((p) => ({ salon_id: by.salonId, dog_id: by.dogId, ...p })))
      .execute();
  await trx.deleteFrom('search_phone').where('salon_id', '=', by.salonId).where('dog_id', '=', by.dogId).execute();
  const tails = [...new Set(by.phones.map(phoneDigits).flatMap(tailsOf))];
  if (tails.length > 0)
    await trx
      .insertInto('search_phone')
      .values(tails.map((tail) => ({ salon_id: by.salonId, dog_id: by.dogId, tail })))
      .execute();
}

/** Each end of a number, so that whatever stands inside begins one of them. */
const tailsOf = (digits: string): string[] => [...digits].map((_, i) => digits.slice(i));

/** As {@link indexDog}, from what the tables say of a dog and its people. */
export async function indexStoredDog(trx: Transaction<Tables> | Kysely<Tables>, dogId: string): Promise<void> {
  const row = await trx
    .selectFrom('dog')
    .innerJoin('owner', (j) => j.onRef('owner.owner_id', '=', 'dog.owner_id').onRef('owner.salon_id', '=', 'dog.salon_id'))
    .select(['dog.salon_id', 'dog.name', 'owner.name as owner', 'owner.phone', 'owner.contacts'])
    .where('dog.dog_id', '=', dogId)
    .executeTakeFirst();
  if (!row) return;
  await indexDog(trx, {
    salonId: row.salon_id,
    dogId,
    dogName: row.name,
    people: [row.owner, ...row.contacts.map((c) => c.name)],
    phones: [row.phone, ...row.contacts.map((c) => c.phone)],
  });
}
