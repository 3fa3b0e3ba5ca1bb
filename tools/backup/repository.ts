import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { stampOf } from '../ask-first.js';
import { Plain } from '../place.js';
import { asPostgres, type Cluster, dataDirectory, own, type Settings, socketDirectory } from '../postgres.js';
import { type Generation, KEPT, readGenerations } from './generations.js';

export interface RepositoryPlace {
  /** Under this name its backups are kept. */
  readonly stanza: string;
  /** The cluster that is backed up, or restored into. */
  readonly cluster: string;
  /** The folder that holds the backups: can be on another disk. */
  readonly folder: string;
  /** Whoever has the folder reads nothing without it; none: not encrypted. */
  readonly passphrase?: string | undefined;
}

/** The tool says so of backups that are not of this database. */
const OF_ANOTHER = 'do not match the database';
/** Log that the salon can lose in the backups, and not in the database, before the disk is full: then archiving gives up, and the salon goes on. Our default. */
const QUEUE_MAX = '2GB';

/** Backups of one cluster, with all of its log since the oldest: pgBackRest does the work. */
export class Repository {
  private readonly work: string;
  private readonly conf: string;

  constructor(readonly place: RepositoryPlace) {
    this.work = dataDirectory(`backup-work-${place.cluster}`);
    this.conf = join(this.work, 'pgbackrest.conf');
  }

  /** What the database needs to be told so that its log is kept. */
  settings(): Settings {
    return { archive_mode: 'on', archive_command: `${this.command('archive-push')} %p`, archive_timeout: '60s' };
  }
  private command(what: string): string {
    return `pgbackrest --config=${this.conf} --stanza=${this.place.stanza} ${what}`;
  }

  /** Writes what the tool reads; before a start of the cluster, for the database calls it from then on. */
  configure(port: number): void {
    const { stanza, cluster, folder, passphrase } = this.place;
    for (const dir of [this.work, folder, join(this.work, 'log'), join(this.work, 'lock'), join(this.work, 'spool')]) {
      mkdirSync(dir, { recursive: true, mode: 0o700 });
      own(dir);
    }
    const data = dataDirectory(cluster);
    const lines = [
      '[global]',
      `repo1-path=${folder}`,
      `repo1-retention-full=${KEPT.full}`,
      `repo1-retention-diff=${KEPT.diff}`,
      'repo1-bundle=y',
      ...(passphrase === undefined ? [] : ['repo1-cipher-type=aes-256-cbc', `repo1-cipher-pass=${passphrase}`]),
      `log-path=${join(this.work, 'log')}`,
      `lock-path=${join(this.work, 'lock')}`,
      `spool-path=${join(this.work, 'spool')}`,
      'log-level-console=warn',
      'log-level-file=info',
      'compress-type=zst',
      'process-max=2',
      'start-fast=y',
      `archive-push-queue-max=${QUEUE_MAX}`,
      `[${stanza}]`,
      `pg1-path=${data}`,
      `pg1-port=${port}`,
      `pg1-socket-path=${socketDirectory(data)}`,
      'pg1-user=mansuet_admin',
      'pg1-database=postgres',
    ];
    writeFileSync(this.conf, `${lines.join('\n')}\n`, { mode: 0o600 });
    chmodSync(this.conf, 0o600);
    own(this.conf);
  }

  /** The folder takes backups of this cluster from now on. @throws Plain when it cannot */
  open(cluster: Cluster): void {
    this.configure(cluster.port);
    const ready = (): string => this.must('The folder of the backups could not be made ready', ['stanza-create'], cluster);
    try {
      ready();
    } catch (error) {
      if (!(error instanceof Plain) || !error.message.includes(OF_ANOTHER)) throw error;
      // After a reset, or a restore from elsewhere: what was kept of the database before stays, and is not mixed with this one's.
      const aside = `${this.place.folder}-before-${stampOf(new Date())}`;
      renameSync(this.place.folder, aside);
      process.stdout.write(`The backups of the database that was here before lie in ${aside} now.\n`);
      this.configure(cluster.port);
      ready();
    }
  }

  /** Takes a backup, looks whether the log arrives, and lets go of what is older than is kept. */
  take(cluster: Cluster, kind: 'full' | 'diff', note: string): void {
    this.configure(cluster.port);
    this.must('The log of the database does not arrive in the backups', ['check'], cluster);
    const why = note === '' ? [] : [`--annotation=note=${note.replaceAll(/[\r\n]/g, ' ')}`];
    this.must('The backup was not taken', ['backup', `--type=${kind}`, ...why], cluster);
  }

  /** Reads every file of the backups and of the log again, against its checksum. @throws Plain when one is missing or otherwise than it was stored */
  verify(): void {
    const said = this.must('The backups could not be read again', ['verify', '--output=text', '--log-level-console=error']);
    if (/(missing|checksum invalid|size invalid|other): [1-9]/.test(said) || /ERROR/.test(said))
      throw new Plain(`A backup is damaged. Take a new one now, to another disk:\n${said.trim()}`);
  }

  generations(): Generation[] {
    if (!existsSync(this.conf)) return [];
    return readGenerations(this.must('The backups could not be listed', ['info', '--output=json']), this.place.stanza);
  }

  /**
   * Writes the files of the cluster as they were; its folder has to be empty. The log is gone through at its next start.
   * @param at up to which moment, the last one when it is not given
   * @param label from which backup; the tool finds the right one when it is not given
   * @param archives whether its log goes on into these backups
   */
  restore({
    at,
    label,
    archives,
  }: {
    readonly at?: Date | undefined;
    readonly label?: string | undefined;
    readonly archives: boolean;
  }): void {
    const data = dataDirectory(this.place.cluster);
    mkdirSync(data, { recursive: true, mode: 0o700 });
    chmodSync(data, 0o700);
    own(data);
    const until =
      at === undefined
        ? []
        : ['--type=time', `--target=${at.toISOString().replace('T', ' ').replace('Z', '+00')}`, '--target-action=promote'];
    const from = label === undefined ? [] : [`--set=${label}`];
    const mode = archives ? [] : ['--archive-mode=off'];
    this.must('The backup could not be read back', ['restore', ...until, ...from, ...mode]);
  }

  /** Takes away what the tool keeps for itself; the backups stay. */
  forget(): void {
    rmSync(this.work, { recursive: true, force: true });
  }

  private must(what: string, args: readonly string[], cluster?: Cluster): string {
    const password = cluster === undefined ? undefined : decodeURIComponent(new URL(cluster.url('mansuet_admin', 'postgres')).password);
    const env = password === undefined ? {} : { PGPASSWORD: password };
    const done = asPostgres('pgbackrest', [`--config=${this.conf}`, `--stanza=${this.place.stanza}`, ...args], env);
    if (done.code !== 0) throw new Plain(`${what}:\n${tailOf(done.output)}`);
    return done.output;
  }
}

const tailOf = (text: string): string => text.trim().split('\n').slice(-8).join('\n');

/** The passphrase that the backups were begun with, if they are encrypted: the database itself encrypts its log with it, so it lies on this machine. */
export function keptPassphrase(file: string, asked: string | undefined): string | undefined {
  const kept = existsSync(file) ? readFileSync(file, 'utf8').trim() : undefined;
  if (asked === undefined || asked === '') return kept;
  if (kept !== undefined && kept !== asked)
    throw new Plain('These backups were begun with another passphrase. Give that one, or choose another folder: MANSUET_BACKUP_DIR=…');
  if (asked.length < SHORTEST_PASSPHRASE)
    throw new Plain(`MANSUET_BACKUP_PASSPHRASE is short: ${SHORTEST_PASSPHRASE} letters or more keep who finds the disk out.`);
  if (/\s/.test(asked)) throw new Plain('MANSUET_BACKUP_PASSPHRASE must have no spaces or line breaks.');
  return asked;
}
const SHORTEST_PASSPHRASE = 12;
