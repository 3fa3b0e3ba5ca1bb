import { cpus } from 'node:os';
import { compareDays, DAY_GOALS, type DayPlan, drawDay, planDay } from '../core/src/day/index.js';
import { madeDay } from '../core/src/testing/a-day.js';
import { highs, optimum, tardinessModel } from '../core/src/testing/highs-models.js';
import { aBlock, aDayOf, aDog, aPerson, aStretch } from '../core/src/testing/a-day.js';
import { median } from './median.js';

/**
 * The plan of a day: how good after half a second, and five seconds against the best of long runs. `npm run bench:day [runs] [seconds]`, ten of 60 s
 * each unless it is said otherwise. The days are invented.
 */
const [runs = '10', seconds = '60'] = process.argv.slice(2);
const say = (line: string): void => void process.stdout.write(`${line}\n`);
const clock = (): number => performance.now();
const terms = (plan: DayPlan): string => DAY_GOALS.map((g) => plan.terms[g]).join(' · ');
const SEEDS = [1, 2, 3];

const cpu = cpus();
say(`Machine: ${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, Node ${process.version}\n`);
say(`Goals: ${DAY_GOALS.join(' · ')}\n`);
say('| dogs | people | day | after 0.5 s | changes | drawing 1,000 days |');
say('| --- | --- | --- | --- | --- | --- |');
for (const [dogs, people] of [
  [6, 2],
  [12, 3],
  [20, 4],
  [30, 6],
] as const)
  for (const seed of SEEDS) {
    const problem = madeDay(seed, dogs, people);
    const plan = planDay(problem, { clock, limitMs: 500 });
    const from = clock();
    drawDay(problem, plan.schedule);
    say(`| ${dogs} | ${people} | ${seed} | ${terms(plan)} | ${plan.rounds} | ${Math.round(clock() - from)} ms |`);
  }

say(`\n20 dogs and 4 people: 5 s against the best of ${runs} runs of ${seconds} s\n`);
say('| day | 5 s | best of the long runs |');
say('| --- | --- | --- |');
for (const seed of SEEDS) {
  const problem = madeDay(seed, 20, 4);
  const short = planDay(problem, { clock, limitMs: 5_000 });
  let best: DayPlan | undefined;
  for (let run = 0; run < Number(runs); run++) {
    const long = planDay(problem, { clock, limitMs: 1_000 * Number(seconds), seed: (run + 0.5) / Number(runs) });
    if (!best || compareDays(long.terms, best.terms, DAY_GOALS) < 0) best = long;
  }
  say(`| ${seed} | ${terms(short)} | ${best ? terms(best) : '–'} |`);
}

say('\nOne machine, weighted tardiness: the same optimum, and the time of both\n');
say('| jobs | ours | HiGHS | its time to ours |');
say('| --- | --- | --- | --- |');
const solver = await highs();
for (const n of [5, 6, 7]) {
  const jobs = Array.from({ length: n }, (_, i) => ({ p: 2 + ((i * 5) % 7), d: 4 + ((i * 11) % 17), w: 1 + ((i * 3) % 4) }));
  const all = jobs.reduce((sum, j) => sum + j.p, 0);
  const dogs = jobs.map(({ p, d, w }, i) =>
    aDog(`j${i}`, [aBlock([aStretch(p)])], { arrives: { from: 0, to: 0 }, waitsAtMost: all, wishedBy: { at: d, weight: w } }),
  );
  const problem = aDayOf(dogs, [aPerson('machine', { works: [{ from: 0, to: all }] })], { from: 0, to: all, slot: 1, overtime: 0 });
  const timed = (work: () => number): { value: number; ms: number } => {
    let value = 0;
    const times = [0, 1, 2].map(() => {
      const from = clock();
      value = work();
      return clock() - from;
    });
    return { value, ms: median(times) };
  };
  const ours = timed(() => planDay(problem, { goals: ['unplaced', 'wishes'], rounds: 3_000 }).terms.wishes);
  const theirs = timed(() => optimum(solver, tardinessModel(jobs)));
  say(
    `| ${n} | ${ours.value} in ${Math.round(ours.ms)} ms | ${theirs.value} in ${Math.round(theirs.ms)} ms | ${(theirs.ms / ours.ms).toFixed(1)} |`,
  );
}
