import pg from 'pg';
import { join } from 'node:path';
import type { BenchSalon } from '../bench-salon.js';
import { median } from '../median.js';
import { ROOT } from '../place.js';
import { must } from '../run-command.js';
import { BenchPerson, timed } from './people.js';

type Row = (what: string, promised: string, measured: string) => void;

/** Entries and dogs of a salon that began lately, and of one that has worked for years. */
const SIZES = [
  { entries: 10_000, dogs: 200 },
  { entries: 1_000_000, dogs: 20_000 },
] as const;
const ROUNDS = 60;
const SEARCHES = ['bramble', 'kezby', 'wil', 'lumser velton', '2100', '207731', 'xqzwv'];
const at95 = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? 0;

/** What is asked for all day, in a salon of 10,000 entries and in one of a million. */
export async function manyEventFigures(salon: BenchSalon, row: Row): Promise<void> {
  const person = await BenchPerson.signIn(salon.origin);
  const found: Map<string, string>[] = [];
  let dogs = 0;
  for (const size of SIZES) {
    await must(
      `Entering ${size.dogs} dogs`,
      process.execPath,
      ['--import', 'tsx', 'tools/bench-many-dogs.ts', String(size.dogs - dogs), String(dogs)],
      {
        ...salon.env,
        TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json'),
      },
    );
    dogs = size.dogs;
    await growTo(salon.adminUrl, size.entries);
    found.push(await figuresNow(salon.adminUrl, person));
  }
  const [few, many] = found;
  for (const [what, now] of many ?? [])
    row(
      `${what}, of ${SIZES[1].entries.toLocaleString('en')} entries and ${SIZES[1].dogs.toLocaleString('en')} dogs: median; 95th percentile`,
      'under 50 ms (95th), flat',
      `${now}. Of ${SIZES[0].entries.toLocaleString('en')} and ${SIZES[0].dogs}: ${few?.get(what) ?? ''}`,
    );
}

/** Copies of the visits that are there and have come as far as a phase, such as those that the demo has recorded, each some weeks earlier and of some other dog, until there are so many entries. */
export async function growTo(adminUrl: string, entries: number, like: { readonly phase: string } = { phase: 'gone' }): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    await client.query('create temp table old as select visit_id from visit where phase = $1', [like.phase]);
    const { rows } = await client.query<{ all: string; each: string }>(
      `select (select count(*) from visit_event) as all, (select count(*) from visit_event join old using (visit_id)) as each`,
    );
    const rounds = Math.ceil((entries - Number(rows[0]?.all ?? 0)) / Number(rows[0]?.each ?? 1));
    if (rounds < 1) return;
    await client.query('create temp table dogs as select dog_id, row_number() over () as nr from dog');
    await client.query(
      `create temp table copy as select o.visit_id as was, gen_random_uuid() as visit_id, n, d.dog_id
        from (select visit_id, row_number() over () as k from old) o cross join generate_series(1, $1) n
        join dogs d on d.nr = 1 + (o.k * 7919 + n * 104729) % (select count(*) from dogs)`,
      [rounds],
    );
    await client.query(
      `insert into visit (salon_id, visit_id, dog_id, groomer_id, arrives_at, phase, summary)
        select v.salon_id, c.visit_id, c.dog_id, v.groomer_id, v.arrives_at - c.n * interval '7 hours', v.phase, v.summary
        from copy c join visit v on v.visit_id = c.was`,
    );
    await client.query(
      `insert into visit_event (salon_id, event_id, visit_id, at, by_staff, device, stamp_wall_ms, stamp_counter, v, type, body, act)
        select e.salon_id, gen_random_uuid(), c.visit_id, e.at - c.n * interval '7 hours', e.by_staff, e.device,
          e.stamp_wall_ms - c.n::bigint * 25200000, e.stamp_counter, e.v, e.type, e.body, e.act
        from copy c join visit_event e on e.visit_id = c.was`,
    );
    // What the database does by itself within minutes: the bench does not wait for it.
    await client.query('drop table copy, dogs, old');
    await client.query('vacuum analyze');
  } finally {
    await client.end();
  }
}

async function figuresNow(adminUrl: string, person: BenchPerson): Promise<Map<string, string>> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  const { rows } = await client.query<{ visit_id: string; dog_id: string }>(
    `select visit_id, dog_id from visit where phase = 'gone' order by md5(visit_id::text) limit $1`,
    [ROUNDS],
  );
  await client.end();
  const path: Readonly<Record<string, (i: number) => string>> = {
    Today: () => '/api/today',
    'A dog’s file': (i) => `/api/dogs/${rows[i % rows.length]?.dog_id ?? ''}`,
    'A visit with its log': (i) => `/api/visits/${rows[i % rows.length]?.visit_id ?? ''}`,
    'A search': (i) => `/api/dogs?search=${encodeURIComponent(SEARCHES[i % SEARCHES.length] ?? '')}`,
  };
  const figures = new Map<string, string>();
  for (const [what, of] of Object.entries(path)) {
    const times: number[] = [];
    // The first round fills the database's own memory.
    for (let i = -10; i < ROUNDS; i++) {
      const took = await timed(async () => (await person.ask('GET', of(Math.abs(i)))).text());
      if (i >= 0) times.push(took);
    }
    figures.set(what, `${median(times).toFixed(0)} ms; ${at95(times).toFixed(0)} ms`);
  }
  return figures;
}
