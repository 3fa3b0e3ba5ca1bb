import type { Due } from '@mansuet/core/contract';
import { addDays } from '@mansuet/core/days';
import type { Saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';

/** What is due tomorrow is shown today already: a call within 48 hours is not left to its last hour. Our default. */
const AHEAD_DAYS = 1;

/** What is due and not done, the longest waiting first. */
export async function readDue(trx: InSalon, today: string, say: (s: Saying) => string): Promise<Due[]> {
  const rows = await trx
    .selectFrom('follow_up')
    .innerJoin('dog', 'dog.dog_id', 'follow_up.dog_id')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['follow_up.visit_id', 'follow_up.dog_id', 'dog.name', 'owner.name as owner', 'owner.phone'])
    .select(['follow_up.key', 'follow_up.kind', 'follow_up.due_on', 'follow_up.visit_on', 'follow_up.because'])
    .where('follow_up.done_at', 'is', null)
    .where('follow_up.due_on', '<=', addDays(today, AHEAD_DAYS))
    .orderBy('follow_up.due_on')
    .limit(100)
    .execute();
  return rows.map((r) => ({
    visitId: r.visit_id,
    dogId: r.dog_id,
    dog: r.name,
    owner: r.owner,
    phone: r.phone,
    key: r.key,
    kind: r.kind,
    dueOn: r.due_on,
    visitOn: r.visit_on,
    says: r.because.map(say),
  }));
}
