import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain } from '../place.js';
import { isRoot } from '../run-command.js';

/** Room for an empty cluster, its journal, and the visits of a run. */
const MEGABYTES = 400;
const CHUNK = Buffer.alloc(1_000_000);

/** A disk that can be filled without filling that of the machine: a file system in memory, which only root may make. */
export class SmallDisk {
  private constructor(private readonly place: string) {}

  /** @returns `undefined` where this user may make none */
  static make(place: string): SmallDisk | undefined {
    if (!isRoot()) return undefined;
    mkdirSync(place, { recursive: true });
    const made = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${MEGABYTES}m`, 'tmpfs', place], { encoding: 'utf8' });
    return made.status === 0 ? new SmallDisk(place) : undefined;
  }

  /** Until not a byte more can be written. */
  fill(): void {
    for (let i = 0; i < MEGABYTES; i++) {
      try {
        writeFileSync(this.file(i), CHUNK);
      } catch {
        return;
      }
    }
    throw new Plain('the disk could not be filled');
  }
  /** As somebody does who finds out. */
  free(): void {
    for (let i = 0; i < MEGABYTES; i++) rmSync(this.file(i), { force: true });
  }
  remove(): void {
    spawnSync('umount', ['-l', this.place]);
    rmSync(this.place, { recursive: true, force: true });
  }
  private file(i: number): string {
    return join(this.place, `filler-${i}`);
  }
}
