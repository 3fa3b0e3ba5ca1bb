import { cpus } from 'node:os';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Page } from 'playwright-core';
import { withBenchSalon, withPage } from './bench-salon.js';
import { build } from './build.js';
import type { PlanInput } from '@mansuet/core/plan';
import { makePlan } from '../core/src/plan/index.js';
import { type Activity, activityOf } from '../core/src/words/index.js';
import { PLAN_CASES } from './bench-cases.js';
import { PICTURE, drawCost, solverRows, solverTable } from './bench-solver.js';
import { median } from './median.js';
import { Plain, ROOT, WEB_DIST } from './place.js';
import { must, run } from './run-command.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** `./mansuet bench`: the figures that the design promises, measured on this machine. Medians; nothing here passes or fails. */
export async function bench(): Promise<void> {
  await build(say);
  const cpu = cpus();
  say(`Machine: ${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, Node ${process.version}, headless Chromium\n`);
  say('| what | promised | measured |');
  say('| --- | --- | --- |');
  row('first load, JavaScript and CSS, gzipped', 'under 500 kB', `${Math.round(firstLoadBytes() / 1000)} kB`);
  await coreFigures();

  await withBenchSalon(async ({ env, origin, warmStartMs }) => {
    row('warm start: data looked at, server up', 'under 10 s', `${(warmStartMs / 1000).toFixed(1)} s`);
    await withPage(origin, async (page) => {
      await planFigure(page);
      await replanFigure(page);
      await searchFigure(page, env);
      await solverFigures(page);
    });
  });
  say('\nThe table\n');
  await must('The figures of the table', process.execPath, ['--import', 'tsx', 'tools/bench-table.ts', 'built'], {
    TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json'),
  }).then(say);
  say('\nThe log, on devices and at the server\n');
  await must('The figures of the log', process.execPath, ['--import', 'tsx', 'tools/bench-log/bench-log.ts', 'built'], {
    TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json'),
  }).then(say);
}

function row(what: string, promised: string, measured: string): void {
  say(`| ${what} | ${promised} | ${measured} |`);
}

function firstLoadBytes(): number {
  const page = readFileSync(join(WEB_DIST, 'index.html'), 'utf8');
  const files = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] ?? '');
  return files.reduce((sum, f) => sum + gzipSync(readFileSync(join(WEB_DIST, f))).length, 0);
}

/** In a process of its own, so that core is read from its sources. */
async function coreFigures(): Promise<void> {
  const { code, output } = await run(process.execPath, ['--import', 'tsx', 'tools/bench-core.ts'], {
    env: { TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json') },
  });
  if (code !== 0) throw new Plain(`The figures of core could not be measured.\n${output}`);
  say(output.trim());
}

/** Milliseconds of each question to the built worker, asked five times each as the page asks it. */
async function timesInWorker(page: Page, cases: readonly PlanInput[]): Promise<number[][]> {
  const worker = readdirSync(WEB_DIST).find((f) => /^worker-.*\.js$/.test(f));
  if (!worker) throw new Plain('No plan worker in web/dist. Build again.');
  return page.evaluate(
    async ({ url, inputs }) => {
      const plan = new Worker(url, { type: 'module' });
      const ask = (id: number, input: unknown): Promise<number> =>
        new Promise((done, failed) => {
          const from = performance.now();
          plan.onerror = (e) => failed(new Error(e.message));
          plan.onmessage = ({ data }: MessageEvent<{ kind: string }>) => {
            if (data.kind === 'done') done(performance.now() - from);
          };
          plan.postMessage({ id, question: { kind: 'plan', input } });
        });
      await ask(0, inputs[0]);
      const out: number[][] = [];
      for (const input of inputs) {
        const one: number[] = [];
        for (let i = 0; i < 5; i++) one.push(await ask(i, input));
        out.push(one);
      }
      plan.terminate();
      return out;
    },
    { url: `/${worker}`, inputs: [...cases] },
  );
}

async function planFigure(page: Page): Promise<void> {
  const times = await timesInWorker(page, PLAN_CASES);
  const medians = times.map(median).sort((a, b) => a - b);
  const steps = PLAN_CASES.map((input) => makePlan(input).steps.length);
  row(
    `a plan of ${Math.min(...steps)} to ${Math.max(...steps)} steps in the worker, ${medians.length} dogs: median; slowest dog`,
    'under 300 ms',
    `${Math.round(median(medians))} ms; ${Math.round(medians.at(-1) ?? 0)} ms`,
  );
}

const HALF_DONE: readonly Activity[] = ['soak', 'crust', 'clip_tight_fragile', 'brush_mats', 'nails', 'sanitary', 'ears'];

/** The rest of a plan from the middle of the work: half of its steps are over. */
async function replanFigure(page: Page): Promise<void> {
  const cases = PLAN_CASES.map((input): PlanInput => ({
    ...input,
    now: {
      minute: 60,
      strain: 22,
      standingMinutes: 6,
      standingTotalMinutes: 30,
      workedMinutes: 45,
      post: 'table',
      begun: HALF_DONE.map((step) => ({ step, status: 'done', minutes: 5, pieces: [] })),
      pieces: makePlan(input)
        .steps.filter((s) => HALF_DONE.includes(activityOf(s.id)))
        .flatMap((s) => s.pieces.map((p) => ({ piece: p.id, status: 'done' as const }))),
    },
  }));
  const times = await timesInWorker(page, cases);
  const medians = times.map(median).sort((a, b) => a - b);
  row(
    `the rest planned anew from here, ${medians.length} dogs: median; slowest dog`,
    'under 150 ms',
    `${Math.round(median(medians))} ms; ${Math.round(medians.at(-1) ?? 0)} ms`,
  );
}

/** How the search grows with the steps, in the browser's worker, and beside an independent exact solver. */
async function solverFigures(page: Page): Promise<void> {
  const rows = await solverRows(page);
  say(`\nThe solver in the worker, made-up visits (limit 2 s; picture: ${PICTURE})\n`);
  say(solverTable(rows));
  drawCost(rows);
  const { code, output } = await run(process.execPath, ['--import', 'tsx', 'tools/bench-highs.ts'], {
    env: { TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json') },
  });
  if (code !== 0) throw new Plain(`The comparison with HiGHS could not be made.\n${output}`);
  say('\nBeside HiGHS 1.15.3 (WebAssembly, in Node), on linear special cases\n');
  say('| case | ours | HiGHS | times as long | same optimum |\n| --- | --- | --- | --- | --- |');
  say(output.trim());
}

const MANY_DOGS = 20_000;
/** Right, misspelt, sounding alike, beginnings, two words, digits. */
const SEARCHES = [
  'bramble',
  'brmble',
  'kesby',
  'kezby',
  'quinder',
  'kwinder',
  'wil',
  'ro',
  'lumser velton',
  'pelwin',
  '2100',
  '207731',
  'xqzwv',
];

/** Each kind of search among many dogs, from the page to the answer read. */
async function searchFigure(page: Page, env: NodeJS.ProcessEnv): Promise<void> {
  await must(`Entering ${MANY_DOGS} dogs`, process.execPath, ['--import', 'tsx', 'tools/bench-many-dogs.ts', String(MANY_DOGS)], {
    ...env,
    TSX_TSCONFIG_PATH: join(ROOT, 'tools', 'tsconfig.json'),
  });
  const times = await page.evaluate(async (searches) => {
    const out: number[] = [];
    for (let round = 0; round < 8; round++)
      for (const text of searches) {
        const from = performance.now();
        await (await fetch(`/api/dogs?search=${encodeURIComponent(text)}`)).json();
        // The first round fills the database's own memory.
        if (round > 0) out.push(performance.now() - from);
      }
    return out;
  }, SEARCHES);
  const sorted = times.sort((a, b) => a - b);
  row(
    `search among ${MANY_DOGS} dogs, ${SEARCHES.length} kinds: median; 95th percentile`,
    'under 50 ms',
    `${Math.round(median(sorted))} ms; ${Math.round(sorted[Math.floor(sorted.length * 0.95)] ?? 0)} ms`,
  );
}
