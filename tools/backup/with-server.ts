import { pendingMigrations } from '../../server/src/database/migrate.js';
import { type Cluster, clusterPort, startCluster, stopCluster } from '../postgres.js';
import { takeBackup } from './backup.js';
import { BACKED } from './backups-of.js';
import type { Repository } from './repository.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** Starts the salon's database so that all of its log is kept from the first entry on; one that runs without is started again. */
export async function startBacked(backups: Repository, pgPort: number): Promise<Cluster> {
  const port = clusterPort(BACKED.cluster) ?? pgPort;
  stopCluster(BACKED.cluster);
  backups.configure(port);
  const cluster = await startCluster(BACKED.cluster, port, backups.settings());
  backups.open(cluster);
  return cluster;
}

/** A newer version changes the tables: what they were before is kept first, with the way back said. @throws Plain when it could not be: nothing is changed then */
export async function backupBeforeUpdate(backups: Repository, cluster: Cluster, database: string): Promise<void> {
  const { pending, isNew } = await pendingMigrations(cluster.url('mansuet_owner', database));
  if (isNew || pending.length === 0) return;
  const now = new Date();
  say(`This version changes the tables (${pending.join(', ')}): a backup is taken first …`);
  takeBackup(backups, cluster, { note: `before ${pending.join(', ')}`, now });
  say(`The way back: the version from before, and ./mansuet restore --at "${momentOf(new Date())}"`);
}

/** On this machine's clock, as `restore --at` takes it. */
const momentOf = (now: Date): string => now.toLocaleString('sv-SE');
