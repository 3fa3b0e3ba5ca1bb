import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain, ROOT } from './place.js';
import { removeCluster } from './postgres.js';
import { alive } from './running-server.js';

/** Every process that a test run begins inherits it, however far down: by it they are found again. */
const MARK = 'MANSUET_TEST_RUN';

const SIGNALS = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

interface Found {
  readonly pid: number;
  /** The process whose test run it belongs to. */
  readonly owner: number;
}

/** Processes of test runs of a checkout, but for the runs themselves. */
function marked(root: string): readonly Found[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((name) => {
      const pid = Number(name);
      const owner = ownerIn(read(`/proc/${pid}/environ`), root);
      return owner === undefined || owner === pid || pid === process.pid || !alive(pid) ? [] : [{ pid, owner }];
    });
}

/** @returns the run that an environment, as the kernel shows it, is marked with, if it is one of the checkout */
export function ownerIn(environ: string, root: string): number | undefined {
  const value = environ
    .split('\0')
    .find((entry) => entry.startsWith(`${MARK}=${root}#`))
    ?.split('#')
    .at(-1);
  return value === undefined ? undefined : Number(value);
}

/** A process may be gone, or another user's: it is not ours then. */
function read(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

const isRun = (pid: number): boolean => alive(pid) && read(`/proc/${pid}/cmdline`).includes('tools/cli.ts');

/** It may have ended by itself a moment ago. */
function send(pid: number, signal: NodeJS.Signals): void {
  try {
    process.kill(pid, signal);
  } catch (error) {
    if (!(error instanceof Error) || Reflect.get(error, 'code') !== 'ESRCH') throw error;
  }
}

/** Asks processes to end, and ends those that have not after a while. @returns what they were */
function end(pids: readonly number[]): readonly string[] {
  const were = pids.map((pid) => `${pid}: ${read(`/proc/${pid}/cmdline`).replaceAll('\0', ' ').trim().slice(0, 100)}`);
  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    for (const pid of pids.filter(alive)) send(pid, signal);
    for (let i = 0; i < 100 && pids.some(alive); i++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 30);
  }
  return were;
}

/**
 * A test run leaves nothing behind: not a server, not a browser, not a database, whether it came to its end or was interrupted. What a run left that was
 * killed outright is ended by the next one.
 */
export class TestRun {
  private readonly before: ReadonlySet<string>;
  private readonly outer = process.env[MARK];
  private readonly interrupted = (): void => {
    this.say('\nInterrupted: what this run began is ended.');
    this.end();
    process.exit(130);
  };

  /**
   * @param ownDatabases folders of databases that are made anew for each run: one that is there was left
   * @throws Plain while another run uses this checkout: they would take each other's database away
   */
  constructor(
    private readonly say: (line: string) => void,
    ownDatabases: readonly string[],
    private readonly root = ROOT,
  ) {
    const others = marked(root);
    const live = others.map((p) => p.owner).find((owner) => owner !== process.pid && isRun(owner));
    if (live !== undefined) throw new Plain(`Another test run uses this checkout (process ${live}). Wait for it, or end it: kill ${live}`);
    for (const was of end(others.map((p) => p.pid))) say(`Left by a test run that was killed, ended now: ${was}`);
    this.before = new Set(this.databases().filter((name) => !ownDatabases.includes(name)));
    process.env[MARK] = `${root}#${process.pid}`;
    for (const signal of SIGNALS) process.once(signal, this.interrupted);
  }

  /** Ends what the run began and has not ended itself. @returns what it was */
  end(): readonly string[] {
    for (const signal of SIGNALS) process.off(signal, this.interrupted);
    const left = end(marked(this.root).map((p) => p.pid));
    for (const name of this.databases().filter((n) => !this.before.has(n))) removeCluster(join(this.root, '.run', name));
    if (this.outer === undefined) Reflect.deleteProperty(process.env, MARK);
    else process.env[MARK] = this.outer;
    return left;
  }

  /** Databases of the checkout that are there, by folder. */
  private databases(): readonly string[] {
    const run = join(this.root, '.run');
    return existsSync(run) ? readdirSync(run).filter((name) => existsSync(join(run, name, 'PG_VERSION'))) : [];
  }
}
