import { type ChosenStep, type PlanProblem, POINT_MINUTES_PER_MINUTE, STRAIN_CEILING } from '../plan/index.js';
import { WATCH_AT } from '../strain/index.js';
import type { Highs } from './highs-models.js';

/** Minutes of a slot: breaks come in steps of so many, and all work of these visits lasts one slot or two. */
export const SLOT_MINUTES = 5;
/** Strain at which the dose of a slot is held by a tangent: between them the model is a little below the curve. */
const TANGENTS_AT = [10, 18, 25, 30, 36, 42, 50, 58, 66, 74];
/** Pieces into which a slot is cut to add up its dose. */
const PIECES = 2000;
const HIGHEST = 100;

/** What HiGHS says of the whole model: a bound that no plan is below, and a plan. */
export interface GridFound {
  readonly bound: number;
  readonly chosen: readonly ChosenStep[];
}

/**
 * The whole plan as one mixed-integer model in a time grid: when each step begins, the dog's strain at each slot, its dose from below by
 * tangents, ceilings, standing at a stretch, and when the visit is over. Strain is linear without tiredness, so nothing else is left out.
 * For visits whose work lasts 5 or 10 minutes, at one place, with one tool, all of it to be done.
 * @throws RangeError for a visit that has no place in the grid
 */
export function solveInGrid(solver: Highs, problem: PlanProblem): GridFound {
  const slots = Math.floor(problem.sessionMinutes / SLOT_MINUTES);
  const k = Math.LN2 / problem.halfLifeMinutes;
  const kept = Math.exp(-k * SLOT_MINUTES);
  const { steps } = problem;
  const long = steps.map((s) => s.minutes / SLOT_MINUTES);
  if (problem.fatiguePerMinute !== 0 || long.some((d) => d !== 1 && d !== 2) || (problem.lags ?? []).length > 0)
    throw new RangeError('solveInGrid: work of 5 or 10 min, without tiredness and lags');
  const rows: string[] = [];
  const starts = (s: number): number[] => Array.from({ length: slots - (long[s] ?? 1) + 1 }, (_, t) => t);
  const acting = (s: number, t: number): string[] =>
    Array.from({ length: long[s] ?? 1 }, (_, back) => t - back)
      .filter((at) => at >= 0 && at <= slots - (long[s] ?? 1))
      .map((at) => `x_${s}_${at}`);
  const signed = (terms: readonly string[], factor: number): string =>
    terms.map((v) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${v}`).join(' ');
  steps.forEach((_, s) =>
    rows.push(
      ` once_${s}: ${signed(
        starts(s).map((t) => `x_${s}_${t}`),
        1,
      )} = 1`,
    ),
  );
  for (const [i, r] of problem.order.entries()) {
    const [a, b] = [steps.findIndex((s) => s.id === r.first), steps.findIndex((s) => s.id === r.then)];
    rows.push(
      ` rule${i}: ${starts(b)
        .map((t) => `+ ${t} x_${b}_${t}`)
        .join(' ')} ${starts(a)
        .map((t) => `- ${t} x_${a}_${t}`)
        .join(' ')} >= ${long[a]}`,
    );
  }
  const stretch = Math.floor(problem.continuousStandingMinutes / SLOT_MINUTES);
  for (let t = 0; t < slots; t++) {
    const all = steps.flatMap((_, s) => acting(s, t));
    rows.push(` one_${t}: ${signed(all, 1)} - open_${t} <= 0`);
    if (t > 0) rows.push(` on_${t}: open_${t} - open_${t - 1} <= 0`);
    const gains = steps.map((s, i) => signed(acting(i, t), -(s.ratePerMinute / k) * (1 - kept))).join(' ');
    rows.push(` strain_${t}: s_${t + 1} - ${kept} s_${t} ${gains} = 0`);
    steps.forEach((step, s) => {
      const over = HIGHEST - STRAIN_CEILING[step.tier];
      for (const at of [t, t + 1]) rows.push(` top_${s}_${t}_${at}: s_${at} ${signed(acting(s, t), over)} <= ${HIGHEST - 1e-6}`);
      for (const [j, { slope, base }] of tangents(step.ratePerMinute, k).entries()) {
        const most = slope * HIGHEST + base;
        rows.push(` work_${s}_${t}_${j}: d_${t} - ${slope} s_${t} ${signed(acting(s, t), -most)} >= ${base - most}`);
      }
    });
    for (const [j, { slope, base }] of tangents(0, k).entries()) {
      const most = slope * HIGHEST + base;
      rows.push(` rest_${t}_${j}: d_${t} - ${slope} s_${t} - ${most} open_${t} ${signed(all, most)} >= ${base - most}`);
    }
    const within = Array.from({ length: stretch + 1 }, (_, i) => t + i).filter((at) => at < slots);
    const standing = within.flatMap((at) => steps.flatMap((s, i) => (s.standing ? acting(i, at) : [])));
    if (within.length === stretch + 1 && standing.length > 0) rows.push(` stand_${t}: ${signed(standing, 1)} <= ${stretch}`);
  }
  rows.push(` begins: s_0 = ${problem.startStrain}`);
  const minute = problem.minutePrice ?? POINT_MINUTES_PER_MINUTE;
  const each = Array.from({ length: slots }, (_, t) => t);
  const model = [
    'Minimize',
    ` burden: ${each.map((t) => `+ d_${t} + ${minute * SLOT_MINUTES} open_${t}`).join(' ')}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...each.flatMap((t) => [` 0 <= d_${t} <= 1000`, ` 0 <= s_${t} <= ${HIGHEST}`]),
    ` 0 <= s_${slots} <= ${HIGHEST}`,
    'Binary',
    ` ${[...each.map((t) => `open_${t}`), ...steps.flatMap((_, s) => starts(s).map((t) => `x_${s}_${t}`))].join(' ')}`,
    'End',
  ].join('\n');
  const found = solver.solve(model, { mip_rel_gap: 0 });
  if (found.Status !== 'Optimal') throw new Error(`highs: ${found.Status}`);
  const order = steps
    .map((_, s) => ({ s, at: starts(s).find((t) => (found.Columns[`x_${s}_${t}`]?.Primal ?? 0) > 0.5) ?? 0 }))
    .sort((a, b) => a.at - b.at);
  const chosen = order.map(({ s, at }, i): ChosenStep => {
    const before = order[i - 1];
    return { step: s, breaks: [SLOT_MINUTES * (at - (before ? before.at + (long[before.s] ?? 1) : 0))] };
  });
  return { bound: found.ObjectiveValue, chosen };
}

/** Straight lines that touch a slot's dose from below, as a function of the strain before it. */
function tangents(rate: number, k: number): { readonly slope: number; readonly base: number }[] {
  return TANGENTS_AT.map((at) => {
    const [dose, less] = [doseOfSlot(at, rate, k), doseOfSlot(at - 0.01, rate, k)];
    const slope = (dose - less) / 0.01;
    return { slope, base: dose - slope * at };
  });
}

/** Point-minutes above the line in one slot, added up in small pieces: nothing of ours in it. */
function doseOfSlot(strain: number, rate: number, k: number): number {
  let sum = 0;
  for (let i = 0; i < PIECES; i++) {
    const minutes = ((i + 0.5) * SLOT_MINUTES) / PIECES;
    const at = rate / k + (strain - rate / k) * Math.exp(-k * minutes);
    sum += (Math.max(0, at - WATCH_AT) * SLOT_MINUTES) / PIECES;
  }
  return sum;
}
