import { spawn, spawnSync } from 'node:child_process';
import { openSync } from 'node:fs';
import { ROOT, Plain } from './place.js';

export interface Ran {
  readonly code: number;
  readonly output: string;
}

/** Runs a command to its end. `show` passes its output on as it comes. */
export function run(
  command: string,
  args: readonly string[],
  options: { env?: NodeJS.ProcessEnv; show?: boolean; cwd?: string } = {},
): Promise<Ran> {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd: options.cwd ?? ROOT,
      env: { ...process.env, ...options.env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    const take = (chunk: Buffer) => {
      output += chunk.toString();
      if (options.show) process.stdout.write(chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', fail);
    child.on('close', (code) => done({ code: code ?? 1, output }));
  });
}

/** Runs a command and gives its output. @throws Plain with what failed and the end of what it printed */
export async function must(what: string, command: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): Promise<string> {
  const { code, output } = await run(command, args, { env });
  if (code !== 0) throw new Plain(`${what} failed:\n${output.trim().split('\n').slice(-15).join('\n')}`);
  return output;
}

/** Starts a process that outlives this one. @returns its pid */
export function startDetached(command: string, args: readonly string[], env: NodeJS.ProcessEnv, logFile: string): number {
  const log = openSync(logFile, 'a');
  const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', log, log], detached: true });
  child.unref();
  return child.pid ?? 0;
}

export function isRoot(): boolean {
  return process.getuid?.() === 0;
}

/** Whether a user may enter a folder. */
export function reachableBy(user: string, directory: string): boolean {
  return spawnSync('runuser', ['-u', user, '--', 'test', '-x', directory], { cwd: '/' }).status === 0;
}
