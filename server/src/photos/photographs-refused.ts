import { dayOf } from '@mansuet/core/days';
import { replay } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import { readDogFile } from '../dogs/read-dog-file.js';
import { zoneOf } from '../sign-in/sign-in.repository.js';
import { readEvents } from '../visits/read-events.js';

/** Who refused photographs, and when. */
export interface Refusal {
  readonly name: string;
  /** ISO date. */
  readonly on: string;
}

/** The latest answer about photographs of a dog, where it was no: at this visit, else at the latest one at which it was asked. */
export async function photographsRefused(trx: InSalon, dogId: string, visitId: string | null): Promise<Refusal | undefined> {
  const here = visitId ? replay(visitId, await readEvents(trx, visitId)).consents.get('photographs') : undefined;
  if (here) return here.agreed ? undefined : { name: here.name, on: dayOf(here.atMs, await zoneOf(trx)) };
  const file = await readDogFile(trx, dogId);
  for (const { summary } of file?.visits ?? []) {
    const answer = summary.consents?.find((c) => c.id === 'photographs');
    if (answer) return answer.agreed ? undefined : { name: answer.name, on: summary.on ?? '' };
  }
  return undefined;
}
