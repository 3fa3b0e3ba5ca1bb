import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { freePort } from '../free-port.js';
import { Plain, ROOT, RUN } from '../place.js';
import { type Cluster, clusterExists, dataDirectory, dropCluster, startCluster, stopCluster, withClient } from '../postgres.js';
import { askFor, stampOf } from '../ask-first.js';
import { NIGHT_WATCH, runningServer, stopServer } from '../running-server.js';
import { bootRestored } from './after-restore.js';
import { BACKED, backupsOf, ownAll } from './backups-of.js';
import { sayGeneration } from './generations.js';
import { takeOut } from './own-files.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const short = (path: string): string => path.replace(`${ROOT}/`, '');

/** What is asked of `./mansuet restore`. */
export interface RestoreAsked {
  /** A folder of backups from elsewhere. */
  readonly from?: string;
  /** Up to which moment: date and time on this machine's clock. */
  readonly at?: string;
}

/**
 * `./mansuet restore`: says what comes back, asks for a word, moves aside what is here, and reads the backup back. What was here before is kept until
 * somebody deletes it, and stands again if anything fails.
 * @throws Plain with what to do; nothing is changed then
 */
export async function restore(env: NodeJS.ProcessEnv, asked: RestoreAsked, now: Date): Promise<void> {
  const at = asked.at === undefined ? undefined : momentOf(asked.at, now);
  const repository = backupsOf(env, asked.from);
  if (!existsSync(repository.place.folder)) throw new Plain(`There is no folder of backups at ${repository.place.folder}.`);
  if (asked.from !== undefined) ownAll(asked.from);
  const port = await freePort();
  repository.configure(port);
  const all = repository.generations().filter((g) => !g.failed);
  const from = all.find((g) => at === undefined || g.endedAt <= at);
  if (!from)
    throw new Plain(
      all.length === 0
        ? `No backup of a salon is in ${repository.place.folder}. An encrypted one needs its passphrase: MANSUET_BACKUP_PASSPHRASE=…`
        : `The oldest backup ended later than ${asked.at ?? ''}:\n  ${all.map(sayGeneration).join('\n  ')}`,
    );
  const until = at === undefined ? 'with every entry that was sent since' : `up to ${asked.at ?? ''}`;
  const here = clusterExists(BACKED.cluster) ? ' What is here now is moved aside, not deleted.' : '';
  await askFor('restore', `This reads back the backup of ${sayGeneration(from).trim()}, ${until}.${here}`, 'Nothing was changed.');
  if (runningServer()) say('The server is stopped.');
  stopServer();
  stopServer(NIGHT_WATCH);
  stopCluster(BACKED.cluster);
  const aside = moveAside(now);
  try {
    repository.restore({ at, archives: asked.from === undefined });
    mkdirSync(RUN, { recursive: true });
    const taken = takeOut(RUN, BACKED.cluster);
    if (taken.includes('tls')) say('The certificate that the tablets trust came with it.');
    const settings = asked.from === undefined ? repository.settings() : {};
    await bootRestored(BACKED.cluster, port, settings);
    const cluster = await startCluster(BACKED.cluster, port, settings);
    say(`Read back: ${await whatIsThere(cluster)}.`);
  } catch (error) {
    stopCluster(BACKED.cluster);
    dropCluster(BACKED.cluster);
    if (aside !== undefined) renameSync(aside, dataDirectory(BACKED.cluster));
    if (error instanceof Plain) throw new Plain(`${error.message}\nNothing is changed: what was here before stands as it was.`);
    throw error;
  }
  stopCluster(BACKED.cluster);
  if (aside !== undefined) say(`What was here before lies in ${short(aside)}. Delete it once you are sure.`);
  say('./mansuet serve starts it. Take a backup then: ./mansuet backup --whole');
}

function moveAside(now: Date): string | undefined {
  if (!clusterExists(BACKED.cluster)) {
    rmSync(dataDirectory(BACKED.cluster), { recursive: true, force: true });
    return undefined;
  }
  const data = dataDirectory(BACKED.cluster);
  const aside = `${data}-before-${stampOf(now)}`;
  renameSync(data, aside);
  return aside;
}

async function whatIsThere(cluster: Cluster): Promise<string> {
  return withClient(cluster.url('mansuet_admin', BACKED.database), async (c) => {
    const { rows } = await c.query<{
      name: string | null;
      dogs: string;
      visits: string;
      events: string;
      photos: string;
      last: Date | null;
    }>(
      `select (select string_agg(name, ', ' order by name) from salon) as name, (select count(*) from dog) as dogs,
              (select count(*) from visit) as visits, (select count(*) from visit_event) as events, (select count(*) from photo) as photos,
              (select max(received_at) from visit_event) as last`,
    );
    const r = rows[0];
    const last = r?.last ? `, the last at ${r.last.toLocaleString('sv-SE')}` : '';
    return `“${r?.name ?? ''}” with ${r?.dogs ?? 0} dogs, ${r?.visits ?? 0} visits, ${r?.events ?? 0} entries of their records${last}, ${r?.photos ?? 0} photographs`;
  });
}

/** @throws Plain for what is no moment, or one that is yet to come */
export function momentOf(text: string, now: Date): Date {
  const said = /^\d{4}-\d\d-\d\d[ T]\d\d:\d\d(:\d\d)?(Z|[+-]\d\d:\d\d)?$/.exec(text.trim());
  const at = said ? new Date(text.trim().replace(' ', 'T')) : new Date(NaN);
  if (Number.isNaN(at.getTime())) throw new Plain(`"${text}" is no moment. Write it as "2026-11-30 14:05", on this machine’s clock.`);
  if (at > now) throw new Plain(`${text} is yet to come.`);
  return at;
}
