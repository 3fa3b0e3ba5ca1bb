import { readdirSync, readFileSync, readlinkSync } from 'node:fs';

/** Linux counts time of processes in hundredths of a second, on every machine that runs Node (`getconf CLK_TCK`). */
const TICK_MS = 10;
const USER_TIME = 11;
const SYSTEM_TIME = 12;
/** The same of what it began and has counted out since. */
const USER_TIME_OF_ENDED = 13;
const SYSTEM_TIME_OF_ENDED = 14;

/** Processes that work in a folder: of a database all that it has. */
export function processesIn(folder: string): readonly number[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((name) => {
      try {
        const at = readlinkSync(`/proc/${name}/cwd`);
        return at === folder || at.startsWith(`${folder}/`) ? [Number(name)] : [];
      } catch {
        // It has ended meanwhile, or is somebody else's.
        return [];
      }
    });
}

/** Time of processors that a process has had so far, with those that it began and that have ended, ms; none for one that is gone. */
export function cpuMs(pid: number): number {
  try {
    // Its name stands in brackets and may have spaces: what is counted begins after it.
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ') ?? [];
    const times = [USER_TIME, SYSTEM_TIME, USER_TIME_OF_ENDED, SYSTEM_TIME_OF_ENDED];
    return TICK_MS * times.reduce((sum, i) => sum + Number(fields[i]), 0);
  } catch {
    return 0;
  }
}

/** Memory that a process holds, MB. */
export function residentMb(pid: number): number {
  return Number(/^VmRSS:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
}
