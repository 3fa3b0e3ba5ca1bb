import type { Today, VisitContext } from '@mansuet/core/contract';
import { sql } from 'kysely';
import { poolKindsOf, poolOf } from '@mansuet/core/strain';
import { knownFacts, paceOf, replay, type VisitSummary } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import { dogOf } from '../dogs/dog-rows.js';
import { readDogFile } from '../dogs/read-dog-file.js';
import { salonOf, staffOf } from '../sign-in/sign-in.repository.js';
import { readEvents, readLog } from './read-events.js';

/** Visits of a day, in order of arrival. A day is local to the salon's machine. */
export async function readToday(trx: InSalon, now: Date): Promise<Today> {
  const from = new Date(now.getFullYear(), now.getMonth(), now.getDate());
  const to = new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1);
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .selectAll('dog')
    .select(['visit.visit_id', 'visit.groomer_id', 'visit.arrives_at', 'visit.summary'])
    .select((eb) =>
      eb
        .selectFrom('visit as past')
        .select((e) => e.fn.countAll<string>().as('n'))
        .where('past.dog_id', 'in', (e) =>
          e
            .selectFrom('dog as one')
            .select('one.dog_id')
            .where((x) => x.or([x('one.dog_id', '=', x.ref('dog.dog_id')), x('one.merged_into', '=', x.ref('dog.dog_id'))])),
        )
        .where('past.phase', '=', 'gone')
        .as('visits_before'),
    )
    .where('visit.arrives_at', '>=', from)
    .where('visit.arrives_at', '<', to)
    .orderBy('visit.arrives_at')
    .orderBy('dog.name')
    .execute();
  const past = await summariesThatWarn(trx, [...new Set(rows.map((r) => r.dog_id))], from);
  const day = `${from.getFullYear()}-${String(from.getMonth() + 1).padStart(2, '0')}-${String(from.getDate()).padStart(2, '0')}`;
  const visits: Today['visits'] = [];
  for (const r of rows) {
    visits.push({
      visitId: r.visit_id,
      dogId: r.dog_id,
      arrivesAt: r.arrives_at.toISOString(),
      groomerId: r.groomer_id,
      dog: dogOf(r),
      warned: knownFacts(dogOf(r), past.get(r.dog_id) ?? [], day).warned,
      visitsBefore: Number(r.visits_before ?? 0),
      summary: r.summary,
      events: await readEvents(trx, r.visit_id),
    });
  }
  return { day, visits, staff: await staffOf(trx) };
}

/** Summaries of a year, by dog, and those of every bite: what a warning that still counts is read from. A merged file's visits count for the one it was merged into. */
async function summariesThatWarn(trx: InSalon, dogIds: readonly string[], now: Date): Promise<Map<string, VisitSummary[]>> {
  const found = new Map<string, VisitSummary[]>();
  if (dogIds.length === 0) return found;
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .select(['visit.summary', 'dog.dog_id', 'dog.merged_into'])
    .where((x) => x.or([x('dog.dog_id', 'in', dogIds), x('dog.merged_into', 'in', dogIds)]))
    .where('visit.phase', '=', 'gone')
    .where((x) =>
      x.or([
        x('visit.arrives_at', '>=', new Date(now.getFullYear() - 1, now.getMonth(), now.getDate())),
        x(sql<string>`visit.summary ->> 'warned'`, '=', 'bit'),
      ]),
    )
    .orderBy('visit.arrives_at', 'desc')
    .execute();
  for (const r of rows) found.set(r.merged_into ?? r.dog_id, [...(found.get(r.merged_into ?? r.dog_id) ?? []), r.summary]);
  return found;
}

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
    if (state.feelOverDone && state.arrivesAt) return { on: state.arrivesAt.slice(0, 10), feelOver: state.feelOver };
  }
  return null;
}
