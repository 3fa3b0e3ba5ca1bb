import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './place.js';
import { run, type Ran } from './run-command.js';

/** What is checked, the longest first; all read what the build of the first line left. */
const BUILD = ['tsc', '-b', 'core', 'server', 'demo'] as const;
const CHECKS: readonly (readonly [string, ...string[]])[] = [
  ['ngc', '-p', 'web/tsconfig.app.json', '--noEmit'],
  ['tsc', '-p', 'web/tsconfig.spec.json', '--noEmit'],
  ['tsc', '-p', 'core/tsconfig.spec.json'],
  ['tsc', '-p', 'server/tsconfig.spec.json'],
  ['tsc', '-p', 'tools'],
  ['tsc', '-p', 'demo/tsconfig.spec.json'],
  ['tsc', '-p', 'e2e'],
];

const go = ([name, ...args]: readonly [string, ...string[]]): Promise<Ran> =>
  run(join(ROOT, 'node_modules', '.bin', name), args, { show: true, env: { FORCE_COLOR: '0' } });

/** Checks the types of every workspace, as many at a time as the machine has processors. A bad one does not hide the others. */
export async function checkTypes(): Promise<Ran> {
  const first = await go(BUILD);
  if (first.code !== 0) return first;
  const waiting = [...CHECKS];
  const done: Ran[] = [];
  const work = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) done.push(await go(next));
  };
  await Promise.all(Array.from({ length: Math.min(availableParallelism(), 4) }, work));
  return { code: Math.max(...done.map((d) => d.code)), output: done.map((d) => d.output).join('') };
}
