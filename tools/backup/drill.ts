import { closeSync, cpSync, existsSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync, statSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { migrate } from '../../server/src/database/migrate.js';
import { freePort } from '../free-port.js';
import { Plain, RUN } from '../place.js';
import { type Cluster, dropCluster, killCluster, own, secrets, startCluster, stopCluster, withClient } from '../postgres.js';
import { bootRestored } from './after-restore.js';
import { type Contents, contentsOf, differences } from './contents.js';
import { DrillSalon } from './drill-salon.js';
import { backupBeforeUpdate } from './with-server.js';
import { layIn, takeOut } from './own-files.js';
import { Repository } from './repository.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const LIVES = 'pg-drill';
const NEW = 'pg-drill-restored';
const DATABASE = 'mansuet_drill';
/** So a file begins that is encrypted as OpenSSL does it. */
const ENCRYPTED = Buffer.from('Salted__');
const PASSPHRASE = 'a long word for the drill'.replaceAll(' ', '-');

/** The restore drill: a salon works, is backed up, its machine dies, and another one reads it back; held against each other table by table, byte for byte. */
class Drill {
  private passed = 0;
  private failed = 0;
  private readonly folder = mkdtempSync(join(tmpdir(), 'mansuet-drill-'));
  private readonly of = { stanza: 'salon', folder: join(this.folder, 'backups'), passphrase: PASSPHRASE };
  private readonly repository = new Repository({ ...this.of, cluster: LIVES });
  private readonly elsewhere = new Repository({ ...this.of, cluster: NEW });

  async run(): Promise<number> {
    own(this.folder);
    for (const name of [LIVES, NEW]) this.clear(name);
    try {
      await this.all();
    } catch (error) {
      this.failed++;
      say(error instanceof Plain ? error.message : String(error instanceof Error ? error.stack : error));
    } finally {
      for (const name of [LIVES, NEW]) this.clear(name);
      this.repository.forget();
      this.elsewhere.forget();
      rmSync(this.folder, { recursive: true, force: true });
    }
    say(`${this.passed} passed, ${this.failed} failed`);
    return this.failed === 0 ? 0 : 1;
  }

  private async all(): Promise<void> {
    const port = await freePort();
    this.repository.configure(port);
    const cluster = await startCluster(LIVES, port, this.repository.settings());
    this.repository.open(cluster);
    const salon = await DrillSalon.open(cluster, DATABASE);
    await salon.work(20);
    layIn(RUN, LIVES);
    this.repository.take(cluster, 'full', 'drill');
    await salon.work(10);
    this.repository.take(cluster, 'diff', '');
    await salon.work(10);
    const then = await this.momentOf(cluster);
    const asThen = await this.contents(cluster);
    await salon.work(10);
    await salon.close();

    this.check('a whole backup and one of changes are listed, with why', this.kinds() === 'diff full drill', this.kinds());
    this.repository.verify();
    this.check('every file of them is as it was stored', true);
    const open = filesIn(this.of.folder).filter((file) => !readFileSync(file).subarray(0, ENCRYPTED.length).equals(ENCRYPTED));
    this.check('what is stored can be read by nobody without the passphrase', open.length === 0, open.join(', '));
    await this.updateFails(cluster);
    const last = await this.contents(cluster);
    await this.sendLog(cluster);
    await killCluster(LIVES);

    await this.readBack({}, last, 'the machine dies: everything that was sent is there, byte for byte, photographs too');
    await this.readBack({ at: then }, asThen, 'up to a moment of the day: what was entered later is not there');
    await this.readBack({ label: this.repository.generations().at(-1)?.label }, last, 'from the oldest backup and the log since');
    this.wrongPassphrase();
    this.damaged();
    await this.anotherDatabase();
  }

  private async readBack(what: { at?: Date; label?: string | undefined }, wanted: Contents, name: string): Promise<void> {
    this.clear(NEW);
    const port = await freePort();
    this.elsewhere.configure(port);
    this.elsewhere.restore({ ...what, archives: false });
    await bootRestored(NEW, port, {});
    const cluster = await startCluster(NEW, port, {});
    const found = await this.contents(cluster);
    const wrong = differences(wanted, found);
    const { visit_event: log, photo } = found.tables;
    this.check(
      `${name} (${log?.rows ?? 0} entries, ${photo?.rows ?? 0} photographs)`,
      wrong.length === 0 && (photo?.rows ?? 0) > 0,
      wrong.join('; '),
    );
    if (what.at !== undefined || what.label !== undefined) return;
    const fresh = mkdtempSync(join(this.folder, 'machine-'));
    takeOut(fresh, NEW);
    const kept = join(fresh, 'secrets.json');
    this.check(
      'passwords and the secret of sign-ins come with it',
      existsSync(kept) && readFileSync(kept, 'utf8') === JSON.stringify(secrets()),
    );
    const sums = await withClient(cluster.url('mansuet_admin', DATABASE), (c) =>
      c.query<{ data_checksums: string }>('show data_checksums'),
    );
    this.check('pages of the database have checksums', sums.rows[0]?.data_checksums === 'on');
  }

  /** A version whose last change of the tables cannot be made: one that is there already. */
  private async updateFails(cluster: Cluster): Promise<void> {
    const admin = cluster.url('mansuet_admin', DATABASE);
    const { rows } = await withClient(admin, (c) =>
      c.query<{ name: string }>('delete from kysely_migration where name = (select max(name) from kysely_migration) returning name'),
    );
    const before = await this.contents(cluster);
    await backupBeforeUpdate(this.repository, cluster, DATABASE);
    const note = this.repository.generations()[0]?.note ?? '';
    this.check('before the tables are changed a backup is taken, with why', note === `before ${rows[0]?.name ?? ''}`, note);
    const failed = await migrate(cluster.url('mansuet_owner', DATABASE)).then(
      () => false,
      () => true,
    );
    const wrong = differences(before, await this.contents(cluster));
    this.check('an update that fails half way leaves every table as it was', failed && wrong.length === 0, wrong.join('; '));
    await withClient(admin, (c) =>
      c.query('insert into kysely_migration (name, timestamp) values ($1, $2)', [rows[0]?.name, new Date().toISOString()]),
    );
  }

  private wrongPassphrase(): void {
    this.clear(NEW);
    const other = new Repository({ ...this.of, cluster: NEW, passphrase: 'not-the-one-of-the-drill' });
    other.configure(1);
    const said = refusal(() => other.restore({ archives: false }));
    this.check('with another passphrase nothing is read back, and it is said', said.includes('could not be read back'), said);
  }

  private damaged(): void {
    const copy = join(this.folder, 'copy');
    cpSync(this.of.folder, copy, { recursive: true });
    own(copy);
    const repository = new Repository({ ...this.of, cluster: NEW, folder: copy });
    repository.configure(1);
    chownAll(copy);
    repository.verify();
    spoil(largestIn(copy));
    const said = refusal(() => repository.verify());
    this.check('one byte that the disk has spoilt is found', said.includes('damaged'), said);
  }

  /** As after a reset: the folder has backups of a database that is gone. */
  private async anotherDatabase(): Promise<void> {
    this.clear(NEW);
    const folder = join(this.folder, 'older');
    cpSync(this.of.folder, folder, { recursive: true });
    chownAll(folder);
    const repository = new Repository({ ...this.of, cluster: NEW, folder });
    const port = await freePort();
    repository.configure(port);
    repository.open(await startCluster(NEW, port, repository.settings()));
    const aside = readdirSync(this.folder).filter((name) => name.startsWith('older-before-'));
    this.check(
      'backups of a database that is gone are put aside, and a new one can be kept',
      aside.length === 1 && repository.generations().length === 0,
    );
  }

  private kinds(): string {
    return this.repository
      .generations()
      .map((g) => `${g.kind} ${g.note}`.trim())
      .join(' ');
  }
  private contents(cluster: Cluster): Promise<Contents> {
    return withClient(cluster.url('mansuet_admin', DATABASE), contentsOf);
  }
  /** Between what is entered before and after. */
  private async momentOf(cluster: Cluster): Promise<Date> {
    const { rows } = await withClient(cluster.url('mansuet_admin', DATABASE), (c) =>
      c.query<{ at: Date }>('select clock_timestamp() as at from pg_sleep(0.02)'),
    );
    await new Promise((done) => setTimeout(done, 20));
    return rows[0]?.at ?? new Date();
  }
  /** What waits to be sent is sent at once, as it is after a minute by itself. */
  private async sendLog(cluster: Cluster): Promise<void> {
    await withClient(cluster.url('mansuet_admin', DATABASE), async (c) => {
      const { rows } = await c.query<{ file: string }>('select pg_walfile_name(pg_switch_wal()) as file');
      const file = rows[0]?.file ?? '';
      for (let tries = 0; tries < 600; tries++) {
        const sent = await c.query<{ last: string | null }>('select last_archived_wal as last from pg_stat_archiver');
        if ((sent.rows[0]?.last ?? '') >= file) return;
        await new Promise((done) => setTimeout(done, 100));
      }
      throw new Plain('the log of the database does not arrive in the backups');
    });
  }
  private check(name: string, is: boolean, otherwise = ''): void {
    if (is) this.passed++;
    else this.failed++;
    say(`${is ? 'ok    ' : 'FAILED'} ${name}${is || otherwise === '' ? '' : `: ${otherwise}`}`);
  }
  private clear(name: string): void {
    stopCluster(name);
    dropCluster(name);
  }
}

function refusal(what: () => void): string {
  try {
    what();
    return '';
  } catch (error) {
    if (error instanceof Plain) return error.message;
    throw error;
  }
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((path) => statSync(path).isFile());
const largestIn = (folder: string): string =>
  filesIn(folder)
    .filter((path) => path.includes('/backup/') && !path.includes('manifest') && !path.endsWith('.info'))
    .reduce((a, b) => (statSync(b).size > statSync(a).size ? b : a));
function chownAll(folder: string): void {
  for (const name of ['', ...readdirSync(folder, { recursive: true, encoding: 'utf8' })]) own(join(folder, name));
}
function spoil(file: string): void {
  const at = Math.floor(statSync(file).size / 2);
  const byte = readFileSync(file)[at] ?? 0;
  const opened = openSync(file, 'r+');
  writeSync(opened, Buffer.from([byte ^ 1]), 0, 1, at);
  closeSync(opened);
}

process.exitCode = await new Drill().run();
