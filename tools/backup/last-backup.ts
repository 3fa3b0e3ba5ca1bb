import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type * as z from 'zod';
import { LAST_BACKUP } from '../../core/src/contract/running.js';
import { RUN } from '../place.js';

export type LastBackup = z.infer<typeof LAST_BACKUP>;

export const LAST_BACKUP_FILE = join(RUN, 'last-backup.json');

/** How the last backup went; `undefined` where none was begun, or the file cannot be read. */
export function readLastBackup(file = LAST_BACKUP_FILE): LastBackup | undefined {
  if (!existsSync(file)) return undefined;
  try {
    // Of another version: the next one is due then.
    return LAST_BACKUP.safeParse(JSON.parse(readFileSync(file, 'utf8'))).data;
  } catch (error) {
    // So is it where the disk kept half of it.
    if (error instanceof SyntaxError) return undefined;
    throw error;
  }
}

export function writeLastBackup(last: LastBackup, file = LAST_BACKUP_FILE): void {
  writeFileSync(`${file}.new`, JSON.stringify(last));
  renameSync(`${file}.new`, file);
}

/** Takes a backup and writes down how it went, for the lead's page and the night watch. @param take gives what is kept now, in words @throws what it throws */
export async function noted(begun: Date, take: () => Promise<string>, file = LAST_BACKUP_FILE): Promise<void> {
  const note = (ok: boolean, says: string): void =>
    writeLastBackup({ begunAt: begun.toISOString(), endedAt: new Date().toISOString(), ok, says }, file);
  try {
    note(true, await take());
  } catch (error) {
    note(false, error instanceof Error ? error.message : String(error));
    throw error;
  }
}
