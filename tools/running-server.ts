import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod';
import { RUN } from './place.js';

/** A process that a start leaves running: where it is remembered, and how its command is told from another program's that has its number by now. */
interface Kept {
  readonly file: string;
  readonly program: string;
}
export const SERVER: Kept = { file: 'server.json', program: 'server/dist/main.js' };
/** Takes a backup each night. */
export const NIGHT_WATCH: Kept = { file: 'night-watch.json', program: 'tools/backup/night-watch.ts' };

const RUNNING = z.object({ pid: z.int().positive(), port: z.int().min(0) });
type Running = z.infer<typeof RUNNING>;

const fileOf = (kept: Kept): string => join(RUN, kept.file);

export function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return !/^State:\s+Z/m.test(existsSync(`/proc/${pid}/status`) ? readFileSync(`/proc/${pid}/status`, 'utf8') : '');
  } catch {
    return false;
  }
}

const commandOf = (pid: number): string => (existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : '');

export function keepRunning(running: Running, kept = SERVER): void {
  writeFileSync(fileOf(kept), JSON.stringify(running));
}

/** The process of an earlier start that still runs. A pid may belong to another program by now: only our own counts. */
export function runningServer(kept = SERVER): Running | undefined {
  if (!existsSync(fileOf(kept))) return undefined;
  const read = RUNNING.safeParse(JSON.parse(readFileSync(fileOf(kept), 'utf8')));
  return read.success && alive(read.data.pid) && commandOf(read.data.pid).includes(kept.program) ? read.data : undefined;
}

/** Ends the process of an earlier start, if it still runs. */
export function stopServer(kept = SERVER): boolean {
  const server = runningServer(kept);
  rmSync(fileOf(kept), { force: true });
  if (!server) return false;
  process.kill(server.pid, 'SIGTERM');
  for (let i = 0; i < 100 && alive(server.pid); i++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
  if (alive(server.pid)) process.kill(server.pid, 'SIGKILL');
  return true;
}
