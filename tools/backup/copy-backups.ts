import { cpSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { ownAll } from './backups-of.js';
import type { Repository } from './repository.js';

/** All that is kept, in another folder, and read there. */
export function copyTo(repository: Repository, to: string): void {
  const folder = `${to.replace(/\/+$/, '')}/mansuet-backups`;
  mkdirSync(to, { recursive: true });
  // Built beside the copy of before, which stays until this one is whole.
  const fresh = `${folder}.new`;
  copyWhileItGrows(repository.place.folder, fresh);
  rmSync(folder, { recursive: true, force: true });
  renameSync(fresh, folder);
  ownAll(folder);
  process.stdout.write(`Copied to ${folder}. On another machine: ./mansuet restore --from ${folder}\n`);
}

const COPY_TRIES = 5;
/** The log goes on arriving meanwhile: what is half written is left out, and where a file had another name a moment later it is begun again. */
export function copyWhileItGrows(from: string, to: string, copy: (from: string, to: string) => void = copyFinished): void {
  for (let tried = 1; ; tried++) {
    rmSync(to, { recursive: true, force: true });
    try {
      copy(from, to);
      return;
    } catch (error) {
      if (tried === COPY_TRIES || !(error instanceof Error) || Reflect.get(error, 'code') !== 'ENOENT') throw error;
    }
  }
}
const copyFinished = (from: string, to: string): void =>
  cpSync(from, to, { recursive: true, filter: (file) => !file.endsWith('.pgbackrest.tmp') });
