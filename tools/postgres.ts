import { createHash, randomBytes } from 'node:crypto';
import {
  appendFileSync,
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { isFree } from './free-port.js';
import { Plain, RUN } from './place.js';
import { isRoot, reachableBy } from './run-command.js';

export interface Cluster {
  readonly port: number;
  url(role: 'mansuet_admin' | 'mansuet_owner' | 'mansuet_app', database: string): string;
  stop(): void;
  remove(): void;
}

interface Secrets {
  readonly admin: string;
  readonly owner: string;
  readonly app: string;
  readonly session: string;
}

/** Passwords of this checkout, made once, readable by its user only. */
export function secrets(): Secrets {
  const file = join(RUN, 'secrets.json');
  if (!existsSync(file)) {
    const secret = () => randomBytes(24).toString('base64url');
    writeFileSync(file, JSON.stringify({ admin: secret(), owner: secret(), app: secret(), session: secret() }), { mode: 0o600 });
  }
  const read: unknown = JSON.parse(readFileSync(file, 'utf8'));
  const text = (key: string): string => {
    const value: unknown = typeof read === 'object' && read !== null ? Reflect.get(read, key) : undefined;
    if (typeof value !== 'string') throw new Plain(`${file} is damaged. Run ./mansuet reset, then start again.`);
    return value;
  };
  return { admin: text('admin'), owner: text('owner'), app: text('app'), session: text('session') };
}

function binDirectory(): string {
  const base = '/usr/lib/postgresql';
  const version = existsSync(base)
    ? readdirSync(base)
        .filter((v) => existsSync(join(base, v, 'bin', 'initdb')))
        .sort((a, b) => Number(b) - Number(a))[0]
    : undefined;
  if (!version)
    throw new Plain(
      'PostgreSQL is not installed. Run ./mansuet demo as root or with sudo rights, or install the Debian package postgresql.',
    );
  return join(base, version, 'bin');
}

/** A program of the installed PostgreSQL, the newest. @throws Plain when there is none */
export const pgProgram = (name: string): string => join(binDirectory(), name);

/**
 * The data directory: inside the checkout. PostgreSQL never runs as root; root's cluster belongs to the user postgres, and where
 * that user cannot reach the checkout (under /root, say) the directory is kept in /var/tmp under a name made from the checkout's path.
 */
export function dataDirectory(name: string): string {
  const inside = join(RUN, name);
  if (!isRoot() || reachableBy('postgres', RUN)) return inside;
  return `/var/tmp/mansuet-${createHash('sha256').update(RUN).digest('hex').slice(0, 12)}-${name}`;
}

/** Runs a command as the user that PostgreSQL runs as. */
export function asPostgres(command: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): { code: number; output: string } {
  const [program, all] = isRoot() ? ['runuser', ['-u', 'postgres', '--', command, ...args]] : [command, [...args]];
  const done = spawnSync(program, all, { cwd: '/', encoding: 'utf8', env: { ...process.env, ...env }, maxBuffer: 256 * 1024 * 1024 });
  return { code: done.status ?? 1, output: `${done.stdout}${done.stderr}` };
}

/** Short: the name of a socket may have a hundred letters. */
export const socketDirectory = (data: string): string =>
  join(tmpdir(), `mansuet-${createHash('sha256').update(data).digest('hex').slice(0, 10)}`);

/** Settings of the database that are ours, by name. */
export type Settings = Readonly<Record<string, string>>;

/** Starts the private cluster, making it when there is none. A cluster that already runs is used as it is. */
export async function startCluster(name: string, port: number, settings: Settings = {}): Promise<Cluster> {
  const data = dataDirectory(name);
  const secret = secrets();
  if (!existsSync(join(data, 'PG_VERSION'))) makeCluster(data, secret.admin);
  const actual = await bootCluster(name, port, settings);
  const url: Cluster['url'] = (role, database) =>
    `postgres://${role}:${secret[role === 'mansuet_admin' ? 'admin' : role === 'mansuet_owner' ? 'owner' : 'app']}@127.0.0.1:${actual}/${database}`;
  await makeRoles(url('mansuet_admin', 'postgres'), secret);
  return {
    port: actual,
    url,
    stop: () => stopCluster(name),
    remove: () => removeCluster(data),
  };
}

/** Starts a cluster that is there, and nothing more. @returns the port that it has */
export async function bootCluster(name: string, port: number, settings: Settings): Promise<number> {
  const data = dataDirectory(name);
  const socket = socketDirectory(data);
  mkdirSync(socket, { recursive: true, mode: 0o700 });
  own(socket);
  if (asPostgres(pgProgram('pg_ctl'), ['status', '-D', data]).code === 0) return runningPort(data);
  if (!(await isFree(port)))
    throw new Plain(`Port ${port} for the database is in use. Choose another: MANSUET_PG_PORT=${port + 1} ./mansuet …`);
  writeSettings(data, settings);
  withChecksums(data);
  const log = join(data, 'server.log');
  const options = `-p ${port} -k ${socket} -h 127.0.0.1`;
  const started = asPostgres(pgProgram('pg_ctl'), ['start', '-w', '-t', '120', '-D', data, '-l', log, '-o', options]);
  if (started.code !== 0)
    throw new Plain(
      `The database did not start:\n${started.output.trim()}\n${tail(log)}\nIf it is damaged, ./mansuet reset moves it aside and the next start makes a new one.`,
    );
  return port;
}

/** Ours are in a file of their own, written anew before each start: what a restore brought of another folder does not stay. */
function writeSettings(data: string, settings: Settings): void {
  const conf = join(data, 'postgresql.conf');
  const include = "include_if_exists = 'mansuet.conf'";
  if (!readFileSync(conf, 'utf8').includes(include)) appendFileSync(conf, `\n${include}\n`);
  const file = join(data, 'mansuet.conf');
  const lines = Object.entries(settings).map(([key, value]) => `${key} = '${value.replaceAll("'", "''")}'\n`);
  writeFileSync(file, lines.join(''), { mode: 0o600 });
  own(file);
}

/** A page that the disk has spoilt is found when it is read: clusters of earlier versions learn it at their next start. */
function withChecksums(data: string): void {
  const has = asPostgres(pgProgram('pg_controldata'), ['-D', data]).output;
  if (!/^Data page checksum version:\s+0$/m.test(has) || !/^Database cluster state:\s+shut down$/m.test(has)) return;
  const done = asPostgres(pgProgram('pg_checksums'), ['--enable', '-D', data]);
  if (done.code !== 0) throw new Plain(`The database could not be given checksums:\n${done.output.trim()}`);
}

export const clusterExists = (name: string): boolean => existsSync(join(dataDirectory(name), 'PG_VERSION'));

/** The port of a cluster that runs now. */
export function clusterPort(name: string): number | undefined {
  const data = dataDirectory(name);
  if (!existsSync(join(data, 'postmaster.pid')) || asPostgres(pgProgram('pg_ctl'), ['status', '-D', data]).code !== 0) return undefined;
  return runningPort(data);
}

/** Stops a cluster without starting one. */
export function stopCluster(name: string): void {
  if (clusterExists(name)) halt(dataDirectory(name));
}
const halt = (data: string): void => void asPostgres(pgProgram('pg_ctl'), ['stop', '-D', data, '-m', 'fast', '-w', '-t', '30']);

/** Stops a cluster and deletes it, with all that is in it. @param data its folder */
export function removeCluster(data: string): void {
  halt(data);
  rmSync(data, { recursive: true, force: true });
  rmSync(socketDirectory(data), { recursive: true, force: true });
}

/** Ends a cluster without a word, all its processes at once, as a machine that loses its power does. Resolves when they are gone. */
export async function killCluster(name: string): Promise<void> {
  const leader = readFileSync(join(dataDirectory(name), 'postmaster.pid'), 'utf8').split('\n')[0] ?? '';
  if (!/^\d+$/.test(leader)) throw new Plain(`The database ${name} does not run.`);
  const children = spawnSync('pgrep', ['-P', leader], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter((pid) => pid !== '');
  for (const pid of [leader, ...children]) {
    try {
      process.kill(Number(pid), 'SIGKILL');
    } catch {
      // It ended with the first.
    }
  }
  while ([leader, ...children].some(lives)) await new Promise((done) => setTimeout(done, 20));
  // A process that nobody has counted out yet would be taken for a running one.
  const data = dataDirectory(name);
  rmSync(join(data, 'postmaster.pid'), { force: true });
  rmSync(socketDirectory(data), { recursive: true, force: true });
}

/** Whether a process is there and not just waiting to be counted out. */
function lives(pid: string): boolean {
  const stat = `/proc/${pid}/stat`;
  return existsSync(stat) && !/\) [ZX] /.test(readFileSync(stat, 'utf8'));
}

/** Deletes a cluster that is stopped. */
export function dropCluster(name: string): void {
  rmSync(dataDirectory(name), { recursive: true, force: true });
}

/** Moves a cluster that does not start out of the way. @returns where it lies now */
export function setAside(name: string, suffix: string): string {
  const data = dataDirectory(name);
  const place = `${data}-damaged-${suffix}`;
  renameSync(data, place);
  return place;
}

function makeCluster(data: string, password: string): void {
  mkdirSync(data, { recursive: true, mode: 0o700 });
  chmodSync(data, 0o700);
  own(data);
  const passwordFile = join(tmpdir(), `mansuet-pw-${randomBytes(6).toString('hex')}`);
  writeFileSync(passwordFile, password, { mode: 0o600 });
  own(passwordFile);
  try {
    const made = asPostgres(pgProgram('initdb'), [
      '-D',
      data,
      '-U',
      'mansuet_admin',
      '-A',
      'scram-sha-256',
      `--pwfile=${passwordFile}`,
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      '--data-checksums',
      '--no-instructions',
    ]);
    if (made.code !== 0) {
      rmSync(data, { recursive: true, force: true });
      throw new Plain(`The database could not be made:\n${made.output.trim().split('\n').slice(-6).join('\n')}`);
    }
  } finally {
    rmSync(passwordFile, { force: true });
  }
}

/** Gives a path to the user that runs PostgreSQL when we are root. */
export function own(path: string): void {
  if (!isRoot()) return;
  const { uid, gid } = postgresIds();
  if (statSync(path).uid !== uid) chownSync(path, uid, gid);
}

/** The numbers of the user that PostgreSQL runs as when we are root. */
export function postgresIds(): { readonly uid: number; readonly gid: number } {
  const id = (flag: string): number => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

async function makeRoles(adminUrl: string, secret: Secrets): Promise<void> {
  await withClient(adminUrl, async (client) => {
    for (const [role, password] of [
      ['mansuet_owner', secret.owner],
      ['mansuet_app', secret.app],
    ] as const) {
      const there = await client.query('select 1 from pg_roles where rolname = $1', [role]);
      await client.query(
        `${there.rowCount ? 'alter' : 'create'} role ${role} login password '${password}' nosuperuser nocreatedb nocreaterole`,
      );
    }
  });
}

/** Makes a database that belongs to the owner's role, unless it is there. */
export async function ensureDatabase(cluster: Cluster, database: string): Promise<void> {
  await withClient(cluster.url('mansuet_admin', 'postgres'), async (client) => {
    const there = await client.query('select 1 from pg_database where datname = $1', [database]);
    if (!there.rowCount) await client.query(`create database ${database} owner mansuet_owner`);
  });
}

export async function dropDatabase(cluster: Cluster, database: string): Promise<void> {
  await withClient(cluster.url('mansuet_admin', 'postgres'), (client) => client.query(`drop database if exists ${database} with (force)`));
}

export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** The port a running cluster was started on: the fourth line of its pid file. */
function runningPort(data: string): number {
  return Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[3]);
}

const tail = (file: string): string => (existsSync(file) ? readFileSync(file, 'utf8').trim().split('\n').slice(-4).join('\n') : '');
