import { BREAK_STEP_MINUTES, type ChosenStep, type PlanProblem, POINT_MINUTES_PER_MINUTE } from './model.js';
import { burden } from './objective.js';
import { simulate } from './simulate.js';

/** Changes at most: no plan has more break steps to lose. Our default. */
const CHANGES_AT_MOST = 40;

/**
 * A plan without the rests that it does not need: one break step after the other goes, the one by which the burden falls most, as long as the
 * plan keeps its limits and what else is asked of it. A plan that was made for a harder day rests for that day in every place; this leaves the
 * rests that count.
 * @param keeps whether a plan with less rest is still wanted
 */
export function lessRest(
  problem: PlanProblem,
  chosen: readonly ChosenStep[],
  keeps: (chosen: readonly ChosenStep[]) => boolean,
): readonly ChosenStep[] {
  const price = problem.minutePrice ?? POINT_MINUTES_PER_MINUTE;
  const burdenOf = (plan: readonly ChosenStep[]): number => {
    const run = simulate(problem, plan);
    return run.broken ? Infinity : burden(run, price);
  };
  let best = chosen;
  let at = burdenOf(chosen);
  for (let change = 0; change < CHANGES_AT_MOST; change++) {
    const fewer = withoutOneBreak(best)
      .map((plan) => ({ plan, burden: burdenOf(plan) }))
      .filter((p) => p.burden < at)
      .sort((a, b) => a.burden - b.burden)
      .find((p) => keeps(p.plan));
    if (!fewer) return best;
    best = fewer.plan;
    at = fewer.burden;
  }
  return best;
}

/** The same plan with one break step less, in each place where there is one. */
function withoutOneBreak(chosen: readonly ChosenStep[]): ChosenStep[][] {
  return chosen.flatMap((step, at) =>
    step.breaks.flatMap((minutes, part) =>
      minutes <= 0
        ? []
        : [
            chosen.map((c, i) =>
              i === at ? { ...c, breaks: c.breaks.map((b, p) => (p === part ? Math.max(0, b - BREAK_STEP_MINUTES) : b)) } : c,
            ),
          ],
    ),
  );
}
