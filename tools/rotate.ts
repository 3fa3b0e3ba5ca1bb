import { copyFileSync, existsSync, renameSync, rmSync, statSync, truncateSync } from 'node:fs';

/** A log is begun anew from this size on, and so many old ones are kept. Our defaults. */
const MOST_BYTES = 10 * 1024 * 1024;
const KEPT = 5;

/** Puts what is in a log that has grown aside: `server.log.1` is the latest of the old ones. Whoever appends to it goes on. */
export function rotate(file: string, most = MOST_BYTES): void {
  if (!existsSync(file) || statSync(file).size < most) return;
  rmSync(`${file}.${KEPT}`, { force: true });
  for (let nr = KEPT - 1; nr >= 1; nr--) if (existsSync(`${file}.${nr}`)) renameSync(`${file}.${nr}`, `${file}.${nr + 1}`);
  // Whoever writes it has it open: it is emptied where it is.
  copyFileSync(file, `${file}.1`);
  truncateSync(file);
}
