import type { InSalon } from '../database/database.js';
import { readDogFile } from '../dogs/read-dog-file.js';
import { accountPdf } from '../papers/papers.js';
import { salonOf } from '../sign-in/sign-in.repository.js';
import { readKeptAccount } from './kept-account.js';

/** What was told of a visit that is closed, as a page; `undefined` while it is open. */
export async function keptPage(trx: InSalon, visitId: string): Promise<Buffer | undefined> {
  const kept = await readKeptAccount(trx, visitId);
  const row = await trx.selectFrom('visit').select('dog_id').where('visit_id', '=', visitId).executeTakeFirst();
  const file = row && (await readDogFile(trx, row.dog_id));
  const salon = await salonOf(trx);
  return kept && file && salon && accountPdf(kept.told, { salon, file, on: kept.on });
}
