import { sql } from 'kysely';
import type { DogList } from '@mansuet/core/contract';
import { lettersWrong, readSearch } from '@mansuet/core/search';
import type { InSalon } from '../database/database.js';

/** Dogs shown in a list. */
export const DOGS_LISTED = 100;
/** Words of the salon that a typed word may stand for. Our default. */
const WORDS_MEANT = 60;

/** Comes after every digit. */
const AFTER_DIGITS = ':';

/** What a typed word is worth as the word it may stand for. Our defaults: the same, its beginning, misspelt, sounds alike. */
const WORTH = { same: 1, begins: 0.9, misspelt: 0.7, perLetter: 0.12, beginsMisspelt: 0.5, sounds: 0.4, inPerson: 0.95 } as const;

/**
 * Dogs by their own name, their people's or a phone number: misspelt words and words that sound alike are found too, the best first.
 * Every word that was typed must be found. Nothing typed lists all dogs by name.
 */
export async function searchDogs(trx: InSalon, text: string, archived: boolean): Promise<DogList> {
  const { words, digits } = readSearch(text);
  if (words.length === 0 && digits === '') return text.trim() === '' ? { dogs: await rowsOf(trx, undefined, archived) } : { dogs: [] };
  let scores: Map<string, number> | undefined;
  for (const word of words) scores = both(scores, await byWord(trx, word));
  if (digits !== '') scores = both(scores, await byPhone(trx, digits));
  const best = [...(scores ?? [])].sort((a, b) => b[1] - a[1]).slice(0, DOGS_LISTED + DOGS_LISTED / 4);
  const rank = new Map(best);
  const rows = await rowsOf(trx, [...rank.keys()], archived);
  return {
    dogs: rows.sort((a, b) => (rank.get(b.dogId) ?? 0) - (rank.get(a.dogId) ?? 0) || a.name.localeCompare(b.name)).slice(0, DOGS_LISTED),
  };
}

async function byWord(trx: InSalon, word: string): Promise<Map<string, number>> {
  const wrong = lettersWrong(word);
  const sounds = word.length >= 3;
  const { rows } = await sql<{ dog_id: string; score: number }>`
    with meant as (
      select w.word, greatest(
        case when w.word = ${word} then ${WORTH.same}::float when w.word like ${word + '%'} then ${WORTH.begins}::float else 0 end,
        case when abs(length(w.word) - ${word.length}) <= ${wrong} and levenshtein_less_equal(w.word, ${word}, ${wrong}) <= ${wrong}
          then ${WORTH.misspelt}::float - ${WORTH.perLetter}::float * levenshtein_less_equal(w.word, ${word}, ${wrong}) else 0 end,
        case when ${word.length} >= 5 and length(w.word) > ${word.length}
            and levenshtein_less_equal(left(w.word, ${word.length}), ${word}, ${wrong}) <= ${wrong} then ${WORTH.beginsMisspelt}::float else 0 end,
        case when ${sounds} and w.sounds && array_remove(array[dmetaphone(${word}), dmetaphone_alt(${word})], '')
          then ${WORTH.sounds}::float else 0 end
      ) as score
      from search_word w
    ), best as (select word, score from meant where score > 0 order by score desc, word limit ${WORDS_MEANT})
    select p.dog_id, max(b.score * case when p.of_dog then 1 else ${WORTH.inPerson}::float end) as score
    from best b join search_posting p on p.word = b.word group by p.dog_id`.execute(trx);
  return new Map(rows.map((r) => [r.dog_id, r.score]));
}

async function byPhone(trx: InSalon, digits: string): Promise<Map<string, number>> {
  const rows = await trx
    .selectFrom('search_phone')
    .select('dog_id')
    .distinct()
    .where('tail', '>=', digits)
    .where('tail', '<', `${digits}${AFTER_DIGITS}`)
    .limit(DOGS_LISTED * 2)
    .execute();
  return new Map(rows.map((r) => [r.dog_id, WORTH.same]));
}

/** Only what both found, the worths added. */
function both(a: Map<string, number> | undefined, b: Map<string, number>): Map<string, number> {
  if (!a) return b;
  return new Map([...a].flatMap(([id, score]) => (b.has(id) ? [[id, score + (b.get(id) ?? 0)] as const] : [])));
}

async function rowsOf(trx: InSalon, ids: readonly string[] | undefined, archived: boolean): Promise<DogList['dogs']> {
  if (ids?.length === 0) return [];
  let query = trx
    .selectFrom('dog')
    .select(['dog.dog_id', 'dog.name', 'dog.born', 'dog.coat', 'dog.weight_kg', 'dog.archived_at'])
    // One look-up for each dog shown: a join would read every owner of the salon.
    .select((eb) => eb.selectFrom('owner').select('owner.name').whereRef('owner.owner_id', '=', 'dog.owner_id').as('owner'))
    .select((eb) => eb.selectFrom('owner').select('owner.phone').whereRef('owner.owner_id', '=', 'dog.owner_id').as('phone'))
    .select((eb) =>
      eb
        .selectFrom('visit')
        .select(sql<string | null>`max(arrives_at)::date::text`.as('last'))
        .whereRef('visit.dog_id', '=', 'dog.dog_id')
        .where('visit.phase', '=', 'gone')
        .as('last_visit'),
    )
    .where('dog.merged_into', 'is', null);
  if (ids) query = query.where('dog.dog_id', 'in', ids);
  else query = query.orderBy('dog.name').limit(DOGS_LISTED);
  if (!archived) query = query.where('dog.archived_at', 'is', null);
  const rows = await query.execute();
  return rows.map((r) => ({
    dogId: r.dog_id,
    name: r.name,
    owner: r.owner ?? '',
    phone: r.phone ?? '',
    born: r.born,
    coat: r.coat,
    weightKg: r.weight_kg,
    lastVisit: r.last_visit,
    archived: r.archived_at !== null,
  }));
}
