import { existsSync } from 'node:fs';
import { isAbsolute, resolve } from 'node:path';
import { Plain, RUN } from '../place.js';
import { type Cluster, clusterExists, clusterPort, startCluster, stopCluster } from '../postgres.js';
import { readPorts } from '../salons.js';
import { BACKED, backupsOf } from './backups-of.js';
import { copyTo } from './copy-backups.js';
import { nextKind, sayBytes, sayGeneration } from './generations.js';
import { noted } from './last-backup.js';
import { layIn } from './own-files.js';
import { Repository } from './repository.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** What is asked of `./mansuet backup`. */
export interface BackupAsked {
  /** Only shows what is kept. */
  readonly list?: boolean;
  /** A whole one, whatever is due. */
  readonly whole?: boolean;
  readonly note?: string;
  /** A folder on another disk that gets all of them as well. */
  readonly to?: string;
}

/** `./mansuet backup`: takes one while the salon works, reads it again against its checksums, and says what is kept. @throws Plain with what to do */
export async function backup(env: NodeJS.ProcessEnv, asked: BackupAsked, now: Date): Promise<void> {
  const repository = backupsOf(env);
  if (asked.list) return list(repository);
  if (asked.to !== undefined && !isAbsolute(asked.to)) throw new Plain(`Give the folder in full: ${resolve(asked.to)}, not ${asked.to}.`);
  if (!clusterExists(BACKED.cluster))
    throw new Plain(
      'There is no salon of your own here yet: ./mansuet serve makes one. What the demo has is invented, and is not backed up.',
    );
  const ran = clusterPort(BACKED.cluster) !== undefined;
  const { pgPort } = readPorts(env, 'salon');
  repository.configure(clusterPort(BACKED.cluster) ?? pgPort);
  const cluster = await startCluster(BACKED.cluster, pgPort, repository.settings());
  try {
    await noted(now, () => {
      takeBackup(repository, cluster, { ...asked, now });
      return Promise.resolve(sayStored(repository));
    });
  } finally {
    if (!ran) stopCluster(BACKED.cluster);
  }
  if (asked.to !== undefined) copyTo(repository, asked.to);
  list(repository);
}

export function sayStored(repository: Repository): string {
  const [newest] = repository.generations();
  return `${sayBytes(newest?.stored ?? 0)} stored of ${sayBytes(newest?.bytes ?? 0)}`;
}

/** @throws Plain when none was taken, or one that is kept is damaged */
export function takeBackup(
  repository: Repository,
  cluster: Cluster,
  { whole = false, note = '', now }: { readonly whole?: boolean; readonly note?: string; readonly now: Date },
): void {
  repository.open(cluster);
  layIn(RUN, repository.place.cluster);
  repository.take(cluster, whole ? 'full' : nextKind(repository.generations(), now), note);
  repository.verify();
}

function list(repository: Repository): void {
  const all = existsSync(repository.place.folder) ? repository.generations() : [];
  if (all.length === 0) return say('No backup is kept yet. ./mansuet backup takes one.');
  say(`Kept in ${repository.place.folder}${repository.place.passphrase === undefined ? ', not encrypted' : ', encrypted'}:`);
  for (const g of all) say(`  ${sayGeneration(g)}`);
  say('Every entry since the oldest can be gone back to: ./mansuet restore --at "2026-11-30 14:05"');
}
