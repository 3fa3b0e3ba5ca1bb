import { hasKind } from '../knowledge/dogs/index.js';
import { recoveryPerMinute, strainDoseAbove, WATCH_AT } from '../strain/index.js';
import { type PlanWay, type Reason, reason, type StepId, type StepName } from '../words/index.js';
import { checkPlan } from './check-plan.js';
import type { VisitPlan } from './handling-plan.js';
import { type PlanOptions, planVisit } from './make-plan.js';
import { inPercent } from './in-percent.js';
import type { Odds } from './odds.js';
import { oddsOfPlan } from './odds-of-plan.js';
import type { PlanInput } from './plan-input.js';
import { simulate } from './simulate.js';
import { compareWith, inputFor } from './ways.js';

/** Something that could be done instead, and what it would change. */
export interface Beside {
  readonly id: 'risk' | 'heaviest' | 'helper' | 'two_visits' | 'vet';
  readonly says: readonly Reason[];
  /** How it is planned: another way, or a step left for another day. */
  readonly way?: PlanWay;
  readonly without?: StepId;
}

/** A step of what was asked for that brings this share of the dose is offered for another day, where there is so much dose. Our defaults. */
const MOST_OF_DOSE = 0.5;
const DOSE_WORTH_TELLING = 30;

/**
 * What stands beside a plan, always: what was left to keep the chance low, a step that carries most of the strain, a helper, two short
 * visits, a vet; each with minutes and chances. In parts, in the order they are shown in: each plans and takes its time, so that whoever
 * works them off can answer something else in between.
 * @param visit the plan in hand, checked, with its odds
 */
export function besideParts(
  input: PlanInput,
  { visit, odds }: { readonly visit: VisitPlan; readonly odds: Odds | undefined },
  options: PlanOptions = {},
): readonly (() => Beside[])[] {
  return [
    () => withRisk(input, visit, options),
    () => withoutTheHeaviest(input, visit, odds, options),
    () => withHelper(input, visit, options),
    () => inTwo(input, visit, options),
    () => [vetBeside(visit)],
  ];
}

/** All that was left to keep the chance low, and what it would come to. */
function withRisk(input: PlanInput, { plan }: VisitPlan, options: PlanOptions): Beside[] {
  const { leftOut, state } = plan.chance;
  if (state !== 'kept' && state !== 'nothing') return [];
  const left = leftOut.length > 0 ? [reason('beside.left', { works: leftOut }, 0.9)] : [];
  if (left.length === 0 && state === 'kept') return [{ id: 'risk', says: [reason('beside.nothing_left', {}, 0.3)] }];
  const asked = inputFor('with_risk', input);
  const visit = planVisit(asked, options);
  if (!visit || visit.solution.chosen.length === 0) return left.length > 0 ? [{ id: 'risk', says: left }] : [];
  return [{ id: 'risk', way: 'with_risk', says: [...left, reason('beside.with_risk', told(visit, oddsOfPlan(visit)), 0.9)] }];
}

/** A step of what was asked for that brings most of the dose. */
function withoutTheHeaviest(
  input: PlanInput,
  { plan, problem, solution, built }: VisitPlan,
  odds: Odds | undefined,
  options: PlanOptions,
): Beside[] {
  if (plan.dose < DOSE_WORTH_TELLING || input.now) return [];
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  const doses = new Map<number, number>();
  for (const s of simulate(problem, solution.chosen).stretches)
    if (s.kind === 'work')
      doses.set(s.step, (doses.get(s.step) ?? 0) + strainDoseAbove(s.strainFrom, s.ratePerMinute, s.to - s.from, k, WATCH_AT));
  const [heaviest] = [...doses].filter(([i]) => problem.steps[i]?.tier === 'asked').sort((a, b) => b[1] - a[1]);
  const step = heaviest && built[heaviest[0]];
  if (!step || problem.required?.includes(step.id)) return [];
  const without = planVisit({ ...input, wishes: [...(input.wishes ?? []), { kind: 'forbid', step: step.id }] }, options);
  if (!without || without.solution.chosen.length === 0) return [];
  const share = 1 - without.plan.dose / plan.dose;
  if (share < MOST_OF_DOSE) return [];
  const then = oddsOfPlan(without);
  return [
    {
      id: 'heaviest',
      without: step.id,
      says: [
        reason(
          'beside.heaviest',
          {
            step: step.name,
            percent: Math.round(100 * share),
            ...told(without, then),
            before: inPercent(odds?.stop.chance ?? then.stop.chance),
          },
          0.8,
        ),
      ],
    },
  ];
}

/** What a second pair of hands would change. */
function withHelper(input: PlanInput, base: VisitPlan, options: PlanOptions): Beside[] {
  if (input.helperThere && !input.helperWindows) return [{ id: 'helper', says: [reason('beside.helper_there', {}, 0.3)] }];
  const asked = inputFor('with_helper', input);
  const found = planVisit(asked, options);
  if (!found || found.solution.chosen.length === 0) return [];
  const { visit, odds } = checkPlan(asked, found, options);
  if (!odds) return [];
  const { more } = compareWith(base.plan, visit.plan);
  const also = more.length > 0 ? [reason('beside.also', { works: unique(more) }, 0.8)] : [];
  return [{ id: 'helper', way: 'with_helper', says: [reason('beside.helper', told(visit, odds), 0.7), ...also] }];
}

/** Today the first part, the rest soon. */
function inTwo(input: PlanInput, base: VisitPlan, options: PlanOptions): Beside[] {
  if (input.now) return [];
  const asked = inputFor('split_in_two', input);
  const found = planVisit(asked, options);
  if (!found || found.solution.chosen.length === 0) return [];
  const { visit, odds } = checkPlan(asked, found, options);
  const second = visit.plan.secondVisit;
  if (!odds || !second) return [];
  const { less } = compareWith(base.plan, visit.plan);
  const later = less.length > 0 ? [reason('beside.later', { works: unique(less) }, 0.6)] : [];
  return [
    {
      id: 'two_visits',
      way: 'split_in_two',
      says: [
        reason('beside.two_visits', { ...told(visit, odds), likely: Math.round(second.minutes), weeks: second.inWeeks }, 0.7),
        ...later,
      ],
    },
  ];
}

/** What is a vet's: of what was found, or if the dog cannot bear it. */
function vetBeside({ plan }: VisitPlan): Beside {
  const forVet = plan.notToday.filter((n) => n.to === 'vet');
  if (forVet.length > 0) {
    const days = Math.min(...forVet.map((n) => n.withinDays ?? VET_DAYS));
    return { id: 'vet', says: [reason('beside.vet', { things: forVet.map((n) => n.what), days }, 0.9)] };
  }
  if (plan.painful.minutes >= 1)
    return { id: 'vet', says: [reason('beside.vet_if', { minutes: plan.painful.minutes, days: VET_DAYS }, 0.7)] };
  return { id: 'vet', says: [reason(hasKind(plan.kinds, 'bite_history') ? 'beside.vet_bites' : 'beside.no_vet', {}, 0.2)] };
}
/** What hurts is seen within a week. Our default, as elsewhere. */
const VET_DAYS = 7;

const unique = (steps: readonly StepName[]): StepName[] =>
  steps.filter((s, i) => steps.findIndex((x) => JSON.stringify(x) === JSON.stringify(s)) === i);
const told = ({ plan }: VisitPlan, odds: Odds): { minutes: number; stop: number; bite: number } => ({
  minutes: Math.round(plan.minutes),
  stop: inPercent(odds.stop.chance),
  bite: inPercent(odds.bite.chance),
});
