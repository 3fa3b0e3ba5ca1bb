import { burden, type PlanProblem, simulate, solve } from '@mansuet/core/plan';
import { gridVisits } from '../core/src/testing/grid-visits.js';
import { solveInGrid } from '../core/src/testing/highs-grid-model.js';
import { changeoverModel, highs, knapsackModel, optimum, orderingModel } from '../core/src/testing/highs-models.js';
import { NO_RECOVERY_MINUTES, plainProblem, weightedJobs } from '../core/src/testing/linear-problems.js';
import { randomFrom } from './bench-problems.js';
import { medianTime } from './median.js';

/** Our solver beside an independent exact one on the linear special cases: times side by side, printed as rows of a table. */
const solver = await highs();
const ROUNDS = 9;
/** The whole model takes the other solver seconds. */
const GRID_ROUNDS = 3;
const GRID_STEPS = 4;
const GRID_VISITS = 6;

function row(what: string, problem: PlanProblem, model: string, mine: (found: ReturnType<typeof solve>) => number): void {
  const theirs = optimum(solver, model);
  const ours = mine(solve(problem));
  const [a, b] = [medianTime(() => solve(problem), ROUNDS), medianTime(() => optimum(solver, model), ROUNDS)];
  const same = Math.abs(ours - theirs) < 0.05 * Math.max(1, Math.abs(theirs) * 0.01);
  process.stdout.write(
    `| ${what} | ${a.toFixed(1)} ms | ${b.toFixed(1)} ms | ${(b / a).toFixed(1)} | ${same ? 'yes' : `no: ${ours} against ${theirs}`} |\n`,
  );
}

const random = randomFrom(7);
const between = (a: number, b: number): number => Math.floor(a + (b - a + 1) * random());
const steps = Array.from({ length: 15 }, () => ({ minutes: between(2, 14), worth: between(1, 9) }));
const bag = plainProblem(steps, { sessionMinutes: 60 });
row('which of 15 steps fit into 60 min', bag, knapsackModel(bag), (f) => f.value.welfare);

const [weights, minutes] = [
  [6, 18, 12, 8, 8, 17, 18],
  [3, 6, 6, 5, 4, 8, 10],
] as const;
const chains = weightedJobs(weights, minutes, [
  [1, 2, 3, 4],
  [5, 6, 7],
]);
const always = 42 + weights.reduce<number>((sum, w, i) => sum + (0.1 * w * (minutes[i] ?? 0)) / 2, 0);
row('order of 7 steps in two chains, strain adds up', chains, orderingModel(chains), (f) => f.value.dose - always);

const free = plainProblem(
  Array.from({ length: 8 }, () => ({ minutes: between(2, 9), ratePerMinute: between(1, 9) / 50 })),
  { startStrain: 26, halfLifeMinutes: NO_RECOVERY_MINUTES },
);
const work = free.steps.reduce((sum, s) => sum + s.minutes, 0);
const half = free.steps.reduce((sum, s) => sum + (s.ratePerMinute * s.minutes * s.minutes) / 2, 0);
row('order of 8 steps without rules, strain adds up', free, orderingModel(free), (f) => f.value.dose - work - half);

const posts = ['table', 'tub', 'dryer', 'lap', 'tub', 'table', 'dryer'] as const;
const moves = plainProblem(
  posts.map((post) => ({ post, minutes: between(2, 9) })),
  {
    order: [
      { first: 's02', then: 's04', kind: 'before', rule: 'order.mats_before_bath' },
      { first: 's05', then: 's01', kind: 'before', rule: 'order.mats_before_bath' },
    ],
  },
);
const moved = moves.steps.reduce((sum, s) => sum + s.minutes, 0);
row('order of 7 steps at four places, fewest minutes between', moves, changeoverModel(moves), (f) => burden(f.value) / 3 - moved);

for (const { dog, problem } of gridVisits(GRID_STEPS).slice(0, GRID_VISITS)) {
  const ours = burden(solve(problem).value);
  const theirs = solveInGrid(solver, problem);
  const run = burden(simulate(problem, theirs.chosen));
  const [a, b] = [medianTime(() => solve(problem), GRID_ROUNDS), medianTime(() => solveInGrid(solver, problem), GRID_ROUNDS)];
  const enclosed = theirs.bound <= ours + 0.05 && ours <= run + 1e-6;
  const same = enclosed
    ? `yes: ${theirs.bound.toFixed(1)} to ${run.toFixed(1)}`
    : `no: ${ours.toFixed(1)} against ${theirs.bound.toFixed(1)} to ${run.toFixed(1)}`;
  process.stdout.write(
    `| whole plan of ${dog}’s ${problem.steps.length} hardest steps in slots of 5 min | ${a.toFixed(1)} ms | ${b.toFixed(1)} ms | ${(b / a).toFixed(1)} | ${same} |\n`,
  );
}
