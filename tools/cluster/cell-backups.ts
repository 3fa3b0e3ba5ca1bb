import { chmodSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { Plain } from '../place.js';
import { asPostgres, dataDirectory, own, secrets, type Settings } from '../postgres.js';
import type { Node } from './nodes.js';

/** What a database that was read back from a cell is told where no Patroni minds it: its own rules of who may enter, and nobody to wait for. */
export function aloneSettings(cluster: string): Settings {
  const data = dataDirectory(cluster);
  return { hba_file: join(data, 'pg_hba.conf'), ident_file: join(data, 'pg_ident.conf'), synchronous_standby_names: '' };
}

/** Backups of a cell, from whichever node leads, into one folder. */
export class CellBackups {
  constructor(
    private readonly stanza: string,
    readonly folder: string,
  ) {}

  /** The folder takes backups of this cell from now on, and has a first one. */
  open(leader: Node): void {
    this.must('The folder of the backups could not be made ready', leader, ['stanza-create']);
    this.take(leader, 'full');
  }
  /** Looks whether the log arrives, whoever leads, and takes what has changed since the last. */
  take(leader: Node, kind: 'full' | 'diff'): void {
    this.must('The log of the cell does not arrive in the backups', leader, ['check']);
    this.must('The backup was not taken', leader, ['backup', `--type=${kind}`]);
  }
  /** Reads the cell back into a database of this checkout, with all of the log that was sent. @param from a node whose settings it has */
  restoreInto(cluster: string, from: Node): void {
    const data = dataDirectory(cluster);
    mkdirSync(data, { recursive: true, mode: 0o700 });
    chmodSync(data, 0o700);
    own(data);
    this.must('The backup could not be read back', from, ['restore', `--pg1-path=${data}`, '--archive-mode=off']);
  }

  private must(what: string, node: Node, args: readonly string[]): void {
    const done = asPostgres('pgbackrest', [`--config=${node.backrest}`, `--stanza=${this.stanza}`, ...args], {
      PGPASSWORD: secrets().admin,
    });
    if (done.code !== 0) throw new Plain(`${what}:\n${done.output.trim().split('\n').slice(-8).join('\n')}`);
  }
}
