import { join } from 'node:path';
import { ROOT, WEB_DIST } from './place.js';
import { build } from './build.js';
import { freePort } from './free-port.js';
import { dropDatabase, ensureDatabase, startCluster } from './postgres.js';
import { environment } from './product.js';
import { run } from './run-command.js';
import { TestRun } from './test-run.js';
import { checkTypes } from './types.js';
import { msToNoon } from './noon.js';

interface Stage {
  readonly name: string;
  /** Runs to its end; a runner's own closing line is counted, anything else counts as one. */
  readonly go: () => Promise<{ code: number; output: string }>;
}

const CLUSTER = 'pg-test';
const NPX = { show: true, env: { FORCE_COLOR: '0', NO_UPDATE_NOTIFIER: '1' } };
const bin = (name: string): string => join(ROOT, 'node_modules', '.bin', name);
const jasmine = (workspace: string, env: NodeJS.ProcessEnv) => () =>
  run(process.execPath, ['--import', 'tsx', 'tools/jasmine.ts', workspace], {
    show: true,
    env: { ...env, TSX_TSCONFIG_PATH: join(ROOT, workspace, workspace === 'tools' ? 'tsconfig.json' : 'tsconfig.spec.json') },
  });

/** `./mansuet test`: every check, one closing line. Names of stages may be given to run only those. @returns the exit code */
export async function test(only: readonly string[]): Promise<number> {
  const say = (line: string): void => void process.stdout.write(`${line}\n`);
  const own = new TestRun(say, [CLUSTER]);
  const port = await freePort();
  const cluster = await startCluster(CLUSTER, await freePort());
  const database = 'mansuet_test';
  await dropDatabase(cluster, database);
  await ensureDatabase(cluster, database);
  const serverEnv = {
    ...environment(cluster, database, port, true),
    MANSUET_WEB_DIR: WEB_DIST,
    MANSUET_ADMIN_URL: cluster.url('mansuet_admin', 'postgres'),
  };
  // Only browser tests whose name has these words: for work on one of them.
  const wanted = process.env['MANSUET_GREP'];
  const grep = wanted ? ['--grep', wanted] : [];
  // Each of them several times: for one that fails now and then.
  const times = process.env['MANSUET_REPEAT'];
  const repeat = times ? ['--repeat-each', times] : [];
  const stages: Stage[] = [
    { name: 'format', go: () => run(bin('prettier'), ['--check', '.', '--log-level', 'warn'], NPX) },
    { name: 'lint', go: () => run(bin('eslint'), ['.'], NPX) },
    { name: 'types', go: checkTypes },
    { name: 'tools', go: jasmine('tools', {}) },
    { name: 'core', go: jasmine('core', {}) },
    { name: 'server', go: jasmine('server', serverEnv) },
    { name: 'demo', go: jasmine('demo', serverEnv) },
    { name: 'web', go: () => run(bin('ng'), ['test'], { ...NPX, cwd: join(ROOT, 'web') }) },
    { name: 'build', go: () => buildStage(say) },
    // Each fault of server, database and network once; `npm run faults` is the long version.
    {
      name: 'faults',
      go: () =>
        run(process.execPath, ['--import', 'tsx', 'tools/faults/faults.ts', '1', 'server'], {
          show: true,
          env: { TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json') },
        }),
    },
    // A salon is backed up, its machine dies, another one reads it back.
    {
      name: 'restore',
      go: () =>
        run(process.execPath, ['--import', 'tsx', 'tools/backup/drill.ts'], {
          show: true,
          env: { TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json') },
        }),
    },
    // A cell of three databases loses each of its parts once, and a salon moves; `./mansuet drill cluster` is the long version.
    {
      name: 'cluster',
      go: () =>
        run(process.execPath, ['--import', 'tsx', 'tools/cluster/short-drill.ts'], {
          show: true,
          env: { TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json') },
        }),
    },
    {
      name: 'browser',
      go: () =>
        run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...grep, ...repeat], {
          show: true,
          // Server, demo data and pages take their time from here: it is noon in a salon in UTC, so that no day ends while a test runs.
          env: { ...serverEnv, FORCE_COLOR: '0', TZ: 'UTC', MANSUET_CLOCK_AHEAD_MS: String(msToNoon(Date.now())) },
        }),
    },
  ];
  let passed = 0;
  let failed = 0;
  try {
    for (const stage of stages.filter((s) => only.length === 0 || only.includes(s.name))) {
      process.stdout.write(`\n== ${stage.name}\n`);
      const from = Date.now();
      const result = await stage.go();
      const counted = count(result);
      passed += counted.passed;
      failed += counted.failed;
      process.stdout.write(`== ${stage.name}: ${counted.failed === 0 ? 'ok' : 'FAILED'} in ${Math.round((Date.now() - from) / 1000)} s\n`);
    }
  } finally {
    cluster.remove();
    for (const was of own.end()) say(`Left by this run, ended now: ${was}`);
  }
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
  return failed === 0 && passed > 0 ? 0 : 1;
}

/** The last closing line of a runner; a bad exit without a failed test is one failure. */
function count({ code, output }: { code: number; output: string }): { passed: number; failed: number } {
  const line = [...output.matchAll(/^(\d+) passed, (\d+) failed$/gm)].at(-1);
  if (!line) return code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
  const failed = Number(line[2]);
  return { passed: Number(line[1]), failed: code !== 0 && failed === 0 ? 1 : failed };
}

async function buildStage(say: (line: string) => void): Promise<{ code: number; output: string }> {
  try {
    await build(say);
    return { code: 0, output: '' };
  } catch (error) {
    process.stdout.write(`${error instanceof Error ? error.message : String(error)}\n`);
    return { code: 1, output: '' };
  }
}
