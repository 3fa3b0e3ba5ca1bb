import { chmodSync, mkdirSync } from 'node:fs';
import { own } from '../postgres.js';

/** A folder of the user that PostgreSQL runs as. */
export function folderFor(path: string): string {
  mkdirSync(path, { recursive: true, mode: 0o700 });
  chmodSync(path, 0o700);
  own(path);
  return path;
}
