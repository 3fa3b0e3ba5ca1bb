import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_LOGINS } from '../server/src/sign-in/demo-logins.js';
import { build } from './build.js';
import { isHealthy, readReach, type Reach } from './reach.js';
import { Plain, ROOT, RUN, WEB_DIST } from './place.js';
import { isFree } from './free-port.js';
import { type Cluster, clusterPort, ensureDatabase, secrets, startCluster, stopCluster } from './postgres.js';
import { must, startDetached } from './run-command.js';
import { LAST_BACKUP_FILE } from './backup/last-backup.js';
import { backupsOf, hasBackupTool } from './backup/backups-of.js';
import { rotate } from './rotate.js';
import { alive, keepRunning, NIGHT_WATCH, runningServer, stopServer } from './running-server.js';
import { readPorts, SALON_KINDS, SALON_PLACES } from './salons.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** `./mansuet serve --stay`: the same, and stays until it is told to end, or the server ends by itself; what it started ends with it. @throws Plain then */
export async function stay(kind: 'demo' | 'serve'): Promise<void> {
  await start(kind);
  const ended = new Promise<void>((done) => {
    for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => done());
  });
  let told = false;
  void ended.then(() => (told = true));
  while (!told && runningServer()) await Promise.race([ended, new Promise((done) => setTimeout(done, 1_000))]);
  stop();
  if (!told) throw new Plain(`The server ended by itself. Its log is in ${join(RUN, 'server.log').replace(`${ROOT}/`, '')}.`);
}

/** `./mansuet demo` and `./mansuet serve`: build, database, migrations, data, server. */
export async function start(kind: 'demo' | 'serve'): Promise<void> {
  const salon = kind === 'demo' ? 'demo' : 'salon';
  const place = SALON_PLACES[salon];
  // All that could be wrong is looked at before a server that works is stopped.
  const { port, pgPort } = readPorts(process.env, salon);
  await checkPorts(port, pgPort, kind, place.cluster);
  const reach = readReach(process.env, port);
  if (reach.door && runningServer()?.port !== port && !(await isFree(reach.door.port)))
    throw new Plain(
      `Port ${reach.door.port}, for tablets that are new here, is in use. Choose another: MANSUET_DOOR_PORT=${reach.door.port + 10}`,
    );
  await build(say);
  stopServer();
  stopServer(NIGHT_WATCH);
  for (const other of SALON_KINDS) if (other !== salon) stopCluster(SALON_PLACES[other].cluster);
  const backups = kind === 'serve' && hasBackupTool() ? backupsOf(process.env) : undefined;
  // What it knows of the server is there once that is built.
  const { backupBeforeUpdate, startBacked } = await import('./backup/with-server.js');
  const cluster = backups ? await startBacked(backups, pgPort) : await startCluster(place.cluster, pgPort);
  await ensureDatabase(cluster, place.database);
  if (backups) await backupBeforeUpdate(backups, cluster, place.database);
  const env = { ...environment(cluster, place.database, port, kind === 'demo'), ...reach.env, MANSUET_OUTBOX_DIR: place.outbox };
  if (kind === 'demo') say((await must('Loading the demo salon', process.execPath, ['demo/dist/main.js'], env)).trim());
  const log = join(RUN, 'server.log');
  rotate(log);
  const pid = startDetached(process.execPath, ['server/dist/main.js'], env, log);
  keepRunning({ pid, port });
  await untilHealthy(reach, port, pid, log);
  if (backups) {
    const watch = startDetached(process.execPath, ['--import', 'tsx', NIGHT_WATCH.program], {}, join(RUN, 'night-watch.log'));
    keepRunning({ pid: watch, port: 0 }, NIGHT_WATCH);
  }
  say(`\nMansuet is at ${reach.url}`);
  if (reach.door) {
    say(
      `A tablet that is new here first opens ${reach.door.url} and learns to trust this salon. Compare the fingerprint there with this one:`,
    );
    say(`  ${reach.door.fingerprint}`);
  }
  if (kind === 'demo') {
    say('Demo logins:');
    for (const d of DEMO_LOGINS) say(`  ${d.login.padEnd(8)} ${d.password.padEnd(18)} ${d.name}, ${d.role}`);
  } else {
    say('The first page sets up your salon.');
    say(
      backups
        ? `A backup is taken each night, into ${backups.place.folder}: ./mansuet backup --list shows what is kept.`
        : 'NOTHING IS BACKED UP: pgBackRest is not installed here.',
    );
  }
  say('Stop it with ./mansuet stop. Its log is in .run/server.log.');
}

/** @throws Plain for a port that another program holds; our own earlier start gives its ports back */
async function checkPorts(port: number, pgPort: number, kind: 'demo' | 'serve', cluster: string): Promise<void> {
  if (runningServer()?.port !== port && !(await isFree(port)))
    throw new Plain(`Port ${port} is in use by another program. Choose another: MANSUET_PORT=${port + 1} ./mansuet ${kind}`);
  const ours = SALON_KINDS.map((k) => clusterPort(SALON_PLACES[k].cluster));
  // A database that runs already keeps the port it has.
  if (clusterPort(cluster) === undefined && !ours.includes(pgPort) && !(await isFree(pgPort)))
    throw new Plain(`Port ${pgPort} for the database is in use. Choose another: MANSUET_PG_PORT=${pgPort + 2} ./mansuet ${kind}`);
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
    MANSUET_DATA_DIR: RUN,
    ...(demo ? {} : { MANSUET_LAST_BACKUP_FILE: LAST_BACKUP_FILE }),
    MANSUET_DEMO: demo ? '1' : '0',
    MANSUET_LOG: 'warn',
    NODE_ENV: 'production',
  };
}

async function untilHealthy(reach: Reach, port: number, pid: number, log: string): Promise<void> {
  for (let i = 0; i < 150; i++) {
    if (await isHealthy(reach.own, port)) return;
    if (!alive(pid))
      throw new Plain(
        `The server did not start:\n${existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-5).join('\n') : ''}`,
      );
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Plain(`The server did not answer within 15 s. Its log is in ${log.replace(`${ROOT}/`, '')}.`);
}

export function stop(): void {
  const was = stopServer();
  stopServer(NIGHT_WATCH);
  for (const kind of SALON_KINDS) stopCluster(SALON_PLACES[kind].cluster);
  say(was ? 'Stopped. The data is kept.' : 'Nothing was running. The data is kept.');
}
