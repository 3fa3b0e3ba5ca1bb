import { randomBytes } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataDirectory, own, secrets } from '../postgres.js';
import { folderFor } from './folder-for.js';
import { killAllIn } from './member.js';

/** What the files of a cell are filled with, and where they lie. */
export interface Ground {
  readonly name: string;
  readonly base: string;
  /** Those of this checkout, and two more that a cell has. */
  readonly secret: ReturnType<typeof secrets> & { readonly replica: string; readonly rest: string };
  /** A port of loopback that nobody else was given. */
  readonly port: () => number;
  /** Writes a file that only the user may read who runs it. @returns its path */
  readonly file: (name: string, text: string) => string;
  /** An empty log. @returns its path */
  readonly log: (of: string) => string;
}

/** The folder of a cell, empty: what an earlier one left there is ended and deleted. @param ports free ones, as many as it takes */
export function groundFor(name: string, ports: readonly number[]): Ground {
  const base = dataDirectory(`cluster-${name}`);
  killAllIn(base);
  rmSync(base, { recursive: true, force: true });
  folderFor(base);
  const left = [...ports];
  const file = (at: string, text: string): string => {
    const path = join(base, at);
    writeFileSync(path, text, { mode: 0o600 });
    own(path);
    return path;
  };
  const word = (): string => randomBytes(18).toString('base64url');
  return {
    name,
    base,
    secret: { ...secrets(), replica: word(), rest: word() },
    port: () => {
      const port = left.pop();
      if (port === undefined) throw new Error(`${name} needs more ports than the ${ports.length} that it was given`);
      return port;
    },
    file,
    log: (of) => file(`${of}.log`, ''),
  };
}
