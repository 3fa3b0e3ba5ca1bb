import { createHash } from 'node:crypto';
import { type NotNull, sql } from 'kysely';
import type { HasOfToday, Today, TodayNews } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { knownFacts, type VisitSummary } from '@mansuet/core/visit';
import type { Phase } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { dogOf } from '../dogs/dog-rows.js';
import { staffOf, zoneOf } from '../sign-in/sign-in.repository.js';
import { readLogs } from './read-events.js';

type TodayRow = NonNullable<TodayNews['visits'][number]['row']>;

/** Phases of a visit that was begun and is not over: it stays on the list until it is, whatever day it began. */
const BEGUN: readonly Phase[] = ['feel_over', 'agree', 'plan', 'work', 'hand_back'];

/** The dogs of a day where the salon is, in order of arrival, and those of earlier days that are not done with. */
export async function readToday(trx: InSalon, now: Date): Promise<Today> {
  const { day, rows } = await rowsOf(trx, now);
  const logs = await readLogs(trx, new Map([...rows.keys()].map((id) => [id, 0])));
  return {
    day,
    visits: [...rows].map(([visitId, row]) => {
      const { events, cursor } = logs.get(visitId) ?? { events: [], cursor: 0 };
      return { visitId, ...row, tag: tagOf(row), cursor, events };
    }),
    staff: await staffOf(trx),
  };
}

/** The same for whoever has some of it: what has changed since, and nothing else. */
export async function readTodayNews(trx: InSalon, now: Date, has: HasOfToday): Promise<TodayNews> {
  const { day, rows } = await rowsOf(trx, now);
  const had = new Map(has.map((h) => [h.visitId, h]));
  const logs = await readLogs(trx, new Map([...rows.keys()].map((id) => [id, had.get(id)?.cursor ?? 0])));
  return {
    day,
    visits: [...rows].map(([visitId, row]) => {
      const { events, cursor } = logs.get(visitId) ?? { events: [], cursor: 0 };
      const tag = tagOf(row);
      return { visitId, cursor, tag, events, ...(had.get(visitId)?.tag === tag ? {} : { row }) };
    }),
    staff: await staffOf(trx),
  };
}

/** Short, and another one whenever anything in it is. */
const tagOf = (row: TodayRow): string => createHash('sha256').update(JSON.stringify(row)).digest('base64url').slice(0, TAG_LETTERS);
const TAG_LETTERS = 12;

async function rowsOf(trx: InSalon, now: Date): Promise<{ day: string; rows: Map<string, TodayRow> }> {
  const zone = await zoneOf(trx);
  const day = dayOf(now, zone);
  const midnight = (days: number) => sql<Date>`((${day}::date + ${days}::integer)::timestamp at time zone ${zone})`;
  const found = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .selectAll('dog')
    .select(['visit.visit_id', 'visit.groomer_id', 'visit.arrives_at'])
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
    .where((x) =>
      x.or([
        x.and([x('visit.arrives_at', '>=', midnight(0)), x('visit.arrives_at', '<', midnight(1))]),
        x.and([x('visit.phase', 'in', BEGUN), x('visit.arrives_at', '<', midnight(0))]),
      ]),
    )
    .orderBy('visit.arrives_at')
    .orderBy('dog.name')
    .execute();
  const past = await summariesThatWarn(trx, [...new Set(found.map((r) => r.dog_id))], day);
  const rows = new Map<string, TodayRow>();
  for (const r of found) {
    const dog = dogOf(r);
    rows.set(r.visit_id, {
      dogId: r.dog_id,
      arrivesAt: r.arrives_at.toISOString(),
      groomerId: r.groomer_id,
      dog,
      warned: knownFacts(dog, past.get(r.dog_id) ?? [], day).warned,
      visitsBefore: Number(r.visits_before ?? 0),
    });
  }
  return { day, rows };
}

/** Summaries of a year, by dog, and those of every bite: what a warning that still counts is read from. A merged file's visits count for the one it was merged into. */
async function summariesThatWarn(trx: InSalon, dogIds: readonly string[], day: string): Promise<Map<string, VisitSummary[]>> {
  const found = new Map<string, VisitSummary[]>();
  if (dogIds.length === 0) return found;
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .select(['visit.summary', 'dog.dog_id', 'dog.merged_into'])
    .where((x) => x.or([x('dog.dog_id', 'in', dogIds), x('dog.merged_into', 'in', dogIds)]))
    .where('visit.phase', '=', 'gone')
    .$narrowType<{ summary: NotNull }>()
    .where((x) =>
      x.or([
        x('visit.arrives_at', '>=', sql<Date>`${day}::date - interval '1 year'`),
        x(sql<string>`visit.summary ->> 'warned'`, '=', 'bit'),
      ]),
    )
    .orderBy('visit.arrives_at', 'desc')
    .execute();
  for (const r of rows) found.set(r.merged_into ?? r.dog_id, [...(found.get(r.merged_into ?? r.dog_id) ?? []), r.summary]);
  return found;
}
