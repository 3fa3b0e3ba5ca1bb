/// <reference lib="webworker" />
import { burden, oddsOf, solve } from '@mansuet/core/plan';
import { visitProblem } from './bench-problems.js';

/** One search in a browser's worker, as the plan page makes it: when a plan within 1 % was there, and when it ended. */
export interface SolverRun {
  readonly steps: number;
  readonly planned: number;
  /** Milliseconds to the first plan, to one within 1 % of the last, and to the end. */
  readonly firstMs: number;
  readonly goodMs: number;
  readonly ms: number;
  readonly proven: boolean;
  readonly gap: number;
  readonly labels: number;
  /** Milliseconds for 2,000 drawn visits. */
  readonly oddsMs: number;
}

addEventListener('message', ({ data }: MessageEvent<{ steps: number; seed: number }>) => {
  const problem = visitProblem(data.steps, data.seed);
  const from = performance.now();
  const marks: { ms: number; burden: number }[] = [];
  const found = solve(problem, {
    clock: () => performance.now(),
    onProgress: (x) => marks.push({ ms: performance.now() - from, burden: burden(x.value) }),
  });
  const ms = performance.now() - from;
  const last = burden(found.value);
  const oddsFrom = performance.now();
  oddsOf({ problem, chosen: found.chosen, spreads: problem.steps.map(() => ({ rateShape: 4, minutesSpread: 0.24 })), visits: 2_000 });
  const run: SolverRun = {
    steps: data.steps,
    planned: found.chosen.length,
    firstMs: marks[0]?.ms ?? ms,
    goodMs: marks.find((m) => m.burden <= last * 1.01)?.ms ?? ms,
    ms,
    proven: found.proof === 'proven',
    gap: found.gap ?? Infinity,
    labels: found.labelsLooked,
    oddsMs: performance.now() - oddsFrom,
  };
  postMessage(run);
});
