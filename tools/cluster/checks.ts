import { Plain } from '../place.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** What a drill looks at, counted and said as it comes. */
export class Checks {
  private passed = 0;
  private failed = 0;

  is(name: string, so: boolean, otherwise = ''): void {
    if (so) this.passed++;
    else this.failed++;
    say(`${so ? 'ok    ' : 'FAILED'} ${name}${so || otherwise === '' ? '' : `: ${otherwise}`}`);
  }
  say(line: string): void {
    say(line);
  }
  /** Runs a part of a drill; what it throws is a failure of its own, and the rest goes on. */
  async part(name: string, work: () => Promise<void>): Promise<void> {
    say(`\n-- ${name}`);
    try {
      await work();
    } catch (error) {
      this.is(
        name,
        false,
        error instanceof Plain ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error),
      );
    }
  }
  /** The closing line. @returns the exit code */
  close(): number {
    say(`${this.passed} passed, ${this.failed} failed`);
    return this.failed === 0 && this.passed > 0 ? 0 : 1;
  }
}
