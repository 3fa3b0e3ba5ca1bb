import { cpus } from 'node:os';
import type { PlanInput } from '../core/src/plan/index.js';
import { planVisit, solve } from '../core/src/plan/index.js';
import { anInput } from '../core/src/testing/dogs.js';
import { type ServiceItem, type TriggerCause, ZONE_IDS } from '../core/src/words/index.js';
import { randomFrom } from './bench-problems.js';
import { median } from './median.js';

/**
 * The search on visits that are built from dogs: everything asked for, dogs that come down slowly, little time, 13 to 19 steps. How many are
 * proven or within 1 % after two seconds, and how long it really took. `npm run bench:visits -- 100`
 */
const [count = '100'] = process.argv.slice(2);
const ALL: readonly ServiceItem[] = ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy', 'deshed'];
const CAUSES: readonly TriggerCause[] = ['clipper', 'nails', 'dryer', 'brush', 'held', 'shears'];
const LIMIT_MS = 2000;
const clock = (): number => performance.now();

function visitOf(seed: number): PlanInput {
  const random = randomFrom(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const zones = Array.from({ length: 3 + Math.floor(random() * 3) }, () => pick(ZONE_IDS));
  return anInput(
    {
      asked: { items: ALL, wantedMm: pick([6, 9, 13]), sessionMinutes: pick([90, 110, 130, 150, 200]) },
      helperThere: random() < 0.3,
    },
    {
      born: pick(['2010-01-01', '2015-06-01', '2021-06-01']),
      weightKg: pick([5, 9, 18, 34]),
      coat: pick(['curly', 'wool', 'silky', 'double']),
      triggers: random() < 0.6 ? [{ cause: pick(CAUSES) }] : [],
      standingSeenMinutes: pick([6, 10, 20, 40]),
    },
    {
      mood: pick(['still', 'tense', 'relaxed']),
      zones: [...new Set(zones)].map((zone) => ({
        zone,
        matGrade: pick([1, 2, 2, 3]),
        skin: pick(['sound', 'sound', 'red']),
        crust: zone.startsWith('eye'),
      })),
    },
  );
}

interface Run {
  readonly steps: number;
  readonly searchMs: number;
  readonly planMs: number;
  readonly good: boolean;
  readonly proof: string;
}
const runs: Run[] = [];
for (let seed = 1; runs.length < Number(count) && seed < 40 * Number(count); seed++) {
  const input = visitOf(seed);
  const found = planVisit({ ...input, way: 'with_risk' }, { clock, limitMs: 1 });
  const steps = found?.problem.steps.length ?? 0;
  if (!found || steps < 13 || steps > 19) continue;
  // Half of them come down slowly: half-lives between 8 and 25 min.
  const problem = seed % 2 === 0 ? { ...found.problem, halfLifeMinutes: 8 + (seed % 18) } : found.problem;
  const from = clock();
  const best = solve(problem, { clock, limitMs: LIMIT_MS });
  const searchMs = clock() - from;
  const began = clock();
  planVisit(input, { clock });
  runs.push({
    steps,
    searchMs,
    planMs: clock() - began,
    good: best.proof === 'proven' || (best.gap ?? Infinity) <= 0.01,
    proof: best.proof,
  });
}
const of = (what: (r: Run) => number): number[] => runs.map(what).sort((a, b) => a - b);
const last = (list: readonly number[]): number => list[list.length - 1] ?? 0;
const said = (list: readonly number[]): string =>
  `median ${median(list).toFixed(0)} ms, 95th of 100 ${(list[Math.floor(0.95 * list.length)] ?? 0).toFixed(0)} ms, slowest ${last(list).toFixed(0)} ms`;
console.log(`${cpus().length} × ${cpus()[0]?.model ?? 'unknown'}, Node ${process.version}`);
console.log(`${runs.length} visits of ${of((r) => r.steps)[0] ?? 0} to ${last(of((r) => r.steps))} steps, everything asked for`);
console.log(`proven or within 1 % in ${LIMIT_MS / 1000} s: ${runs.filter((r) => r.good).length} (promised: 95 of 100)`);
for (const proof of ['proven', 'within', 'best_found', 'impossible'] as const)
  console.log(`  ${proof}: ${runs.filter((r) => r.proof === proof).length}`);
console.log(`the search: ${said(of((r) => r.searchMs))} (promised: none over 2200 ms)`);
console.log(`the whole plan with its limits of chance and reasons: ${said(of((r) => r.planMs))}`);
