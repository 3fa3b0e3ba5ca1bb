import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { RUN } from './place.js';

const PID_FILE = join(RUN, 'server.json');

interface Running {
  readonly pid: number;
  readonly port: number;
}

export function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return !/^State:\s+Z/m.test(existsSync(`/proc/${pid}/status`) ? readFileSync(`/proc/${pid}/status`, 'utf8') : '');
  } catch {
    return false;
  }
}

const commandOf = (pid: number): string => (existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : '');

export function keepRunning(server: Running): void {
  writeFileSync(PID_FILE, JSON.stringify(server));
}

/** The server of an earlier start that still runs. A pid may belong to another program by now: only our own counts. */
export function runningServer(): Running | undefined {
  if (!existsSync(PID_FILE)) return undefined;
  const read: unknown = JSON.parse(readFileSync(PID_FILE, 'utf8'));
  const number = (key: string): unknown => (typeof read === 'object' && read !== null ? Reflect.get(read, key) : undefined);
  const [pid, port] = [number('pid'), number('port')];
  if (typeof pid !== 'number' || typeof port !== 'number' || !alive(pid) || !commandOf(pid).includes('server/dist/main.js'))
    return undefined;
  return { pid, port };
}

/** Ends the server of an earlier start, if it still runs. */
export function stopServer(): boolean {
  const server = runningServer();
  rmSync(PID_FILE, { force: true });
  if (!server) return false;
  process.kill(server.pid, 'SIGTERM');
  for (let i = 0; i < 100 && alive(server.pid); i++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
  if (alive(server.pid)) process.kill(server.pid, 'SIGKILL');
  return true;
}
