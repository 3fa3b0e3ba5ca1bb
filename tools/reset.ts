import { spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Plain, ROOT, RUN } from './place.js';
import { askFor, stampOf } from './ask-first.js';
import { freePort } from './free-port.js';
import { type Cluster, clusterExists, dropCluster, pgProgram, setAside, startCluster, stopCluster, withClient } from './postgres.js';
import { NIGHT_WATCH, runningServer, stopServer } from './running-server.js';
import { SALON_KINDS, SALON_PLACES, type SalonKind } from './salons.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const short = (path: string): string => path.replace(`${ROOT}/`, '');

interface Held {
  /** What must be typed before it is deleted. */
  readonly name: string;
  readonly counts: string;
}

/**
 * `./mansuet reset`: names what goes, asks for that name, writes a plain dump, and deletes one salon; the other stays.
 * @throws Plain when it is not clear which is meant, when the name is not given, or when no dump could be written: nothing is deleted then
 */
export async function reset(asked: string | undefined, now: Date): Promise<void> {
  const kind = whichSalon(asked);
  if (!kind) return say('There is no database here. ./mansuet demo makes one with invented data, ./mansuet serve an empty one.');
  const { title, cluster: name, database, outbox, command } = SALON_PLACES[kind];
  if (runningServer()) say('The server runs; it is stopped once the name is given.');
  let cluster: Cluster;
  try {
    cluster = await startCluster(name, await freePort());
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    await askFor(kind, `The database of ${title} does not start, so that no dump can be written:\n${why}\nIt is moved aside, not deleted.`);
    const place = setAside(name, stampOf(now));
    return say(`Moved to ${short(place)}. ./mansuet ${command} starts afresh.`);
  }
  const held = await whatIsHeld(cluster, database, kind);
  await askFor(held.name, `This deletes ${title} "${held.name}": ${held.counts}, and its messages in ${short(outbox)}.`);
  stopServer();
  if (kind === 'salon') stopServer(NIGHT_WATCH);
  const dump = writeDump(cluster, database, kind, now);
  if (dump) say(`A plain dump lies in ${short(dump)}. Read it back with: psql -d … -f ${short(dump)}`);
  stopCluster(name);
  dropCluster(name);
  rmSync(outbox, { recursive: true, force: true });
  // The passwords serve both clusters: they go with the last.
  if (!SALON_KINDS.some((k) => clusterExists(SALON_PLACES[k].cluster))) rmSync(join(RUN, 'secrets.json'), { force: true });
  say(`Deleted. ./mansuet ${command} starts afresh.`);
}

function whichSalon(asked: string | undefined): SalonKind | undefined {
  const there = SALON_KINDS.filter((k) => clusterExists(SALON_PLACES[k].cluster));
  const kind = SALON_KINDS.find((k) => k === asked);
  if (asked !== undefined && !kind)
    throw new Plain(`There is nothing called "${asked}" to reset. Say ./mansuet reset demo or ./mansuet reset salon.`);
  if (kind) return there.find((k) => k === kind);
  if (there.length > 1)
    throw new Plain('Both the demo salon and your own are here. Say which: ./mansuet reset demo or ./mansuet reset salon.');
  return there[0];
}

async function whatIsHeld(cluster: Cluster, database: string, kind: SalonKind): Promise<Held> {
  const there = await withClient(cluster.url('mansuet_admin', 'postgres'), async (c) =>
    Boolean((await c.query('select 1 from pg_database where datname = $1', [database])).rowCount),
  );
  if (!there) return { name: kind, counts: 'nothing was entered yet' };
  return withClient(cluster.url('mansuet_admin', database), async (c) => {
    const has = await c.query("select to_regclass('public.salon') as salon");
    if (!has.rows[0]?.salon) return { name: kind, counts: 'nothing was entered yet' };
    const { rows } = await c.query<{ name: string | null; dogs: string; visits: string; events: string }>(
      `select (select string_agg(name, ', ' order by name) from salon) as name, (select count(*) from dog) as dogs,
              (select count(*) from visit) as visits, (select count(*) from visit_event) as events`,
    );
    const row = rows[0];
    return row?.name
      ? { name: row.name, counts: `${row.dogs} dogs, ${row.visits} visits, ${row.events} entries of their records` }
      : { name: kind, counts: 'no salon was set up yet' };
  });
}

/** @throws Plain when it could not be written whole */
function writeDump(cluster: Cluster, database: string, kind: SalonKind, now: Date): string | undefined {
  const folder = join(RUN, 'dumps');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, `${kind}-${stampOf(now)}.sql`);
  const to = openSync(file, 'w', 0o600);
  const url = new URL(cluster.url('mansuet_admin', database));
  const password = decodeURIComponent(url.password);
  url.password = '';
  const done = spawnSync(pgProgram('pg_dump'), ['--no-owner', '--dbname', url.href], {
    stdio: ['ignore', to, 'pipe'],
    env: { ...process.env, PGPASSWORD: password },
    encoding: 'utf8',
  });
  closeSync(to);
  if (done.status === 0 && existsSync(file)) return file;
  rmSync(file, { force: true });
  if (done.stderr.includes(`database "${database}" does not exist`)) return undefined;
  throw new Plain(`No dump could be written, so nothing was deleted:\n${done.stderr.trim()}`);
}
