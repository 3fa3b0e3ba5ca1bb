import type { VisitContext } from '@mansuet/core/contract';
import { type NotNull, sql } from 'kysely';
import { poolKindsOf, poolOf } from '@mansuet/core/strain';
import { paceOf, replay, type VisitSummary } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import { readDogFile } from '../dogs/read-dog-file.js';
import { salonOf, staffOf } from '../sign-in/sign-in.repository.js';
import { readEvents, readLog } from './read-events.js';

/** Everything the screens of a visit need; `undefined` for a visit this salon does not have. */
export async function readVisit(trx: InSalon, visitId: string): Promise<VisitContext | undefined> {
  const row = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .select(['visit.dog_id', 'visit.groomer_id', 'dog.merged_into'])
    .where('visit_id', '=', visitId)
    .executeTakeFirst();
  const file = row && (await readDogFile(trx, row.merged_into ?? row.dog_id));
  const salon = await salonOf(trx);
  return (
    file &&
    salon && {
      visitId,
      file,
      staff: await staffOf(trx),
      salon,
      ...(await readLog(trx, visitId)),
      pace: row ? await paceOfGroomer(trx, row.groomer_id) : [],
      ...(row ? await poolsOfOthers(trx, row.merged_into ?? row.dog_id) : { pool: [], kindPool: [] }),
      lastFound: await lastFoundIn(
        trx,
        file.visits.map((v) => v.visitId).filter((id) => id !== visitId),
      ),
    }
  );
}

/** Visits that a groomer's pace is read from. Our default: some months of work. */
const PACE_VISITS = 120;

/** How fast a groomer is, over past visits. */
export async function paceOfGroomer(trx: InSalon, groomerId: string): Promise<VisitContext['pace']> {
  const past = await trx
    .selectFrom('visit')
    .select('summary')
    .where('groomer_id', '=', groomerId)
    .where('phase', '=', 'gone')
    .$narrowType<{ summary: NotNull }>()
    .orderBy('arrives_at', 'desc')
    .limit(PACE_VISITS)
    .execute();
  return paceOf(past.map((v) => v.summary));
}

/** Visits that the salon's own priors are read from. Our default: some months of a salon with four tables. */
const POOL_VISITS = 400;

/** What the salon's other dogs say of each kind of work, and of each kind of dog, from what each visit kept when it ended. */
async function poolsOfOthers(trx: InSalon, dogId: string): Promise<Pick<VisitContext, 'pool' | 'kindPool'>> {
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .select(['visit.dog_id', 'dog.merged_into'])
    .select(sql<VisitSummary['evidence']>`visit.summary -> 'evidence'`.as('evidence'))
    .select(sql<VisitSummary['whole']>`visit.summary -> 'whole'`.as('whole'))
    .where('visit.phase', '=', 'gone')
    .where('visit.dog_id', '!=', dogId)
    .orderBy('visit.arrives_at', 'desc')
    .limit(POOL_VISITS)
    .execute();
  const others = rows.filter((r) => r.merged_into !== dogId).map((r) => ({ ...r, dogId: r.merged_into ?? r.dog_id }));
  const pool = poolOf(others.map(({ dogId: of, evidence }) => ({ dogId: of, evidence: evidence ?? [] })));
  const kindPool = poolKindsOf(
    others.flatMap(({ dogId: of, whole }) => (whole ? [{ dogId: of, whole }] : [])),
    pool,
  );
  return { pool, kindPool };
}

/** What the hands found on the latest visit that had a feel-over. */
async function lastFoundIn(trx: InSalon, visitIds: readonly string[]): Promise<VisitContext['lastFound']> {
  // A visit that was called off before the hands were on the dog says nothing; more than a few of those are not searched.
  for (const id of visitIds.slice(0, 5)) {
    const state = replay(id, await readEvents(trx, id));
    if (state.feelOverDone && state.day) return { on: state.day, feelOver: state.feelOver };
  }
  return null;
}
