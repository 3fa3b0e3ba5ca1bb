import { join } from 'node:path';
import { Plain, RUN } from '../place.js';
import { rotate } from '../rotate.js';
import { clusterPort, dataDirectory, startCluster } from '../postgres.js';
import { backupsOf, BACKED } from './backups-of.js';
import { sayStored, takeBackup } from './backup.js';
import { copyTo } from './copy-backups.js';
import { isDue } from './generations.js';
import { noted, readLastBackup } from './last-backup.js';

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
  const now = new Date();
  try {
    await noted(now, async () => {
      const port = clusterPort(BACKED.cluster);
      if (port === undefined) throw new Plain('The database does not run.');
      const repository = backupsOf(process.env);
      const cluster = await startCluster(BACKED.cluster, port, repository.settings());
      takeBackup(repository, cluster, { now });
      const to = process.env['MANSUET_BACKUP_COPY']?.trim() ?? '';
      if (to !== '') copyTo(repository, to);
      return sayStored(repository);
    });
  } catch (error) {
    // Whatever it is, the salon works on; the health page and the log say it, and the next night tries again.
    process.stderr.write(`${now.toISOString()} backup failed: ${error instanceof Error ? error.message : String(error)}\n`);
  }
}

await watch();
