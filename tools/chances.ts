import fc from 'fast-check';
import { checkPlan, keepsLimits, type PlanInput, planVisit } from '../core/src/plan/index.js';
import { anyPlanInput } from '../core/src/testing/random-dogs.js';
import { median } from './median.js';

/**
 * Plans generated dogs as the page does, draws the chances of what is recommended, and tells how many keep the limits of their house, what that
 * took, and how long it lasted. `npm run chances -- 1000`
 */
const [count = '200'] = process.argv.slice(2);
const clock = (): number => performance.now();
const inputs = fc.sample(
  anyPlanInput.map((i): PlanInput => ({ ...i, way: 'as_asked', now: undefined })),
  { numRuns: Number(count), seed: 2026 },
);
const told = { dogs: 0, kept: 0, limited: 0, nothing: 0, over: 0, passes: 0, atOnce: 0 };
const times: number[] = [];
let highest = { stop: 0, bite: 0 };
for (const input of inputs) {
  const from = clock();
  const visit = planVisit(input, { clock });
  times.push(clock() - from);
  if (!visit) continue;
  told.dogs++;
  const { visit: last, odds, checks } = checkPlan(input, visit, { clock });
  const { state, leftOut, ...limits } = last.plan.chance;
  if (leftOut.length > 0) told.limited++;
  if (state === 'nothing') told.nothing++;
  if (state === 'over') told.over++;
  if (state !== 'kept' || !odds) continue;
  told.kept++;
  if (checks === 1) told.atOnce++;
  if (!keepsLimits(odds, limits)) told.passes++;
  highest = {
    stop: Math.max(highest.stop, odds.stop.chance / limits.stop),
    bite: Math.max(highest.bite, odds.bite.chance / limits.bite),
  };
}
times.sort((a, b) => a - b);
const percent = (x: number): string => `${(100 * x).toFixed(0)} %`;
console.log(`${told.dogs} generated dogs that are groomed today`);
console.log(`recommended within the limits of the house: ${told.kept}; work left or rested for it: ${told.limited}`);
console.log(`no work keeps them: ${told.nothing}; what is insisted on passes them, and is said to: ${told.over}`);
console.log(`recommended and past the limits by the odds that are shown: ${told.passes}`);
console.log(`kept at the first check: ${percent(told.atOnce / Math.max(1, told.kept))}`);
console.log(`highest told, of what is allowed: stop ${percent(highest.stop)}, snap or bite ${percent(highest.bite)}`);
console.log(
  `planned in: median ${median(times).toFixed(0)} ms, of 100 the 95th ${(times[Math.floor(0.95 * times.length)] ?? 0).toFixed(0)} ms, slowest ${(times[times.length - 1] ?? 0).toFixed(0)} ms`,
);
