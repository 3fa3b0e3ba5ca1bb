import { join } from 'node:path';
import { Plain, RUN } from '../place.js';
import { rotate } from '../rotate.js';
import { clusterPort, dataDirectory, startCluster } from '../postgres.js';
import { backupsOf, BACKED } from './backups-of.js';
import { copyTo, takeBackup } from './backup.js';
import { isDue, sayBytes } from './generations.js';
import { readLastBackup, writeLastBackup } from './last-backup.js';

const LOGS = [join(RUN, 'server.log'), join(RUN, 'night-watch.log'), join(dataDirectory(BACKED.cluster), 'server.log')];
/** Looks so often whether it is night. */
const LOOK_MS = 60_000;

/** Started with the salon's server and ended with it: takes a backup each night, copies it where `MANSUET_BACKUP_COPY` says, and writes down how it went. */
async function watch(): Promise<void> {
  for (;;) {
    const last = readLastBackup();
    for (const log of LOGS) rotate(log);
    if (isDue(last && new Date(last.begunAt), new Date())) await once();
    await new Promise((done) => setTimeout(done, LOOK_MS));
  }
}

async function once(): Promise<void> {
  const begunAt = new Date();
  const note = (ok: boolean, says: string): void =>
    writeLastBackup({ begunAt: begunAt.toISOString(), endedAt: new Date().toISOString(), ok, says });
  try {
    const port = clusterPort(BACKED.cluster);
    if (port === undefined) throw new Plain('The database does not run.');
    const repository = backupsOf(process.env);
    const cluster = await startCluster(BACKED.cluster, port, repository.settings());
    takeBackup(repository, cluster, { now: begunAt });
    const to = process.env['MANSUET_BACKUP_COPY']?.trim() ?? '';
    if (to !== '') copyTo(repository, to);
    const [newest] = repository.generations();
    note(true, `${sayBytes(newest?.stored ?? 0)} stored of ${sayBytes(newest?.bytes ?? 0)}`);
  } catch (error) {
    // Whatever it is, the salon works on; the health page and the log say it, and the next night tries again.
    const says = error instanceof Error ? error.message : String(error);
    note(false, says);
    process.stderr.write(`${begunAt.toISOString()} backup failed: ${says}\n`);
  }
}

await watch();
