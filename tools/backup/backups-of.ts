import { existsSync, writeFileSync } from 'node:fs';
import { isAbsolute, join, resolve } from 'node:path';
import { spawnSync } from 'node:child_process';
import { Plain, RUN } from '../place.js';
import { dataDirectory, own } from '../postgres.js';
import { SALON_PLACES } from '../salons.js';
import { keptPassphrase, Repository } from './repository.js';

/** Backups are of the salon's own data: what the demo has is made anew at any time. */
export const BACKED = SALON_PLACES.salon;
/** Under this name the tool keeps them. */
const STANZA = 'salon';
const PASSPHRASE_FILE = join(RUN, 'backup-passphrase');

/** Whether the tool is installed; without it nothing is backed up, and that is said. */
export const hasBackupTool = (): boolean => spawnSync('pgbackrest', ['version'], { stdio: 'ignore' }).status === 0;

/**
 * The backups of this salon: in a folder beside its data, or where `MANSUET_BACKUP_DIR` says, encrypted where `MANSUET_BACKUP_PASSPHRASE` was set once.
 * @param from another folder to read from, such as one that was carried here on a disk
 */
export function backupsOf(env: NodeJS.ProcessEnv, from?: string): Repository {
  if (!hasBackupTool())
    throw new Plain(
      'pgBackRest is not installed. Run ./mansuet backup as root or with sudo rights, or install the Debian package pgbackrest.',
    );
  const asked = from ?? env['MANSUET_BACKUP_DIR'];
  if (asked !== undefined && !isAbsolute(asked))
    throw new Plain(`Give the folder of the backups in full: ${resolve(asked)}, not ${asked}.`);
  const folder = asked ?? dataDirectory('backups');
  const passphrase =
    from === undefined ? ownPassphrase(env) : (env['MANSUET_BACKUP_PASSPHRASE'] ?? keptPassphrase(PASSPHRASE_FILE, undefined));
  return new Repository({ stanza: STANZA, cluster: BACKED.cluster, folder, passphrase });
}

/** The log of the database is encrypted while the salon works, so the passphrase is kept here, readable by its user only. */
function ownPassphrase(env: NodeJS.ProcessEnv): string | undefined {
  const passphrase = keptPassphrase(PASSPHRASE_FILE, env['MANSUET_BACKUP_PASSPHRASE']);
  if (passphrase !== undefined && !existsSync(PASSPHRASE_FILE)) writeFileSync(PASSPHRASE_FILE, `${passphrase}\n`, { mode: 0o600 });
  return passphrase;
}

/** Gives a folder and all in it to the user that PostgreSQL runs as. */
export function ownAll(folder: string): void {
  own(folder);
  if (process.getuid?.() === 0) spawnSync('chown', ['-R', 'postgres:', folder]);
}
