import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_LOGINS } from '../server/src/sign-in/demo-logins.js';
import { build } from './build.js';
import { Plain, ROOT, RUN, WEB_DIST } from './place.js';
import { ensureDatabase, isFree, secrets, startCluster, stopCluster, type Cluster } from './postgres.js';
import { must, startDetached } from './run-command.js';

const PID_FILE = join(RUN, 'server.json');
const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** `./mansuet demo` and `./mansuet serve`: build, database, migrations, data, server. */
export async function start(kind: 'demo' | 'serve'): Promise<void> {
  const port = Number(process.env['MANSUET_PORT'] ?? 4310);
  const pgPort = Number(process.env['MANSUET_PG_PORT'] ?? 54829);
  await build(say);
  stopServer();
  if (!(await isFree(port)))
    throw new Plain(`Port ${port} is in use by another program. Choose another: MANSUET_PORT=${port + 1} ./mansuet ${kind}`);
  const cluster = await startCluster('pg', pgPort);
  // Demo and own data never mix: each has its own database.
  const database = kind === 'demo' ? 'mansuet_demo' : 'mansuet';
  await ensureDatabase(cluster, database);
  const env = environment(cluster, database, port, kind === 'demo');
  if (kind === 'demo') say((await must('Loading the demo salon', process.execPath, ['demo/dist/main.js'], env)).trim());
  const log = join(RUN, 'server.log');
  const pid = startDetached(process.execPath, ['server/dist/main.js'], env, log);
  writeFileSync(PID_FILE, JSON.stringify({ pid, port }));
  await untilHealthy(port, pid, log);
  say(`\nMansuet is at http://127.0.0.1:${port}`);
  if (kind === 'demo') {
    say('Demo logins:');
    for (const d of DEMO_LOGINS) say(`  ${d.login.padEnd(8)} ${d.password.padEnd(18)} ${d.name}, ${d.role}`);
  } else say('The first page sets up your salon.');
  say('Stop it with ./mansuet stop. Its log is in .run/server.log.');
}

/** What the server reads from its environment. */
export function environment(cluster: Cluster, database: string, port: number, demo: boolean): NodeJS.ProcessEnv {
  return {
    MANSUET_OWNER_URL: cluster.url('mansuet_owner', database),
    MANSUET_APP_URL: cluster.url('mansuet_app', database),
    MANSUET_PORT: String(port),
    MANSUET_SESSION_SECRET: secrets().session,
    MANSUET_WEB_DIR: WEB_DIST,
    MANSUET_OUTBOX_DIR: join(RUN, 'outbox'),
    MANSUET_DEMO: demo ? '1' : '0',
    MANSUET_LOG: 'warn',
    NODE_ENV: 'production',
  };
}

async function untilHealthy(port: number, pid: number, log: string): Promise<void> {
  for (let i = 0; i < 150; i++) {
    try {
      if ((await fetch(`http://127.0.0.1:${port}/api/health`)).ok) return;
    } catch {
      // It does not listen yet.
    }
    if (!alive(pid))
      throw new Plain(
        `The server did not start:\n${existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-5).join('\n') : ''}`,
      );
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Plain(`The server did not answer within 15 s. Its log is in ${log.replace(`${ROOT}/`, '')}.`);
}

/** Ends the server of an earlier start, if it still runs. */
export function stopServer(): boolean {
  if (!existsSync(PID_FILE)) return false;
  const read: unknown = JSON.parse(readFileSync(PID_FILE, 'utf8'));
  rmSync(PID_FILE);
  const pid: unknown = typeof read === 'object' && read !== null ? Reflect.get(read, 'pid') : undefined;
  // A pid may belong to another program by now: only our own server is ended.
  if (typeof pid !== 'number' || !alive(pid) || !commandOf(pid).includes('server/dist/main.js')) return false;
  process.kill(pid, 'SIGTERM');
  for (let i = 0; i < 100 && alive(pid); i++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
  if (alive(pid)) process.kill(pid, 'SIGKILL');
  return true;
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return !/^State:\s+Z/m.test(existsSync(`/proc/${pid}/status`) ? readFileSync(`/proc/${pid}/status`, 'utf8') : '');
  } catch {
    return false;
  }
}

const commandOf = (pid: number): string => (existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : '');

export function stop(): void {
  const was = stopServer();
  stopCluster('pg', false);
  say(was ? 'Stopped. The data is kept.' : 'Nothing was running. The data is kept.');
}

export function reset(): void {
  stopServer();
  stopCluster('pg', true);
  rmSync(join(RUN, 'secrets.json'), { force: true });
  say('The database is deleted. ./mansuet demo starts afresh.');
}
