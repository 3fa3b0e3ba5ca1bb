import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import Jasmine from 'jasmine';
import { ROOT } from './place.js';

/** Runs the specs of a workspace in Node and prints one line `N passed, N failed`. Load errors and "no specs" count as failed. */
const DEFAULT_SEED = 20261125;
const folder = join(ROOT, process.argv[2] ?? '');
const only = process.argv[3] ?? '';
const specs = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(
  (f) => f.endsWith('.spec.ts') && !/node_modules|(^|[\\/])\./.test(f) && f.includes(only),
);

// One seed for all property tests, so that a run can be repeated; MANSUET_SEED=… looks elsewhere.
fc.configureGlobal({ seed: Number(process.env['MANSUET_SEED'] ?? DEFAULT_SEED) });

const runner = new Jasmine({ projectBaseDir: ROOT });
// A whole demo past is planned, lived and learned from in one spec: a minute on a quick machine, more on a busy one.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;
runner.exitOnCompletion = false;
runner.configureDefaultReporter({ showColors: false });
runner.randomizeTests(false);
let passed = 0;
let failed = 0;
runner.addReporter({
  specDone: (result: { status: string }) => {
    if (result.status === 'passed') passed++;
    if (result.status === 'failed') failed++;
  },
});
runner.addMatchingSpecFiles(specs.map((f) => join(folder, f)));
const result = await runner.execute();
const broken = result.overallStatus === 'passed' ? 0 : Math.max(1, failed);
process.stdout.write(`${passed} passed, ${broken} failed\n`);
process.exit(broken === 0 && passed > 0 ? 0 : 1);
