import { CHANGEOVER_MINUTES, type PlanProblem } from '../plan/index.js';

/** An exact solver that knows nothing of ours: HiGHS (MIT), compiled to WebAssembly. Linear models go in as CPLEX LP text. */
export interface Highs {
  solve(
    model: string,
    options: { mip_rel_gap: number },
  ): { Status: string; ObjectiveValue: number; Columns: Readonly<Record<string, { readonly Primal: number } | undefined>> };
}
const isLoader = (x: unknown): x is () => Promise<Highs> => typeof x === 'function';

/** Its types describe another module format than the one that is loaded, so what is needed of it is written down here. */
export async function highs(): Promise<Highs> {
  const load: unknown = (await import('highs')).default;
  if (!isLoader(load)) throw new Error('highs: no loader');
  return load();
}

/** Solves a model to the optimum. @throws Error when there is none */
export function optimum(solver: Highs, model: string): number {
  const found = solver.solve(model, { mip_rel_gap: 0 });
  if (found.Status !== 'Optimal') throw new Error(`highs: ${found.Status}`);
  return found.ObjectiveValue;
}

/** Which steps: the most worth within the session, of steps without strain at one place. */
export function knapsackModel(problem: PlanProblem): string {
  const sum = (of: (s: PlanProblem['steps'][number]) => number): string => problem.steps.map((s, i) => `${of(s)} x${i}`).join(' + ');
  const at = (id: string): number => problem.steps.findIndex((s) => s.id === id);
  const rules = problem.order.flatMap((r, i) => [
    ...(r.kind === 'before' ? [] : [` need${i}: x${at(r.then)} - x${at(r.first)} <= 0`]),
    ...(r.kind === 'finishes' ? [` ends${i}: x${at(r.first)} - x${at(r.then)} <= 0`] : []),
  ]);
  return [
    'Maximize',
    ` worth: ${sum((s) => s.worth)}`,
    'Subject To',
    ` session: ${sum((s) => s.minutes)} <= ${problem.sessionMinutes}`,
    ...rules,
    'Binary',
    ` ${problem.steps.map((_, i) => `x${i}`).join(' ')}`,
    'End',
  ].join('\n');
}

/**
 * In which order, when strain only adds up (no recovery): step i leaves `minutes · rate` points, which weigh on all the time after it.
 * Linear ordering variables y_i_j (1 when i is before j). The objective is Σ points of i × minutes of j for i before j.
 */
export function orderingModel(problem: PlanProblem): string {
  const n = problem.steps.length;
  const points = problem.steps.map((s) => s.minutes * s.ratePerMinute);
  const terms: string[] = [];
  const rows: string[] = [];
  const names: string[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (i === j) continue;
      names.push(`y_${i}_${j}`);
      terms.push(`${(points[i] ?? 0) * (problem.steps[j]?.minutes ?? 0)} y_${i}_${j}`);
      if (i < j) rows.push(` one_${i}_${j}: y_${i}_${j} + y_${j}_${i} = 1`);
      for (let k = 0; k < n; k++) if (k !== i && k !== j) rows.push(` way_${i}_${j}_${k}: y_${i}_${j} + y_${j}_${k} - y_${i}_${k} <= 1`);
    }
  const at = (id: string): number => problem.steps.findIndex((s) => s.id === id);
  problem.order.forEach((r, i) => rows.push(` rule${i}: y_${at(r.first)}_${at(r.then)} = 1`));
  return ['Minimize', ` dose: ${terms.join(' + ')}`, 'Subject To', ...rows, 'Binary', ` ${names.join(' ')}`, 'End'].join('\n');
}

/** In which order, when only changes of place cost time: a path through all steps, places counted by position. */
export function changeoverModel(problem: PlanProblem): string {
  const n = problem.steps.length;
  const post = (i: number): PlanProblem['startPost'] => problem.steps[i]?.post ?? 'table';
  const terms: string[] = [];
  const rows: string[] = [];
  const names: string[] = [];
  for (let i = 0; i < n; i++) {
    names.push(`s_${i}`);
    terms.push(`${CHANGEOVER_MINUTES[problem.startPost][post(i)]} s_${i}`);
    for (let j = 0; j < n; j++)
      if (i !== j) {
        names.push(`a_${i}_${j}`);
        terms.push(`${CHANGEOVER_MINUTES[post(i)][post(j)]} a_${i}_${j}`);
        rows.push(` place_${i}_${j}: u_${i} - u_${j} + ${n} a_${i}_${j} <= ${n - 1}`);
      }
    const others = Array.from({ length: n }, (_, j) => j).filter((j) => j !== i);
    rows.push(` in_${i}: ${['s_' + String(i), ...others.map((j) => `a_${j}_${i}`)].join(' + ')} = 1`);
    rows.push(` out_${i}: ${others.map((j) => `a_${i}_${j}`).join(' + ') || '0 s_0'} <= 1`);
  }
  rows.push(` start: ${Array.from({ length: n }, (_, i) => `s_${i}`).join(' + ')} = 1`);
  const at = (id: string): number => problem.steps.findIndex((s) => s.id === id);
  problem.order.forEach((r, i) => rows.push(` rule${i}: u_${at(r.first)} - u_${at(r.then)} <= -1`));
  return [
    'Minimize',
    ` change: ${terms.join(' + ')}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...Array.from({ length: n }, (_, i) => ` 0 <= u_${i} <= ${n - 1}`),
    'Binary',
    ` ${names.join(' ')}`,
    'End',
  ].join('\n');
}

/** Who has which: each of n jobs goes to one of n people, so that the costs add up to least. @param costs by job and person */
export function assignmentModel(costs: readonly (readonly number[])[]): string {
  const x = (i: number, j: number): string => `x_${i}_${j}`;
  const all = costs.flatMap((row, i) => row.map((cost, j) => ({ i, j, cost })));
  return [
    'Minimize',
    ` cost: ${all.map(({ i, j, cost }) => `${cost} ${x(i, j)}`).join(' + ')}`,
    'Subject To',
    ...costs.map((row, i) => ` job${i}: ${row.map((_, j) => x(i, j)).join(' + ')} = 1`),
    ...costs.map((_, j) => ` one${j}: ${costs.map((_, i) => x(i, j)).join(' + ')} = 1`),
    'Binary',
    ` ${all.map(({ i, j }) => x(i, j)).join(' ')}`,
    'End',
  ].join('\n');
}

/** One machine, weighted tardiness, whole minutes: x_j_t is 1 when job j begins at t. @param jobs minutes, due and weight of each */
export function tardinessModel(jobs: readonly { readonly p: number; readonly d: number; readonly w: number }[]): string {
  const horizon = jobs.reduce((sum, j) => sum + j.p, 0);
  const starts = jobs.flatMap(({ p, d, w }, j) =>
    Array.from({ length: horizon - p + 1 }, (_, t) => ({ j, t, p, cost: w * Math.max(0, t + p - d) })),
  );
  const name = ({ j, t }: { j: number; t: number }): string => `x_${j}_${t}`;
  const at = (t: number): string[] => starts.filter((s) => s.t <= t && t < s.t + s.p).map(name);
  return [
    'Minimize',
    ` late: ${starts.map((s) => `${s.cost} ${name(s)}`).join(' + ')}`,
    'Subject To',
    ...jobs.map(
      (_, j) =>
        ` once${j}: ${starts
          .filter((s) => s.j === j)
          .map(name)
          .join(' + ')} = 1`,
    ),
    ...Array.from({ length: horizon }, (_, t) => ` one${t}: ${at(t).join(' + ')} <= 1`),
    'Binary',
    ` ${starts.map(name).join(' ')}`,
    'End',
  ].join('\n');
}
