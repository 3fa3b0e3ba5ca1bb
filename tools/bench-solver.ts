import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import type { Page } from 'playwright-core';
import { median } from './median.js';
import { ROOT } from './place.js';
import type { SolverRun } from './bench-solver.worker.js';

const SIZES = [8, 12, 16, 18, 20, 24, 30] as const;
const SEEDS = 15;
export const PICTURE = 'docs/planner-cost.svg';

/** One row of the table: medians over made-up visits of a size. */
export interface SolverRow {
  readonly steps: number;
  readonly goodMs: number;
  readonly ms: number;
  readonly slowestMs: number;
  readonly proven: number;
  readonly visits: number;
  readonly worstGap: number;
  readonly medianGap: number;
  readonly oddsMs: number;
}

/** Cost growth of the solver in a browser's worker, each visit with the page's own limit of two seconds. */
export async function solverRows(page: Page): Promise<SolverRow[]> {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'tools', 'bench-solver.worker.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: join(ROOT, 'tools', 'tsconfig.json'),
  });
  await page.goto('about:blank');
  const runs = await page.evaluate(
    async ({ script, sizes, seeds }) => {
      const worker = new Worker(URL.createObjectURL(new Blob([script], { type: 'text/javascript' })));
      const ask = (steps: number, seed: number): Promise<SolverRun> =>
        new Promise((done) => {
          worker.onmessage = ({ data }: MessageEvent<SolverRun>) => done(data);
          worker.postMessage({ steps, seed });
        });
      // The first visits warm the worker up and are not counted.
      for (let seed = 100; seed < 105; seed++) await ask(12, seed);
      const out: SolverRun[] = [];
      for (const steps of sizes) for (let seed = 1; seed <= seeds; seed++) out.push(await ask(steps, seed));
      worker.terminate();
      return out;
    },
    { script: outputFiles[0]?.text ?? '', sizes: [...SIZES], seeds: SEEDS },
  );
  return SIZES.map((steps) => {
    const of = runs.filter((r) => r.steps === steps);
    const gaps = of.map((r) => r.gap);
    return {
      steps,
      goodMs: median(of.map((r) => r.goodMs)),
      ms: median(of.map((r) => r.ms)),
      slowestMs: Math.max(...of.map((r) => r.ms)),
      proven: of.filter((r) => r.proven).length,
      visits: of.length,
      worstGap: Math.max(...gaps),
      medianGap: median(gaps),
      oddsMs: median(of.map((r) => r.oddsMs)),
    };
  });
}

export function solverTable(rows: readonly SolverRow[]): string {
  const gap = (x: number): string => (Number.isFinite(x) ? `${(x * 100).toFixed(1)} %` : 'not known');
  return [
    '| steps | within 1 % of the last plan | to the proof or the limit | slowest | proven | gap: median; largest | 2,000 visits |',
    '| --- | --- | --- | --- | --- | --- | --- |',
    ...rows.map(
      (r) =>
        `| ${r.steps} | ${r.goodMs.toFixed(0)} ms | ${r.ms.toFixed(0)} ms | ${r.slowestMs.toFixed(0)} ms | ${r.proven} of ${r.visits} | ${gap(r.medianGap)}; ${gap(r.worstGap)} | ${r.oddsMs.toFixed(0)} ms |`,
    ),
  ].join('\n');
}

/** The same as a picture: median time over steps, on a logarithmic scale, with the two limits that were promised. */
export function drawCost(rows: readonly SolverRow[]): void {
  const [width, height] = [640, 320];
  const frame = { left: 64, right: 150, top: 20, bottom: 44 };
  const x = scaleLinear([8, 30], [frame.left, width - frame.right]);
  const y = scaleLog([1, 4000], [height - frame.bottom, frame.top]);
  const path = (of: (r: SolverRow) => number): string =>
    line<SolverRow>()
      .x((r) => x(r.steps))
      .y((r) => y(Math.max(1, of(r))))([...rows]) ?? '';
  const text = (at: number, top: number, words: string, anchor = 'start'): string =>
    `<text x="${at.toFixed(0)}" y="${top.toFixed(0)}" text-anchor="${anchor}">${words}</text>`;
  const last = rows.at(-1);
  const lines = [
    { of: (r: SolverRow) => r.goodMs, colour: '#5e8f76', name: 'within 1 %' },
    { of: (r: SolverRow) => r.ms, colour: '#23424e', name: 'proof or limit' },
    { of: (r: SolverRow) => r.slowestMs, colour: '#bf5b35', name: 'slowest of all' },
  ];
  const ticks = [1, 10, 100, 1000];
  writeFileSync(
    join(ROOT, PICTURE),
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="13" role="img" aria-label="Milliseconds to a good plan and to the proof, over the number of steps">
<rect width="${width}" height="${height}" fill="#fbfdfb"/>
${ticks.map((t) => `<line x1="${frame.left}" x2="${width - frame.right}" y1="${y(t)}" y2="${y(t)}" stroke="#cbd5d2"/>${text(frame.left - 8, y(t) + 4, `${t} ms`, 'end')}`).join('\n')}
${SIZES.map((s) => text(x(s), height - frame.bottom + 20, String(s), 'middle')).join('\n')}
${text((frame.left + width - frame.right) / 2, height - 6, 'steps', 'middle')}
${lines.map((l) => `<path d="${path(l.of)}" fill="none" stroke="${l.colour}" stroke-width="2.5"/>${rows.map((r) => `<circle cx="${x(r.steps)}" cy="${y(Math.max(1, l.of(r)))}" r="3.5" fill="${l.colour}"/>`).join('')}${last ? `<g fill="${l.colour}">${text(x(last.steps) + 10, y(Math.max(1, l.of(last))) + 4, l.name)}</g>` : ''}`).join('\n')}
</svg>
`,
  );
}
