import { chmodSync, cpSync, existsSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { isRoot } from '../run-command.js';
import { dataDirectory } from '../postgres.js';

/** What a salon has beside its database: passwords and the secret of its sign-ins, and the authority that its tablets trust. */
const OWN_FILES = ['secrets.json', 'tls'] as const;
const FOLDER = 'own-files';

/** Lays them into the folder of the database, so that each backup has them of the same moment, checked and encrypted with it. */
export function layIn(run: string, cluster: string): void {
  const folder = join(dataDirectory(cluster), FOLDER);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { mode: 0o700 });
  for (const file of OWN_FILES) if (existsSync(join(run, file))) cpSync(join(run, file), join(folder, file), { recursive: true });
  if (isRoot()) spawnSync('chown', ['-R', 'postgres:', folder]);
}

/** Takes those that this machine has not: a new machine is trusted by the same tablets, and nobody signs in anew. @returns what was taken */
export function takeOut(run: string, cluster: string): string[] {
  const folder = join(dataDirectory(cluster), FOLDER);
  const taken = OWN_FILES.filter((file) => existsSync(join(folder, file)) && !existsSync(join(run, file)));
  for (const file of taken) {
    cpSync(join(folder, file), join(run, file), { recursive: true });
    if (isRoot()) spawnSync('chown', ['-R', 'root:', join(run, file)]);
  }
  if (taken.includes('secrets.json')) chmodSync(join(run, 'secrets.json'), 0o600);
  return taken;
}
