import { build } from '../build.js';
import { Plain } from '../place.js';
import { TestRun } from '../test-run.js';
import { Checks } from './checks.js';
import { drillCell, often } from './drill-cell.js';
import { drillMove } from './drill-move.js';

const USUAL = 10;
const MOST = 100;

/**
 * `./mansuet drill cluster [times]`: a cell on loopback whose parts are killed, and a salon that moves between two cells.
 * @returns the exit code
 */
export async function drill(args: readonly string[]): Promise<number> {
  const [what, said = String(USUAL), ...more] = args;
  const times = Number(said);
  if (what !== 'cluster' || more.length > 0) throw new Plain('./mansuet drill cluster [how often each is killed]');
  if (!Number.isInteger(times) || times < 1 || times > MOST)
    throw new Plain(`How often each is killed is a whole number from 1 to ${MOST}.`);
  const say = (line: string): void => void process.stdout.write(`${line}\n`);
  await build(say);
  // Whoever interrupts it leaves nothing running.
  const own = new TestRun(say, []);
  const checks = new Checks();
  try {
    await checks.part('a salon that moves', () => drillMove(checks, true));
    await checks.part(`a cell, each of its parts killed ${often(times)}`, () => drillCell(checks, times, true));
  } finally {
    for (const was of own.end()) say(`Left by the drill, ended now: ${was}`);
  }
  return checks.close();
}
