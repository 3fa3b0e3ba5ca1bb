import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { openSync } from 'node:fs';
import { Plain, ROOT } from '../place.js';
import { postgresIds } from '../postgres.js';
import { isRoot } from '../run-command.js';
import { processesIn } from './processes.js';

/** How one program of a cell is run. */
export interface MemberWays {
  readonly name: string;
  readonly command: string;
  readonly args: readonly string[];
  readonly env?: NodeJS.ProcessEnv;
  readonly log: string;
  /** As the user that PostgreSQL runs as: most programs of a cell refuse to be root. */
  readonly asPostgres?: boolean;
  /** Processes that work in this folder belong to it and die with it, as when its machine loses its power. */
  readonly folder?: string;
}

/** A program of a cell: it can be killed without a word and started again. */
export class Member {
  private child: ChildProcess | undefined;
  constructor(private readonly ways: MemberWays) {}

  get name(): string {
    return this.ways.name;
  }
  /** Its number, once it was started. */
  get pid(): number | undefined {
    return this.child?.pid;
  }
  get lives(): boolean {
    return this.child !== undefined && this.child.exitCode === null && this.child.signalCode === null;
  }

  start(): void {
    if (this.lives) throw new Plain(`${this.name} runs already.`);
    const { command, args, env = {}, log, asPostgres = false } = this.ways;
    const file = openSync(log, 'a');
    const cwd = asPostgres ? '/' : ROOT;
    // As that user itself, not through a program that begins another: what is killed has to be what runs.
    const as = asPostgres && isRoot() ? postgresIds() : {};
    this.child = spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio: ['ignore', file, file], ...as });
  }

  /** All its processes at once, without a word. */
  async kill(): Promise<void> {
    await this.end('SIGKILL');
  }
  /** Asked to end, and ended where it does not. */
  async stop(): Promise<void> {
    const late = setTimeout(() => void this.end('SIGKILL'), 15_000);
    await this.end('SIGTERM');
    clearTimeout(late);
    if (this.ways.folder !== undefined) killAllIn(this.ways.folder);
  }

  private async end(signal: NodeJS.Signals): Promise<void> {
    const { child } = this;
    if (!child || !this.lives) return;
    const gone = once(child, 'exit');
    child.kill(signal);
    if (signal === 'SIGKILL' && this.ways.folder !== undefined) killAllIn(this.ways.folder);
    await gone;
    if (signal === 'SIGKILL' && this.ways.folder !== undefined) killAllIn(this.ways.folder);
  }
}

/** Ends every process that works in a folder. */
export function killAllIn(folder: string): void {
  for (const pid of processesIn(folder)) {
    try {
      process.kill(pid, 'SIGKILL');
    } catch (error) {
      if (!(error instanceof Error) || Reflect.get(error, 'code') !== 'ESRCH') throw error;
    }
  }
}
