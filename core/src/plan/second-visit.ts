import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { MOOD_START } from '../strain/index.js';
import { type Activity, type Reason, reason, type StepId, type StepName, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import type { NotPlanned } from './piece.js';
import { simulate } from './simulate.js';
import { solve } from './solve.js';
import type { Clock } from './solver/budget.js';

/** What is left, as a visit of its own. */
export interface SecondVisit {
  /** Weeks from now. */
  readonly inWeeks: number;
  readonly reasons: readonly Reason[];
  /** Its steps in order; empty when what is left cannot be planned yet, such as a clip that waits for a birthday. */
  readonly steps: readonly {
    readonly id: StepId;
    readonly activity: Activity;
    readonly name: StepName;
    readonly zones: readonly ZoneId[];
    readonly minutes: number;
  }[];
  readonly minutes: number;
  readonly peak: number;
}

/** Labels that the plan of a second visit may cost: it is a proposal, and made anew on its day. */
const SECOND_LABELS = 20_000;
/** The same in milliseconds, where there is a clock. */
const SECOND_MS = 150;

/**
 * When the rest is done, and how. Our defaults: a week when it is welfare, two to three weeks otherwise, so that the dog comes back
 * before it is forgotten.
 * @param problem of the steps that are left for another visit, on a day of their own
 * @param built those steps
 * @param clock of whoever waits for it
 */
export function secondVisitFor(
  notToday: readonly NotPlanned[],
  kinds: readonly KindFound[],
  problem: PlanProblem,
  built: readonly BuiltStep[],
  clock?: Clock,
): SecondVisit | undefined {
  const later = notToday.filter((n) => n.to === 'another_visit');
  if (later.length === 0) return undefined;
  // On a day of its own: rested, with the whole time.
  const fresh: PlanProblem = { ...problem, required: [], startStrain: MOOD_START.still, startStandingMinutes: 0 };
  const found = solve(fresh, { labels: SECOND_LABELS, ...(clock ? { clock, limitMs: SECOND_MS } : {}) });
  const run = simulate(fresh, found.chosen);
  const steps = found.chosen.flatMap((c) => {
    const step = built[c.step];
    return step ? [{ id: step.id, activity: step.activity, name: step.name, zones: step.zones, minutes: step.minutes }] : [];
  });
  const welfare = later.some((n) => n.withinDays !== undefined || (n.activity && ACTIVITY_FACTS[n.activity].tier === 'welfare'));
  const when = welfare
    ? { inWeeks: 1, reasons: [reason('second.welfare', {}, 0.8)] }
    : hasKind(kinds, 'puppy')
      ? { inWeeks: 2, reasons: [reason('second.puppy', {}, 0.7)] }
      : { inWeeks: 3, reasons: [reason('second.rest', {}, 0.5)] };
  return { ...when, steps, minutes: run.minutes, peak: run.peak };
}
