import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './place.js';

/**
 * Mutation score of a sample: blocks of ten lines of the rule folders of core, drawn by chance, since a whole run takes hours.
 * `npm run mutate:sample -- 777 0.05` draws every twentieth block with seed 777.
 */
const [seedText = '1', shareText = '0.05'] = process.argv.slice(2);
const share = Number(shareText);
let drawn = Number(seedText);
if (!Number.isInteger(drawn) || !(share > 0 && share <= 1)) {
  process.stderr.write('Give a whole number as the seed, and the share of the blocks, above 0 and up to 1.\n');
  process.exit(2);
}
/** A linear congruential generator with the constants of the C standard's example: the same on every machine is all it has to be. */
const chance = (): number => (drawn = (drawn * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;

const BLOCK_LINES = 10;
const core = join(ROOT, 'core');
const blocks = ['knowledge', 'findings', 'strain', 'statistics', 'next-visit'].flatMap((folder) =>
  readdirSync(join(core, 'src', folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && !f.endsWith('index.ts'))
    .sort()
    .flatMap((f) => {
      const file = join('src', folder, f);
      const lines = readFileSync(join(core, file), 'utf8').split('\n').length;
      return Array.from({ length: Math.ceil(lines / BLOCK_LINES) }, (_, i) => i * BLOCK_LINES + 1)
        .filter(() => chance() < share)
        .map((from) => `${file}:${from}-${Math.min(lines, from + BLOCK_LINES - 1)}`);
    }),
);
process.stdout.write(`${blocks.length} blocks\n`);
const run = spawnSync('npx', ['stryker', 'run', 'stryker.config.json', '--mutate', blocks.join(',')], { cwd: core, stdio: 'inherit' });
process.exit(run.status ?? 1);
